import { Box, Flex, Text } from "@chakra-ui/react";
import { CalendarDays, Download, Plus, Rows3, Upload } from "lucide-react";
import { useState } from "react";
import { Form, useSearchParams } from "react-router";
import { daysBetween } from "#core/calendar/day";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { tareOf, viewSchema } from "#core/weighing/pick";
import { type LoggedPick, totalsOf } from "#core/weighing/pick-log";
import { CONDITION_WORDS, GRADE_WORDS, namedGroups, PART_WORDS, PURPOSE_WORDS, WAY_WORDS } from "#core/weighing/words";
import { change, newId } from "#db/change";
import { listViews } from "#db/work";
import { done, faultsOf, formOf, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow } from "../server/garden-now.server";
import { FormError, LinkButton, Page } from "../ui/ui";
import type { Route } from "./+types/picks";
import { COLUMN_NAMES, type Column } from "./log-columns";
import { columnsOf, findPicks, logOf, type PickSort } from "./picks.server";
import { changePicks, isPicksIntent } from "./picks-change.server";
import { ChosenPicks } from "./picks-chosen";
import { PicksFilter, SavedViews } from "./picks-filter";
import { type LogRow, PickGroups, PicksList, PicksTable } from "./picks-table";

const PAGE = 60;
export function loader({ url }: Route.LoaderArgs) {
  const { snapshot } = gardenNow();
  const q = url.searchParams;
  const { entries: all, years, asked } = logOf(snapshot);
  const { crops, people, totals } = asked();
  const { found, sort, down, group } = findPicks(all, q);
  const pages = Math.max(1, Math.ceil(found.length / PAGE));
  const page = Math.min(Math.max(1, Math.floor(Number(q.get("page")) || 1)), pages);
  const { units } = snapshot.garden;
  const columns = columnsOf(q);
  const startedOf = new Map(snapshot.plantings.map((p) => [p.id, p.startedOn]));
  return {
    rows: found
      .slice((page - 1) * PAGE, page * PAGE)
      .map((e) => rowOf(e, columns, units, startedOf.get(e.pick.plantingId))),
    groups: group ? namedGroups(found, group) : null,
    totals: found.length === all.length ? totals : totalsOf(found),
    found: found.length,
    all: all.length,
    page,
    pages,
    sort,
    down,
    units,
    columns,
    names: COLUMN_NAMES,
    crops,
    years,
    people,
    views: listViews(db()),
  };
}

