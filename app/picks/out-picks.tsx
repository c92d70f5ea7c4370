import { instantOf } from "#core/calendar/zone";
import { groupBy } from "#core/group-by";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { groupPicks, type LoggedPick, reckonedOf, totalsOf } from "#core/weighing/pick-log";
import { type PickRow, picksCsvPieces, picksJsonPieces } from "#formats/picks-csv";
import { type PickDay, writePicksIcs } from "#formats/picks-ics";
import { missing } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { textOut } from "../server/text-out.server";
import type { Route } from "./+types/out-picks";
import { findPicks, loggedPicks } from "./picks.server";

const KINDS = {
  csv: "text/csv; charset=utf-8",
  json: "application/json; charset=utf-8",
  ics: "text/calendar; charset=utf-8",
} as const;

/** The picks that the log's own address would show, as CSV, JSON or a calendar file, sent as they are written. */
export function loader({ url, request }: Route.LoaderArgs) {
  const ending = url.pathname.split(".").at(-1);
  const kind = (Object.keys(KINDS) as (keyof typeof KINDS)[]).find((k) => k === ending);
  if (!kind) throw missing("such file");
  const { snapshot, today, now } = gardenNow();
  const { garden } = snapshot;
  const { found } = findPicks(loggedPicks(snapshot), url.searchParams);
  const headers = {
    "Content-Type": KINDS[kind],
    "Content-Disposition": `attachment; filename="picks-${today}.${kind}"`,
  };
  if (kind === "ics")
    return new Response(writePicksIcs(garden.name, daysOf(found, garden.units), instantOf(now, garden.timeZone)), {
      headers,
    });
  const pieces = kind === "csv" ? picksCsvPieces(rowsOf(found)) : picksJsonPieces(rowsOf(found));
  return textOut(pieces, request, headers);
}

/** Rows for a file, each made when it is written. */
function* rowsOf(found: readonly LoggedPick[]): Generator<PickRow> {
  for (const e of found) yield { pick: e.pick, net: reckonedOf(e), bed: e.bed, crop: e.crop, kind: e.kind };
}

/** What was picked day by day, for a calendar. */
function daysOf(found: readonly LoggedPick[], units: UnitSystem): PickDay[] {
  return [...groupBy(found, (e) => e.at.slice(0, 10))].sort().map(([day, list]) => {
    const t = totalsOf(list);
    const kinds = groupPicks(list, "kind");
    const all = sayMass(t.weighedG + t.estimatedG + t.besideG, units);
    return {
      day,
      summary: `Picked ${t.estimatedG > 0 ? "about " : ""}${all}: ${kinds.map((k) => k.name).join(", ")}`,
      lines: list.map(
        (e) => `${e.at.slice(11)} ${e.name}, ${e.bed}: ${e.estimated ? "about " : ""}${sayMass(e.net, units)}`,
      ),
    };
  });
}
