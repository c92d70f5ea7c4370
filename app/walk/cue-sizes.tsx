import { Box, chakra, Flex, Input, Text } from "@chakra-ui/react";
import { Minus, Plus } from "lucide-react";
import { useState } from "react";
import type { Cue } from "#core/handbook/crop";
import { landmarkAt } from "#core/planting/stage-grid";
import { readLength } from "#core/units/length";
import { readMass, sayMass } from "#core/units/mass";
import { nearestObject } from "#core/units/reference-objects";
import { sayLength } from "#core/units/say";
import { Tiles } from "../ui/tiles";
import { ANSWER_COLUMNS, type CueProps, Step } from "./cue-parts";

/** Sizes between too small and too big, each with the everyday object nearest to it. */
export function Sizes({
  cue,
  school,
  units,
  coins,
  value,
  onGive,
}: CueProps & { cue: Extract<Cue, { kind: "measure" | "weight" }> }) {
  const say = (n: number) => (cue.kind === "weight" ? sayMass(n, units) : sayLength(n, units));
  const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
  const round = (mm: number) => (mm < 40 ? Math.round(mm) : Math.round(mm / 5) * 5);
  const sizes = [...new Set([0.35, 0.7, 0.95, 1.2, 1.5, 1.95].map((s) => round(landmarkAt(marks, s))))];
  const most = sizes[sizes.length - 1] ?? 1;
  const exact = typeof value === "number" && !sizes.includes(value);
  return (
    <Box>
      <Tiles
        label={cue.ask}
        name={exact ? undefined : `cue-${cue.id}`}
        columns={ANSWER_COLUMNS}
        answers={sizes.map((mm) => ({
          value: String(mm),
          picture: (
            <SizePicture
              round={cue.kind === "weight" || cue.quantity === "diameter" || cue.quantity === "girth"}
              share={mm / most}
            />
          ),
          text: (
            <>
              {say(mm)}
              <chakra.span display="block" fontSize="sm" color="inkSoft">
                {cue.kind === "weight" ? "" : nearestObject(cue.quantity === "girth" ? mm / Math.PI : mm, coins).name}
              </chakra.span>
            </>
          ),
        }))}
        chosen={typeof value === "number" ? [String(value)] : []}
        onTap={(mm) => onGive(value === Number(mm) ? null : Number(mm))}
      />
      <Flex mt="2" gap="2" align="center">
        <Step
          type="button"
          aria-label="smaller"
          onClick={() =>
            onGive(
              Math.max(
                1,
                Math.round((typeof value === "number" ? value : marks.ready) * 0.95) - (value === null ? 0 : 1),
              ),
            )
          }
        >
          <Minus size={20} />
        </Step>
        <TypedSize
          key={typeof value === "number" ? value : "none"}
          label={cue.ask}
          said={typeof value === "number" ? say(value) : ""}
          example={say(round(marks.ready))}
          read={(text) => {
            const mass = cue.kind === "weight" ? readMass(text, units) : null;
            if (mass) return mass.ok ? mass.massG : mass.message;
            const length = readLength(text, units);
            return length.ok ? length.lengthMm : length.message;
          }}
          onGive={onGive}
        />
        <Step
          type="button"
          aria-label="bigger"
          onClick={() =>
            onGive(Math.round((typeof value === "number" ? value : marks.ready) * 1.05) + (value === null ? 0 : 1))
          }
        >
          <Plus size={20} />
        </Step>
        {exact && <input type="hidden" name={`cue-${cue.id}`} value={String(value)} />}
      </Flex>
    </Box>
  );
}

/** A size beside the biggest: a round thing or a long one. */
function SizePicture({ round, share }: { round: boolean; share: number }) {
  return (
    <svg width="44" height="38" aria-hidden="true" style={{ flex: "none" }}>
      {round ? (
        <circle
          cx="22"
          cy="19"
          r={3 + 15 * share}
          fill="var(--ak-colors-ochre-tint)"
          stroke="var(--ak-colors-ink)"
          strokeWidth="1.4"
        />
      ) : (
        <rect
          x={22 - 20 * share}
          y="14"
          width={40 * share}
          height="10"
          rx="5"
          fill="var(--ak-colors-ochre-tint)"
          stroke="var(--ak-colors-ink)"
          strokeWidth="1.4"
        />
      )}
    </svg>
  );
}

