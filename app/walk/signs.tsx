import { Box, Flex, Text } from "@chakra-ui/react";
import type { Crop, Cue } from "#core/handbook/crop";
import type { ReadingValue } from "#core/planting/check";
import { Fold } from "../ui/fold";
import { SignTile } from "./cue-control";

type Props = {
  crop: Crop;
  given: Record<string, ReadingValue>;
  onGive: (cueId: string, value: ReadingValue | null) => void;
};
type Sign = Extract<Cue, { kind: "event" }>;

/** What may be wrong: the crop's own signs at once, those that many crops share folded away until wanted. */
export function Signs({ crop, given, onGive }: Props) {
  const signs = crop.cues.filter((c): c is Sign => c.kind === "event");
  const own = signs.filter((c) => !c.shared);
  const shared = signs.filter((c) => c.shared);
  const noted = signs.filter((c) => given[c.id] === true && c.verdict === null);
  const tile = (cue: Sign) => (
    <SignTile key={cue.id} cue={cue} value={given[cue.id] ?? null} onGive={(value) => onGive(cue.id, value)} />
  );
  return (
    <Box mb="5">
      <Flex gap="2.5" wrap="wrap">
        {own.map(tile)}
      </Flex>
      {shared.length > 0 && (
        <Fold title="Anything wrong?" mt={own.length > 0 ? "2.5" : "0"} open={shared.some((c) => given[c.id] === true)}>
          <Flex gap="2.5" wrap="wrap">
            {shared.map(tile)}
          </Flex>
        </Fold>
      )}
      {noted.map((c) => (
        <Text key={c.id} mt="2" fontWeight="600">
          {c.advice}
        </Text>
      ))}
    </Box>
  );
}