/** What each column of a row says. */
function rowOf(e: LoggedPick, columns: readonly Column[], units: UnitSystem, startedOn?: string): LogRow {
  const { pick, net } = e;
  const say: Record<Column, () => string> = {
    when: () => "",
    kind: () => e.name,
    crop: () => e.crop,
    bed: () => e.bed,
    gross: () => (pick.grossG === null ? "" : sayMass(pick.grossG, units)),
    tare: () => (pick.grossG === null ? "" : sayMass(tareOf(pick.tare), units)),
    net: () => `${e.estimated ? "about " : ""}${sayMass(net, units)}`,
    pieces: () => (pick.count === null ? "" : String(pick.count)),
    each: () => (pick.count && pick.grossG !== null ? sayMass(net / pick.count, units) : ""),
    who: () => e.by,
    how: () => pick.method,
    grade: () =>
      [GRADE_WORDS[pick.grade], ...pick.sorted.map((p) => GRADE_WORDS[p.grade])]
        .filter((g, i, list) => list.indexOf(g) === i)
        .join(", "),
    way: () => (pick.way === "" ? "" : WAY_WORDS[pick.way]),
    part: () => PART_WORDS[pick.part],
    purpose: () => PURPOSE_WORDS[pick.purpose],
    condition: () => (pick.condition === "" ? "" : CONDITION_WORDS[pick.condition]),
    minutes: () => (pick.minutes === null ? "" : String(pick.minutes)),
    age: () => (startedOn ? String(daysBetween(startedOn, e.at.slice(0, 10))) : ""),
    note: () => pick.note,
  };
  const shown: Column[] = columns.includes("net") ? [...columns] : [...columns, "net"];
  return {
    id: pick.id,
    at: e.at,
    kind: e.name,
    crop: e.crop,
    bed: e.bed,
    by: e.by,
    photos: pick.photos.length,
    odd: pick.grade !== "sound" || pick.sorted.length > 0,
    cells: Object.fromEntries(shown.map((c) => [c, say[c]()])),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  const typed = typedOf(form);
  if (isPicksIntent(typed.intent)) return changePicks(gardenNow(), form, `/picks${typed.query ?? ""}`);
  const { now } = gardenNow();
  if (typed.intent === "forget-view")
    return done(
      "/picks",
      change(db(), "Kept view forgotten", now, (c) => c.remove("views", typed.id ?? "")),
    );
  const checked = viewSchema.safeParse({ id: newId(), name: typed.name, query: typed.query ?? "" });
  if (!checked.success) return refuse(faultsOf(checked.error, typed));
  return done(
    `/picks?${checked.data.query}`,
    change(db(), `“${checked.data.name}” kept`, now, (c) => c.put("views", checked.data)),
  );
}

export const meta: Route.MetaFunction = () => [{ title: "Picks · Akmedon" }];

export default function Picks({ loaderData, actionData }: Route.ComponentProps) {
  const { rows, groups, totals, found, all, page, pages, sort, down, units, columns, names } = loaderData;
  const [params] = useSearchParams();
  const to = (changes: Record<string, string>) => {
    const next = new URLSearchParams(params);
    next.delete("done");
    for (const [k, v] of Object.entries(changes)) next.set(k, v);
    return `?${next}`;
  };
  const [chosen, setChosen] = useState<Record<string, boolean>>({});
  // once something was done with them, they are chosen no more
  const doneId = params.get("done");
  const [doneBefore, setDoneBefore] = useState(doneId);
  if (doneId !== doneBefore) {
    setDoneBefore(doneId);
    setChosen({});
  }
  const here = new Set(rows.map((r) => r.id));
  const ids = Object.keys(chosen).filter((id) => chosen[id] && here.has(id));
  const sorted = (by: PickSort) => to({ sort: by, down: sort === by && down ? "0" : "1", page: "1" });
  return (
    <Page
      title="Picks"
      lead={
        all === 0
          ? "Nothing logged yet."
          : `${found === all ? `${all} picks` : `${found} of ${all} picks`}: ${sayMass(totals.weighedG, units)} weighed${totals.estimatedG > 0 ? `, and ${sayMass(totals.estimatedG, units)} estimated` : ""}${totals.besideG > 0 ? `; ${sayMass(totals.besideG, units)} of tops and the like beside it` : ""}.`
      }
      actions={
        <>
          <LinkButton to="/picks/new">
            <Plus size={18} /> Log a pick
          </LinkButton>
          <LinkButton variant="outline" to="/picks/several">
            <Rows3 size={18} /> Several
          </LinkButton>
          <LinkButton variant="outline" to="/picks/import">
            <Upload size={18} /> From a table
          </LinkButton>
          <LinkButton variant="outline" to="/picks/calendar">
            <CalendarDays size={18} /> Calendar
          </LinkButton>
        </>
      }
    >
      <FormError faults={actionData && "errors" in actionData ? actionData : null} />
      {all === 0 ? (
        <Box py="10" textAlign="center" borderWidth="1px" borderStyle="dashed" borderColor="rule">
          <Text fontFamily="heading" fontSize="2xl" mb="3">
            The first basket goes here
          </Text>
          <LinkButton to="/picks/new" size="lg">
            Log a pick
          </LinkButton>
        </Box>
      ) : (
        <>
          <SavedViews views={loaderData.views} params={params} />
          <PicksFilter
            params={params}
            sort={sort}
            down={down}
            crops={loaderData.crops}
            years={loaderData.years}
            people={loaderData.people}
            columns={columns}
            names={names}
          />
          {rows.length === 0 && <Text color="inkSoft">No pick is like that.</Text>}
          {groups && <PickGroups groups={groups} units={units} />}
          {!groups && (
            <>
              <Form method="post" preventScrollReset>
                <Box overflowX="auto" display={{ base: "none", md: "block" }}>
                  <PicksTable
                    {...{ rows, columns, sort, down, sorted, chosen }}
                    onChoose={(to) => setChosen((before) => (typeof to === "function" ? to(before) : to))}
                  />
                </Box>
                <ChosenPicks ids={ids} people={loaderData.people} query={to({})} onNone={() => setChosen({})} />
              </Form>
              <Box display={{ base: "block", md: "none" }}>
                <PicksList rows={rows} />
              </Box>
              {pages > 1 && (
                <Flex gap="3" mt="5" align="center">
                  {page > 1 && (
                    <LinkButton variant="outline" to={to({ page: String(page - 1) })}>
                      Newer
                    </LinkButton>
                  )}
                  <Text color="inkSoft">
                    page {page} of {pages}
                  </Text>
                  {page < pages && (
                    <LinkButton variant="outline" to={to({ page: String(page + 1) })}>
                      Older
                    </LinkButton>
                  )}
                </Flex>
              )}
            </>
          )}
          <Flex gap="2" wrap="wrap" align="center" mt="8" data-noprint>
            <Download size={18} aria-hidden="true" />
            <Text mr="2">What is shown, as</Text>
            <LinkButton variant="outline" size="sm" to={`/out/picks.csv?${params}`} reloadDocument>
              CSV
            </LinkButton>
            <LinkButton variant="outline" size="sm" to={`/out/picks.json?${params}`} reloadDocument>
              JSON
            </LinkButton>
            <LinkButton variant="outline" size="sm" to={`/out/picks.ics?${params}`} reloadDocument>
              Calendar file
            </LinkButton>
            <LinkButton variant="quiet" size="sm" to={`/picks/sheet?${params}`}>
              Season sheet
            </LinkButton>
            <LinkButton variant="quiet" size="sm" to="/changes">
              All changes
            </LinkButton>
          </Flex>
        </>
      )}
    </Page>
  );
}
