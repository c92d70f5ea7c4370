import { Flex, Text } from "@chakra-ui/react";
import type { Verdict } from "#core/planting/verdict";
import { VERDICT_WORDS } from "#core/planting/words";
import { SvgText } from "../ui/svg-text";

const INK: Record<Verdict, string> = {
  "not-yet": "inkSoft",
  nearly: "mossDeep",
  "test-one": "frostInk",
  "pick-some": "ochreInk",
  "pick-all": "madder",
  "past-prime": "past",
  "leave-for-seed": "inkSoft",
};

/** A seed drawn for the verdict: shape and fill tell it apart without colour. */
export function VerdictMark({ verdict, size = 18 }: { verdict: Verdict; size?: number }) {
  const seed = "M1 9C4 8.6 6 3 10 3s6.4 5 7 6c-.6 1-3 6-7 6S4 9.4 1 9Z";
  const fill = verdict === "pick-all" || verdict === "past-prime" ? "currentColor" : "none";
  return (
    <svg width={size} height={size} viewBox="0 0 18 18" aria-hidden="true">
      <path
        d={seed}
        fill={fill}
        stroke="currentColor"
        strokeWidth="1.5"
        strokeDasharray={verdict === "not-yet" ? "2 2" : undefined}
      />
      {verdict === "pick-some" && <path d="M1 9C4 8.6 6 3 10 3v12C6 15 4 9.4 1 9Z" fill="currentColor" />}
      {verdict === "nearly" && <path d="M1 9C4 8.6 6 3 7 4.6v8.8C6 15 4 9.4 1 9Z" fill="currentColor" />}
      {verdict === "test-one" && (
        <SvgText x="10" y="12.6" size={9.5} bold textAnchor="middle" fill="currentColor">
          ?
        </SvgText>
      )}
      {verdict === "past-prime" && <path d="M6 13 14 5" stroke="var(--ak-colors-paper)" strokeWidth="1.6" />}
    </svg>
  );
}

/** The verdict in a word with its seed. */
export function VerdictTag({ verdict, size = "md" }: { verdict: Verdict; size?: "md" | "lg" }) {
  return (
    <Flex as="span" display="inline-flex" align="center" gap="1.5" color={INK[verdict]} whiteSpace="nowrap">
      <VerdictMark verdict={verdict} size={size === "lg" ? 28 : 18} />
      <Text
        as="span"
        fontFamily={size === "lg" ? "heading" : "body"}
        fontWeight="650"
        fontSize={size === "lg" ? "2xl" : "md"}
      >
        {VERDICT_WORDS[verdict]}
      </Text>
    </Flex>
  );
}