/** The same typed: what the rule or the scale says, in the gardener's units. */
function TypedSize({
  label,
  said,
  example,
  read,
  onGive,
}: {
  label: string;
  said: string;
  example: string;
  read: (text: string) => number | string;
  onGive: (value: number | null) => void;
}) {
  const [wrong, setWrong] = useState("");
  const take = (text: string) => {
    if (text.trim() === said) return;
    if (text.trim() === "") return onGive(null);
    const size = read(text);
    if (typeof size === "string") return setWrong(size);
    setWrong("");
    onGive(size);
  };
  return (
    <Box flex="1" maxW="14rem">
      <Input
        type="text"
        aria-label={`${label} Typed`}
        aria-invalid={wrong !== ""}
        defaultValue={said}
        placeholder={`or type it: ${example}`}
        inputMode="text"
        autoComplete="off"
        minH="56px"
        textAlign="center"
        bg="sheet"
        borderColor={wrong ? "madder" : "rule"}
        fontWeight={said ? "650" : "400"}
        onBlur={(e) => take(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== "Enter") return;
          e.preventDefault();
          take(e.currentTarget.value);
        }}
      />
      {wrong && (
        <Text color="madder" fontSize="sm" role="alert">
          {wrong}
        </Text>
      )}
    </Box>
  );
}

/** How many days ago something happened: usual answers to tap, and a stepper. */
export function DaysSince({ cue, school, value, onGive }: CueProps & { cue: Extract<Cue, { kind: "since" }> }) {
  const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
  const n = typeof value === "number" ? value : null;
  const usual = [...new Set([0.4, 0.8, 1.05, 1.4, 1.9].map((s) => Math.round(landmarkAt(marks, s))))];
  return (
    <Flex gap="2" wrap="wrap" align="center">
      <Tiles
        label={cue.ask}
        name={n !== null && !usual.includes(n) ? undefined : `cue-${cue.id}`}
        columns={`repeat(${usual.length}, minmax(52px, 1fr))`}
        upright
        answers={usual.map((days) => ({ value: String(days), text: days }))}
        chosen={n === null ? [] : [String(n)]}
        onTap={(days) => onGive(n === Number(days) ? null : Number(days))}
      />
      <Step type="button" aria-label="a day less" onClick={() => onGive(Math.max(0, (n ?? marks.ready) - 1))}>
        <Minus size={20} />
      </Step>
      <Text minW="5rem" textAlign="center" aria-live="polite">
        {n === null ? "days" : `${n} days`}
      </Text>
      <Step type="button" aria-label="a day more" onClick={() => onGive(Math.round(n ?? marks.ready) + 1)}>
        <Plus size={20} />
      </Step>
      {n !== null && !usual.includes(n) && <input type="hidden" name={`cue-${cue.id}`} value={String(n)} />}
    </Flex>
  );
}

export function Count({ cue, value, onGive }: CueProps) {
  const n = typeof value === "number" ? value : null;
  return (
    <Flex gap="2" align="center" wrap="wrap">
      <Step type="button" aria-label="one fewer" onClick={() => onGive(Math.max(0, (n ?? 1) - 1))}>
        <Minus size={20} />
      </Step>
      <Text minW="5rem" textAlign="center" fontSize="2xl" fontFamily="heading" aria-live="polite">
        {n ?? "–"}
      </Text>
      <Step type="button" aria-label="one more" onClick={() => onGive((n ?? -1) + 1)}>
        <Plus size={20} />
      </Step>
      <Step type="button" px="3" onClick={() => onGive((n ?? 0) + 5)}>
        +5
      </Step>
      <input type="hidden" name={`cue-${cue.id}`} value={n === null ? "" : String(n)} />
    </Flex>
  );
}
