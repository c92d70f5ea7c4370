import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { useSearchParams, useSubmit } from "react-router";
import { sayDay } from "#core/calendar/day";
import { groupBy } from "#core/group-by";
import { figuresOf } from "#core/season/planting-figures";
import { sayMass } from "#core/units/mass";
import { picksIn, totalsOf } from "#core/weighing/pick-log";
import { namedGroups } from "#core/weighing/words";
import { gardenNow, handbook } from "../server/garden-now.server";
import { Button, LinkButton, Options, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/picks-sheet";
import { loggedPicks } from "./picks.server";
import { sayYield } from "./yield-words";

/** A season on paper: every planting that was picked in a year, and the year by months. */
export function loader({ url }: Route.LoaderArgs) {
  const { snapshot, today } = gardenNow();
  const all = loggedPicks(snapshot);
  const years = [...new Set(all.map((e) => e.at.slice(0, 4)))].sort().reverse();
  const asked = url.searchParams.get("year") ?? "";
  const year = years.includes(asked) ? asked : (years[0] ?? today.slice(0, 4));
  const inYear = picksIn(all, year);
  const { units } = snapshot.garden;
  const book = handbook();
  const beds = new Map(snapshot.beds.map((b) => [b.id, b]));
  const byPlanting = groupBy(inYear, (e) => e.pick.plantingId);
  const rows = snapshot.plantings
    .flatMap((p) => {
      const entries = byPlanting.get(p.id);
      const bed = beds.get(p.bedId);
      if (!entries || !bed) return [];
      const crop = book.of(p.cropId);
      const f = figuresOf(p, bed, crop, entries);
      return [
        {
          id: p.id,
          crop: crop.name,
          kind: p.kind,
          bed: bed.name,
          first: f.first ? sayDay(f.first) : "",
          last: f.last ? sayDay(f.last) : "",
          days: f.daysToFirst === null || !p.startedOn ? "" : String(f.daysToFirst),
          range: f.range ? `${f.range[0]}–${f.range[1]}` : "",
          picks: f.totals.picks,
          weighed: sayMass(f.totals.weighedG, units),
          estimated: f.totals.estimatedG > 0 ? sayMass(f.totals.estimatedG, units) : "",
          each: sayYield(f, units),
        },
      ];
    })
    .sort((a, b) => (a.crop < b.crop ? -1 : a.crop > b.crop ? 1 : a.kind < b.kind ? -1 : 1));
  const total = totalsOf(inYear);
  return {
    garden: snapshot.garden.name,
    year,
    years,
    rows,
    months: namedGroups(inYear, "month")
      .reverse()
      .map((m) => ({
        key: m.key,
        name: m.name.replace(` ${year}`, ""),
        picks: m.totals.picks,
        weighed: sayMass(m.totals.weighedG, units),
        estimated: m.totals.estimatedG > 0 ? sayMass(m.totals.estimatedG, units) : "",
      })),
    said: `${inYear.length} picks from ${rows.length} plantings: ${sayMass(total.weighedG, units)} weighed${total.estimatedG > 0 ? ` and ${sayMass(total.estimatedG, units)} estimated` : ""}`,
  };
}

export const meta: Route.MetaFunction = () => [{ title: "Season sheet · Akmedon" }];

export default function PicksSheet({ loaderData }: Route.ComponentProps) {
  const { garden, year, years, rows, months, said } = loaderData;
  const [, setParams] = useSearchParams();
  const submit = useSubmit();
  const someEstimated = rows.some((r) => r.estimated !== "");
  return (
    <Page
      title={`${garden}, ${year}`}
      lead={rows.length === 0 ? "Nothing was picked." : `${said}.`}
      actions={
        <>
          {years.length > 1 && (
            <form method="get" onChange={(e) => submit(e.currentTarget, { replace: true })}>
              <Select name="year" aria-label="Year" value={year} onChange={(e) => setParams({ year: e.target.value })}>
                <Options of={years} />
              </Select>
            </form>
          )}
          <Button type="button" onClick={() => window.print()}>
            <Printer size={18} /> Print
          </Button>
          <LinkButton to="/picks" variant="outline">
            Picks
          </LinkButton>
        </>
      }
    >
      <Box overflowX="auto" role="region" aria-label="The sheet" tabIndex={0}>
        <Sheet>
          <thead>
            <tr>
              <th>Crop</th>
              <th>Kind</th>
              <th>Bed</th>
              <th>First</th>
              <th>Last</th>
              <th className="number">Day</th>
              <th className="number">Range</th>
              <th className="number">Picks</th>
              <th className="number">Weighed</th>
              {someEstimated && <th className="number">Estimated</th>}
              <th>That is</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r, i) => (
              <tr key={r.id}>
                <td>{i > 0 && rows[i - 1]!.crop === r.crop ? "" : r.crop}</td>
                <td>
                  <strong>{r.kind}</strong>
                </td>
                <td>{r.bed}</td>
                <td>{r.first}</td>
                <td>{r.last}</td>
                <td className="number">{r.days}</td>
                <td className="number">{r.range}</td>
                <td className="number">{r.picks}</td>
                <td className="number">{r.weighed}</td>
                {someEstimated && <td className="number">{r.estimated}</td>}
                <td>{r.each}</td>
              </tr>
            ))}
          </tbody>
        </Sheet>
      </Box>
      <Text fontSize="sm" color="inkSoft" mt="2" mb="8">
        Day: from the start to the first pick. Range: what the packet, or the handbook, says.
      </Text>
      <Section title="By month">
        {months.map((m) => (
          <Flex
            key={m.key}
            gap={{ base: "3", md: "6" }}
            py="1"
            borderBottomWidth="1px"
            borderColor="ruleSoft"
            maxW="520px"
            wrap="wrap"
          >
            <Text flex="1">{m.name}</Text>
            <Text>{m.picks} picks</Text>
            <Text fontWeight="600" minW="5em" textAlign="right">
              {m.weighed}
            </Text>
            {m.estimated && <Text color="inkSoft">and about {m.estimated}</Text>}
          </Flex>
        ))}
      </Section>
    </Page>
  );
}

const Sheet = chakra("table", {
  base: {
    width: "100%",
    borderCollapse: "collapse",
    "& th": {
      textAlign: "left",
      fontWeight: 600,
      paddingRight: "0.9rem",
      paddingBottom: "0.4rem",
      whiteSpace: "nowrap",
    },
    "& td": { padding: "0.35rem 0.9rem 0.35rem 0", borderTop: "1px solid var(--ak-colors-rule-soft)" },
    "& .number": { textAlign: "right", whiteSpace: "nowrap", fontVariantNumeric: "tabular-nums" },
  },
});
