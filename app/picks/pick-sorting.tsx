import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { readAmount } from "#core/weighing/amount";
import type { Bulk } from "#core/weighing/bulk";
import { ACCIDENTS, usualWay } from "#core/weighing/lots";
import { type Grade, type SortedPart, WAYS } from "#core/weighing/pick";
import { ACCIDENT_WORDS, GRADE_WORDS, WAY_WORDS } from "#core/weighing/words";
import { Button, type Faults, Field, Input, Options, Select, shownValue, useErrors } from "../ui/ui";
import { MOST_PARTS } from "./pick.form";

type Row = { key: number; grade: Grade; way: string; amount: string; count: string; note: string };
type Props = {
  parts: readonly SortedPart[];
  crop: { tool: string; keeps: boolean; bulk: Bulk; grades: readonly Grade[] };
  units: UnitSystem;
  /** net of the whole pick as it is being entered, g; null while it is not known */
  wholeG: number | null;
  faults: Faults;
};

/** The pick sorted: what is apart from the rest, how much of it, and where it goes. The rest is reckoned. */
export function PickSorting({ parts, crop, units, wholeG, faults }: Props) {
  const [rows, setRows] = useState<Row[]>(() => typedRows(faults) ?? parts.map((p, key) => rowOf(p, key, units)));
  const set = (key: number, change: Partial<Row>) =>
    setRows((all) => all.map((r) => (r.key === key ? { ...r, ...change } : r)));
  const add = (grade: Grade, note = "") =>
    setRows((all) => [
      ...all,
      {
        key: 1 + Math.max(-1, ...all.map((r) => r.key)),
        grade,
        way: usualWay(grade, crop.keeps),
        amount: "",
        count: "",
        note,
      },
    ]);
  const apartG = rows.reduce((sum, r) => {
    const read = r.amount.trim() === "" ? null : readAmount(r.amount, units, crop.bulk);
    return sum + (read?.ok ? read.amount.massG : 0);
  }, 0);
  const accidents = ACCIDENTS.filter((a) => a.tools.length === 0 || a.tools.some((t: string) => crop.tool.includes(t)));
  const errors = useErrors(faults);
  const fault = errors.sorted;
  return (
    <Box as="fieldset">
      <chakra.legend fontWeight="600" mb="1">
        Sorted out of it
      </chakra.legend>
      {rows.map((r, i) => (
        <Grid
          key={r.key}
          templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "1.1fr 1.2fr 1fr 0.7fr auto" }}
          gap="2"
          alignItems="start"
          py="2.5"
          borderTopWidth="1px"
          borderColor="ruleSoft"
        >
          <Select
            name={`part-${i}-grade`}
            aria-label={`Part ${i + 1}, grade`}
            value={r.grade}
            onChange={(e) => set(r.key, { grade: e.target.value as Grade })}
          >
            <Options of={withOwn(crop.grades, r.grade)} say={(g) => GRADE_WORDS[g]} />
          </Select>
          <Select
            name={`part-${i}-way`}
            aria-label={`Part ${i + 1}, where it goes`}
            value={r.way}
            onChange={(e) => set(r.key, { way: e.target.value })}
          >
            <Options of={WAYS} say={(w) => WAY_WORDS[w]} />
          </Select>
          <Part fault={errors[`part-${i}-amount`]}>
            <Input
              name={`part-${i}-amount`}
              aria-label={`Part ${i + 1}, weight`}
              placeholder="weight"
              value={r.amount}
              onChange={(e) => set(r.key, { amount: e.target.value })}
            />
          </Part>
          <Part fault={errors[`part-${i}-count`]}>
            <Input
              name={`part-${i}-count`}
              aria-label={`Part ${i + 1}, pieces`}
              placeholder="pieces"
              inputMode="numeric"
              value={r.count}
              onChange={(e) => set(r.key, { count: e.target.value })}
            />
          </Part>
          <Button
            type="button"
            variant="quiet"
            aria-label={`Take part ${i + 1} away`}
            onClick={() => setRows((all) => all.filter((x) => x.key !== r.key))}
          >
            ×
          </Button>
          <input type="hidden" name={`part-${i}-note`} value={r.note} />
          {r.note && (
            <Text gridColumn="1 / -1" fontSize="sm" color="inkSoft">
              {r.note}
            </Text>
          )}
        </Grid>
      ))}
      {fault && (
        <Text color="madder" fontWeight="600" role="alert">
          {fault}
        </Text>
      )}
      {rows.length > 0 && wholeG !== null && (
        <Text mb="2" color={apartG > wholeG ? "madder" : "ink"} aria-live="polite">
          {apartG > wholeG
            ? `The parts weigh ${sayMass(apartG - wholeG, units)} more than the whole.`
            : `The rest: ${sayMass(wholeG - apartG, units)}`}
        </Text>
      )}
      <Flex gap="2" wrap="wrap" mt="1">
        <Button type="button" variant="outline" size="sm" onClick={() => add("eat-first")}>
          Set a part apart
        </Button>
        {accidents.map((a) => (
          <Button key={a.id} type="button" variant="quiet" size="sm" onClick={() => add(a.grade, ACCIDENT_WORDS[a.id])}>
            {ACCIDENT_WORDS[a.id]}
          </Button>
        ))}
      </Flex>
    </Box>
  );
}

function Part({ fault, children }: { fault: string | undefined; children: React.ReactNode }) {
  return (
    <Box>
      {children}
      {fault && (
        <Text color="madder" fontWeight="600" fontSize="sm" mt="1" role="alert">
          {fault}
        </Text>
      )}
    </Box>
  );
}

/** The grades of a crop, and the one a part has already. */
export const withOwn = (grades: readonly Grade[], own: Grade): Grade[] =>
  grades.includes(own) || !Object.hasOwn(GRADE_WORDS, own) ? [...grades] : [...grades, own];

const rowOf = (p: SortedPart, key: number, units: UnitSystem): Row => ({
  key,
  grade: p.grade,
  way: p.way,
  amount: p.massG === null ? "" : units === "us" ? `${p.massG} g` : sayMass(p.massG, units),
  count: p.count === null ? "" : String(p.count),
  note: p.note,
});

/** The rows as they were typed before something was refused; null when nothing was. */
function typedRows(faults: Faults): Row[] | null {
  if (!faults) return null;
  const value = (i: number, name: string) => shownValue(faults, `part-${i}-${name}`, "");
  return Array.from({ length: MOST_PARTS }, (_, i) => i)
    .filter((i) => faults.typed[`part-${i}-grade`] !== undefined)
    .map((i) => ({
      key: i,
      grade: value(i, "grade") as Grade,
      way: value(i, "way"),
      amount: value(i, "amount"),
      count: value(i, "count"),
      note: value(i, "note"),
    }));
}

/** Where the pick goes, or what is left of it when a part was set apart. */
export function WayField({ way, faults }: { way: string; faults: Faults }) {
  return (
    <Field name="way" label="Where it goes" faults={faults}>
      {(p) => (
        <Select {...p} defaultValue={shownValue(faults, "way", way)}>
          <Options of={WAYS} say={(w) => WAY_WORDS[w]} />
        </Select>
      )}
    </Field>
  );
}
