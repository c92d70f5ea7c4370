import { YIELDS_BY, yieldsOf } from "#core/season/yields";
import { writeTable } from "#formats/csv";
import { desk } from "../server/desk.server";
import { plantingYearsOf } from "../server/season-data.server";
import type { Route } from "./+types/out-yields";

/** The yields of a season as CSV, as the page of the season draws them together; masses in grams. */
export function loader({ url }: Route.LoaderArgs) {
  const d = desk();
  const { snapshot, today } = d;
  const q = url.searchParams;
  const year = q.get("year") ?? "all";
  const by = YIELDS_BY.find((b) => b === q.get("by")) ?? "crop";
  const rows = yieldsOf(
    plantingYearsOf(d, year || "all"),
    by,
    new Map(snapshot.plantings.map((p) => [p.id, p])),
    new Map(snapshot.beds.map((b) => [b.id, b])),
  );
  const round = (x: number | null) => (x === null ? null : Math.round(x * 100) / 100);
  const text = writeTable(
    [
      by,
      "weighed_g",
      "estimated_g",
      "beside_g",
      "picks",
      "plantings",
      "first",
      "last",
      "days_to_first",
      "g_per_pick",
      "g_per_m2",
      "g_per_metre",
      "g_per_plant",
      "minutes_per_kg",
    ],
    rows.map((r) => [
      r.name,
      r.totals.weighedG,
      r.totals.estimatedG,
      r.totals.besideG,
      r.totals.picks,
      r.plantings,
      r.first,
      r.last,
      round(r.daysToFirst),
      round(r.perPick),
      round(r.perM2G),
      round(r.perMetreG),
      round(r.perPlantG),
      round(r.minutesPerKg),
    ]),
  );
  return new Response(text, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": `attachment; filename="yields-${year || "all"}-${today}.csv"`,
    },
  });
}
