import { Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { rowNeeds } from "#core/season/planting-sums";
import { readDistance, typedDistance } from "#core/units/distance";
import type { UnitSystem } from "#core/units/mass";
import { sayDistance, sayLength } from "#core/units/say";
import { Field, Input, Options, Section, Select } from "../ui/ui";

type Row = { id: string; name: string; share: number; own: boolean; apartMm: number; rowsMm: number | null };
const many = (n: number, what: string) => `${n} ${n === 1 ? what : `${what}s`}`;

/** What a length of row takes: plants, seeds, and how many rows go side by side. */
export function RowNeeds({ rows, units }: { rows: readonly Row[]; units: UnitSystem }) {
  const [id, setId] = useState(rows[0]?.id ?? "");
  const [length, setLength] = useState(typedDistance(3, units));
  const [width, setWidth] = useState(typedDistance(1.2, units));
  const row = rows.find((r) => r.id === id);
  if (!row) return null;
  const long = readDistance(length, units);
  const wide = width.trim() === "" ? null : readDistance(width, units);
  const needs = long.ok
    ? rowNeeds(long.metres, row.apartMm, row.rowsMm, wide?.ok ? wide.metres : null, row.share)
    : null;
  return (
    <Section title="For a row" note="by the handbook’s distances, and what comes up">
      <Grid templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "repeat(3, minmax(0, 1fr))" }} gap="3">
        <Field name="rowCrop" label="Crop to sow in it" faults={null}>
          {(p) => (
            <Select {...p} minW="0" value={id} onChange={(e) => setId(e.target.value)}>
              <Options of={rows} />
            </Select>
          )}
        </Field>
        <Field name="rowLength" label="Length of the row" faults={null}>
          {(p) => <Input {...p} minW="0" value={length} onChange={(e) => setLength(e.target.value)} />}
        </Field>
        <Field name="rowWidth" label="Width of the bed" faults={null}>
          {(p) => <Input {...p} minW="0" value={width} onChange={(e) => setWidth(e.target.value)} />}
        </Field>
      </Grid>
      <Text mt="3" fontWeight="650" aria-live="polite">
        {!long.ok || !needs
          ? `Length: ${long.ok ? "" : long.message}`
          : `${sayDistance(long.metres, units)}: ${many(needs.plants, "plant")}, ${many(needs.seeds, "seed")}${needs.rows === null ? "" : `; ${many(needs.rows, "row")} side by side`}.`}
      </Text>
      <Text fontSize="sm" color="inkSoft">
        {sayLength(row.apartMm, units)} apart{row.rowsMm === null ? "" : `, rows ${sayLength(row.rowsMm, units)}`};{" "}
        {Math.round(100 * row.share)} % {row.own ? "of your seed comes up" : "of bought seed comes up"}.
      </Text>
    </Section>
  );
}
