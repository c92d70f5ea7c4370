import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Minus, Plus } from "lucide-react";
import { useState } from "react";
import type { Cue } from "#core/handbook/crop";
import { answersIn, MIXED } from "#core/planting/cue-kinds/choice";
import { sayReading } from "#core/planting/words";
import { CropGlyph } from "../ui/crop-glyph";
import { SeveralTiles, TickTile, Tiles } from "../ui/tiles";
import { Button } from "../ui/ui";
import { ANSWER_COLUMNS, type CueProps, Step } from "./cue-parts";
import { Count, DaysSince, Sizes } from "./cue-sizes";

/** One cue asked in the bed: pictures and everyday objects to tap, sliders and steppers rather than typing. */
export function CueControl(props: CueProps) {
  const { cue, last, suggested, units } = props;
  if (cue.kind === "event") return <SignTile {...props} />;
  return (
    <Box
      as="fieldset"
      mb="5"
      borderLeftWidth="4px"
      borderColor={suggested ? "ochre" : "transparent"}
      pl={suggested ? "3" : "0"}
      ml={suggested ? "-3" : "0"}
    >
      <chakra.legend fontWeight="650" fontSize="lg" mb="2" display="block" w="100%">
        {cue.ask}
        <chakra.span display="block" fontWeight="400" fontSize="sm" color="inkSoft">
          {[
            suggested ? "this would tell most" : null,
            cue.usesUp ? "uses one up" : null,
            last !== null ? `last time ${sayReading(cue, last, units)}` : null,
          ]
            .filter(Boolean)
            .join(" · ")}
        </chakra.span>
      </chakra.legend>
      {cue.kind === "choice" && <Choices {...props} cue={cue} />}
      {(cue.kind === "measure" || cue.kind === "weight") && <Sizes {...props} cue={cue} />}
      {cue.kind === "since" && <DaysSince {...props} cue={cue} />}
      {cue.kind === "percent" && <Share {...props} />}
      {cue.kind === "count" && <Count {...props} />}
    </Box>
  );
}

function Choices({ cue, school, glyph, value, onGive }: CueProps & { cue: Extract<Cue, { kind: "choice" }> }) {
  const told = typeof value === "string" ? answersIn(value) : [];
  const [adding, setAdding] = useState(false);
  const mixed = told.length === 2;
  const tap = (id: string) => {
    setAdding(false);
    const first = told[0];
    if (told.includes(id)) onGive(told.find((x) => x !== id) ?? null);
    else onGive(adding && first ? [first, id].join(MIXED) : id);
  };
  const several = adding || mixed;
  const tiles = {
    label: cue.ask,
    answers: cue.options.map((o) => ({
      value: o.id,
      picture: <CropGlyph kind={glyph} stage={school.cues[cue.id]?.optionAt?.[o.id] ?? o.at} size={38} />,
      text: o.label,
    })),
    chosen: told,
    onTap: tap,
    columns: ANSWER_COLUMNS,
  };
  return (
    <Box>
      {several ? <SeveralTiles {...tiles} name={undefined} /> : <Tiles {...tiles} name={`cue-${cue.id}`} />}
      {several && <input type="hidden" name={`cue-${cue.id}`} value={told.join(MIXED)} />}
      {told.length > 0 && !cue.usesUp && (
        <Text mt="2" fontSize="sm" color="inkSoft" aria-live="polite">
          {mixed ? (
            "Some of each."
          ) : adding ? (
            "Tap what the others are like."
          ) : (
            <Button type="button" variant="quiet" size="sm" onClick={() => setAdding(true)}>
              Others differ
            </Button>
          )}
        </Text>
      )}
    </Box>
  );
}

function Share({ cue, value, onGive }: CueProps) {
  const shares = [0, 10, 25, 50, 75, 90, 100];
  const n = typeof value === "number" ? value : null;
  const between = n !== null && !shares.includes(n);
  return (
    <Box>
      <Tiles
        label={cue.ask}
        name={between ? undefined : `cue-${cue.id}`}
        columns={{ base: "repeat(4, 1fr)", sm: "repeat(7, 1fr)" }}
        upright
        answers={shares.map((share) => ({
          value: String(share),
          picture: <SharePicture cueId={cue.id} share={share} />,
          text: `${share} %`,
        }))}
        chosen={n === null ? [] : [String(n)]}
        onTap={(share) => onGive(n === Number(share) ? null : Number(share))}
      />
      <Flex mt="2" gap="2" align="center">
        <Step type="button" aria-label="5 % less" onClick={() => onGive(Math.max(0, (n ?? 55) - 5))}>
          <Minus size={20} />
        </Step>
        <Text
          minW="9rem"
          textAlign="center"
          aria-live="polite"
          fontWeight={between ? "650" : "400"}
          color={between ? "ink" : "inkSoft"}
        >
          {between ? `${n} %` : "or in between"}
        </Text>
        <Step type="button" aria-label="5 % more" onClick={() => onGive(Math.min(100, (n ?? 45) + 5))}>
          <Plus size={20} />
        </Step>
        {between && <input type="hidden" name={`cue-${cue.id}`} value={String(n)} />}
      </Flex>
    </Box>
  );
}

/** A share of the whole as a picture: so many of five tops that lie down, or a bar filled so far. */
function SharePicture({ cueId, share }: { cueId: string; share: number }) {
  return (
    <svg width="34" height="20" aria-hidden="true">
      {cueId === "tops-down" ? (
        Array.from({ length: 5 }, (_, i) => {
          const down = share >= (i + 1) * 20 - 5;
          return (
            <path
              key={i}
              d={down ? `M${3 + i * 6} 17l8-3` : `M${4 + i * 6} 18V4`}
              stroke={down ? "var(--ak-colors-past)" : "var(--ak-colors-moss)"}
              strokeWidth="2.4"
              strokeLinecap="round"
            />
          );
        })
      ) : (
        <>
          <rect
            x="1"
            y="5"
            width="32"
            height="11"
            rx="5.5"
            fill="var(--ak-colors-unripe)"
            stroke="var(--ak-colors-ink)"
          />
          <rect
            x="1"
            y="5"
            width={(32 * share) / 100}
            height="11"
            rx={Math.min(5.5, (16 * share) / 100)}
            fill="var(--ak-colors-past)"
          />
        </>
      )}
    </svg>
  );
}

/** A sign that is there or not. */
export function SignTile({ cue, value, onGive }: Pick<CueProps, "cue" | "value" | "onGive">) {
  const there = value === true;
  return (
    <TickTile
      name={`cue-${cue.id}`}
      value="yes"
      ticked={there}
      onTick={(on) => onGive(on ? true : null)}
      picture={
        <svg width="22" height="22" aria-hidden="true">
          <path
            d="M11 2 21 20H1Z"
            fill={there ? "var(--ak-colors-madder)" : "none"}
            stroke="var(--ak-colors-madder)"
            strokeWidth="1.8"
            strokeLinejoin="round"
          />
          <path
            d="M11 8v6M11 17v.6"
            stroke={there ? "var(--ak-colors-sheet)" : "var(--ak-colors-madder)"}
            strokeWidth="2"
            strokeLinecap="round"
          />
        </svg>
      }
    >
      {cue.label}
    </TickTile>
  );
}
