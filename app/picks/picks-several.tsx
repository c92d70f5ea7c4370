import { Box, Flex, Text } from "@chakra-ui/react";
import Papa from "papaparse";
import { useState } from "react";
import { Form, useNavigation } from "react-router";
import { plantingName } from "#core/garden/name";
import { type Caution, cautionsAt } from "#core/handbook/cautions";
import { EXTENT_WORDS, GRADE_WORDS } from "#core/weighing/words";
import { listPeople } from "#db/garden";
import { findRound } from "#db/work";
import type { LocatedError } from "#formats/located";
import { formOf } from "../server/forms.server";
import { db, gardenNow, handbook } from "../server/garden-now.server";
import { Cautions } from "../ui/cautions";
import { Button, LinkButton, Note, Page } from "../ui/ui";
import type { Route } from "./+types/picks-several";
import { GRID_COLUMNS, type GridRow, isFilled, PicksGrid } from "./picks-grid";
import { importPicks } from "./picks-import.server";

const SEPARATOR = " · ";

export function loader({ url }: Route.LoaderArgs) {
  const { snapshot, now, today } = gardenNow();
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const book = handbook();
  // what grows now first; what is over may still be caught up on
  const nameOf = (id: string): string => {
    const p = snapshot.plantings.find((x) => x.id === id);
    return p ? `${plantingName(p, book.of(p.cropId))}${SEPARATOR}${bedName.get(p.bedId) ?? ""}` : "";
  };
  const plantings = [...snapshot.plantings]
    .filter((p) => p.startedOn <= today)
    .sort((a, b) => Number(a.endedOn !== null) - Number(b.endedOn !== null))
    .map((p) => nameOf(p.id));
  const round = findRound(db(), url.searchParams.get("round") ?? "");
  const picked = new Set(snapshot.picks.filter((p) => p.roundId === round?.id).map((p) => p.plantingId));
  const lines = (round?.lines ?? []).filter((l) => !picked.has(l.plantingId)).map((l) => nameOf(l.plantingId));
  return {
    now,
    round: round ? { id: round.id, lines: lines.filter((x) => x !== "") } : null,
    plantings: [...new Set(plantings)],
    people: listPeople(db()).map((p) => p.name),
    units: snapshot.garden.units,
    // by what is typed in a row, and once a crop
    cropOf: Object.fromEntries(snapshot.plantings.map((p) => [nameOf(p.id), p.cropId])),
    cautions: Object.fromEntries(
      [...new Set(snapshot.plantings.map((p) => p.cropId))].map((id) => [
        id,
        { crop: book.of(id).name, all: cautionsAt(book.of(id), "picking", "carrying") },
      ]),
    ),
  };
}

export async function action({ request }: Route.ActionArgs) {
  return importPicks(gardenNow(), await formOf(request));
}

export const meta: Route.MetaFunction = () => [{ title: "Several picks · Akmedon" }];

export default function PicksSeveral({ loaderData, actionData }: Route.ComponentProps) {
  const { now, plantings, people, units, round, cropOf, cautions } = loaderData;
  const blank: GridRow = {
    date: now.slice(0, 10),
    time: now.slice(11),
    what: "",
    weight: "",
    count: "",
    extent: "",
    grade: "",
    by: people[0] ?? "",
    note: "",
  };
  const [rows, setRows] = useState<GridRow[]>(() =>
    round ? [...round.lines.map((what) => ({ ...blank, what })), blank] : Array.from({ length: 6 }, () => blank),
  );
  const filled = rows.filter((r) => isFilled(r, round?.lines));
  const faults: LocatedError[] = actionData && "located" in actionData ? (actionData.located as LocatedError[]) : [];
  const general =
    actionData && "errors" in actionData && faults.length === 0
      ? (actionData.errors as Record<string, string>).table
      : null;
  const chosen = [...new Set(rows.flatMap((r) => cropOf[r.what] ?? []))];
  const care = new Map<string, Caution & { crops: string[] }>();
  for (const { crop, all } of chosen.flatMap((id) => cautions[id] ?? []))
    for (const c of all) care.set(c.id, { ...c, crops: [...(care.get(c.id)?.crops ?? []), crop] });
  const busy = useNavigation().state !== "idle";
  const table = Papa.unparse({
    fields: [...GRID_COLUMNS.map((c) => (c === "what" ? "kind" : c)), "bed", "round"],
    data: filled.map((r) => {
      const [kind, bed] = r.what.split(SEPARATOR);
      return [
        ...GRID_COLUMNS.map((c) => (c === "what" ? (kind ?? "").trim() : r[c])),
        (bed ?? "").trim(),
        round?.id ?? "",
      ];
    }),
  });
  return (
    <Page
      title="Several picks"
      lead="One line a pick. Enter goes down, Tab goes on, Ctrl D takes what stands above; cells from a spreadsheet can be pasted in."
      actions={
        <LinkButton to="/picks" variant="outline">
          Back to the picks
        </LinkButton>
      }
    >
      {general && (
        <Note tone="caution" title="Not saved">
          {general}
        </Note>
      )}
      {faults.length > 0 && (
        <Note tone="caution" title="Not saved: nothing was taken, and nothing you typed is lost">
          {faults.length === 1 ? "One line wants a look." : `${faults.length} lines want a look.`}
        </Note>
      )}
      <Form method="post" encType="multipart/form-data">
        <textarea name="table" value={table} readOnly hidden />
        <PicksGrid
          rows={rows}
          onRows={setRows}
          blank={blank}
          brought={round?.lines ?? []}
          faults={faults.map((f) => ({
            row: (f.row ?? 2) - 2,
            column: f.column === "kind" || f.column === "bed" ? "what" : f.column,
            message: f.message,
          }))}
          options={{
            what: plantings,
            by: people,
            grade: Object.values(GRADE_WORDS),
            extent: Object.values(EXTENT_WORDS),
          }}
        />
        <Text color="inkSoft" fontSize="sm" mt="2">
          {units === "us" ? "2 lb 3 oz, 12 + 11 lb, half a bushel" : "1.2 kg, 850 g, 12.3 + 11 kg, 5 l"}; a weight here
          is without its containers. Without a weight, the pieces are reckoned and stay marked as an estimate.
        </Text>
        <Flex gap="3" mt="4" wrap="wrap">
          <Button type="submit" name="intent" value="import" disabled={busy || filled.length === 0}>
            {filled.length === 0 ? "Save the picks" : `Save ${filled.length} ${filled.length === 1 ? "pick" : "picks"}`}
          </Button>
          <Button
            type="button"
            variant="outline"
            onClick={() => setRows([...rows, ...Array.from({ length: 5 }, () => blank)])}
          >
            Five lines more
          </Button>
        </Flex>
        <noscript>
          <p>This sheet wants scripts. Without them, paste a table under “From a table”.</p>
        </noscript>
      </Form>
      <Box mt="6">
        <Cautions of={[...care.values()].sort((a, b) => a.level - b.level)} />
      </Box>
    </Page>
  );
}
