import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { addDays } from "#core/calendar/day";
import type { Glyph } from "#core/handbook/glyphs";
import { CountInput } from "../ui/count-input";
import { CropGlyph } from "../ui/crop-glyph";
import { DateInput } from "../ui/date-input";
import { SeveralTiles } from "../ui/tiles";
import { Button, type Faults, Field, Input, Section, Select, shownValue } from "../ui/ui";

type Choice = { id: string; name: string; also: string; glyph: Glyph; yearly: boolean; how: string };

/** Crops shown before anything is searched for. */
const FIRST = 24;
const HOW_WORDS = { sown: "sown", transplanted: "set out", planted: "planted" };
/** About when, in a tap: days ago. */
const AGO: readonly (readonly [words: string, days: number])[] = [
  ["this week", 0],
  ["a month ago", 30],
  ["two months", 61],
  ["three months", 91],
];
const YEARS_AGO: typeof AGO = [
  ["last year", 365],
  ["three years", 1096],
  ["longer", 2192],
];

/** The handbook's crops by picture: ticked, each gets a line with when and how it was started. */
export function StartCrops({ crops, today, faults }: { crops: readonly Choice[]; today: string; faults: Faults }) {
  const [query, setQuery] = useState("");
  const [ticked, setTicked] = useState<string[]>(() =>
    Object.entries(faults?.typed ?? {}).flatMap(([name, id]) => (name.startsWith("crop-") ? [id] : [])),
  );
  const wanted = query.trim().toLowerCase();
  const found = crops.filter((c) => wanted === "" || c.name.toLowerCase().includes(wanted) || c.also.includes(wanted));
  const shown = wanted === "" ? found.slice(0, FIRST) : found;
  const toggle = (id: string) =>
    setTicked((now) => (now.includes(id) ? now.filter((other) => other !== id) : [...now, id]));
  return (
    <>
      <Section title="What grows" note={ticked.length > 0 ? `${ticked.length} ticked` : "tick all of it"}>
        <Input
          type="search"
          aria-label="Search crops"
          placeholder="tomato, zucchini, Allium …"
          value={query}
          onChange={(e) => setQuery(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== "Enter") return;
            // the search is no reason to send the page; with one crop left Enter ticks it
            e.preventDefault();
            if (shown.length === 1) toggle(shown[0]!.id);
          }}
          maxW="340px"
          mb="3"
        />
        <SeveralTiles
          label="Crops"
          name={undefined}
          columns="repeat(auto-fill, minmax(150px, 1fr))"
          answers={shown.map((c) => ({
            value: c.id,
            picture: <CropGlyph kind={c.glyph} stage={1.2} size={38} />,
            text: c.name,
          }))}
          chosen={ticked}
          onTap={toggle}
        />
        <Text mt="2" fontSize="sm" color="inkSoft" aria-live="polite">
          {found.length === 0
            ? "The handbook has none of that name; your own crop can be written under Handbook."
            : shown.length < found.length
              ? `The first ${shown.length} of ${found.length}: search for the others.`
              : ""}
        </Text>
      </Section>
      {ticked.length > 0 && (
        <Section title="Since when" note="about is enough: a look tells more than the date">
          {ticked.map((id, i) => {
            const crop = crops.find((c) => c.id === id);
            return crop ? (
              <Row key={id} i={i} crop={crop} today={today} faults={faults} onDrop={() => toggle(id)} />
            ) : null;
          })}
        </Section>
      )}
    </>
  );
}

type RowProps = { i: number; crop: Choice; today: string; faults: Faults; onDrop: () => void };

function Row({ i, crop, today, faults, onDrop }: RowProps) {
  const [on, setOn] = useState(shownValue(faults, `on-${i}`, ""));
  return (
    <Box py="3" borderTopWidth="1px" borderColor="ruleSoft" data-start={crop.id}>
      <input type="hidden" name={`crop-${i}`} value={crop.id} />
      <Flex gap="3" align="center" mb="2">
        <CropGlyph kind={crop.glyph} stage={1.2} size={38} />
        <Text fontFamily="heading" fontSize="lg" fontWeight="600" flex="1">
          {crop.name}
        </Text>
        <Button type="button" variant="quiet" size="sm" aria-label={`Not ${crop.name}`} onClick={onDrop}>
          Not this
        </Button>
      </Flex>
      <Flex gap="2" wrap="wrap" mb="2" role="group" aria-label={`About when: ${crop.name}`}>
        {(crop.yearly ? YEARS_AGO : AGO).map(([words, days]) => (
          <Button
            key={words}
            type="button"
            size="sm"
            variant="outline"
            aria-pressed={on === addDays(today, -days)}
            bg={on === addDays(today, -days) ? "mossTint" : undefined}
            onClick={() => setOn(addDays(today, -days))}
          >
            {words}
          </Button>
        ))}
      </Flex>
      <Grid templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "repeat(4, minmax(0, 200px))" }} gap="3">
        <Field name={`on-${i}`} label={crop.yearly ? "Stands since" : "On"} faults={faults}>
          {(p) => <DateInput {...p} value={on} onDay={setOn} />}
        </Field>
        <Field name={`how-${i}`} label="It was" faults={faults}>
          {(p) => (
            <Select {...p} defaultValue={shownValue(faults, `how-${i}`, crop.how)}>
              {Object.entries(HOW_WORDS).map(([how, words]) => (
                <option key={how} value={how}>
                  {words}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field name={`kind-${i}`} label="Kind" faults={faults}>
          {(p) => <Input {...p} defaultValue={shownValue(faults, `kind-${i}`, "")} placeholder="if you know it" />}
        </Field>
        <Field name={`plants-${i}`} label="Plants, if counted" faults={faults}>
          {(p) => <CountInput {...p} of="plants" least={1} defaultValue={shownValue(faults, `plants-${i}`, "")} />}
        </Field>
      </Grid>
    </Box>
  );
}
