import { YIELDS_BY, yieldsOf } from "#core/season/yields";
import { GRAMS_PER_POUND, M_PER_FOOT, M2_PER_SQUARE_FOOT } from "#core/units/constants";
import { gardenNow } from "../server/garden-now.server";
import { csvFile, massOut } from "../server/table-out.server";
import type { Route } from "./+types/out-yields";
import { plantingYearsOf } from "./season-data.server";

/** The yields of a season as CSV, as the page of the season draws them together; in the garden's own units. */
export function loader({ url }: Route.LoaderArgs) {
  const d = gardenNow();
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
  const { units } = snapshot.garden;
  const us = units === "us";
  const mass = massOut(units);
  const round = (x: number | null) => (x === null ? null : Math.round(x * 100) / 100);
  const massOr = (x: number | null, times = 1) => (x === null ? null : mass.of(x * times));
  const { unit } = mass;
  return csvFile(
    {
      name: `yields-${year || "all"}`,
      header: [
        ...[by, `weighed_${unit}`, `estimated_${unit}`, `beside_${unit}`, "picks", "plantings", "first", "last"],
        ...["days_to_first", `${unit}_per_pick`, `${unit}_per_${us ? "sq_ft" : "m2"}`],
        ...[`${unit}_per_${us ? "foot" : "metre"}`, `${unit}_per_plant`, `minutes_per_${us ? "lb" : "kg"}`],
      ],
      rows: rows.map((r) => [
        r.name,
        mass.of(r.totals.weighedG),
        mass.of(r.totals.estimatedG),
        mass.of(r.totals.besideG),
        r.totals.picks,
        r.plantings,
        r.first,
        r.last,
        round(r.daysToFirst),
        massOr(r.perPick),
        massOr(r.perM2G, us ? M2_PER_SQUARE_FOOT : 1),
        massOr(r.perMetreG, us ? M_PER_FOOT : 1),
        massOr(r.perPlantG),
        round(r.minutesPerKg === null || !us ? r.minutesPerKg : r.minutesPerKg * (GRAMS_PER_POUND / 1000)),
      ]),
    },
    today,
  );
}
