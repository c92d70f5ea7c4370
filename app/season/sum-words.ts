import type { KeptShare } from "#core/season/bed-loss";
import type { PlantingSums, Ratio } from "#core/season/planting-sums";
import { M_PER_FOOT, M2_PER_SQUARE_FOOT } from "#core/units/constants";
import { sayArea } from "#core/units/distance";
import { sayMass, type UnitSystem } from "#core/units/mass";

/** A sum as it is shown: what it is, the figure, and how it was reckoned; "" where there is nothing to show of that. */
export type SumLine = { name: string; value: string; way: string };

const one = (x: number): string => (x < 10 ? x.toFixed(1).replace(/\.0$/, "") : String(Math.round(x)));
const many = (n: number, what: string): string => `${one(n)} ${n === 1 ? what : `${what}s`}`;

/** From one picking to the next: hours where whole days would hide it. @example sayGap(36) // "36 hours" */
export function sayGap(hours: number): string {
  const days = hours / 24;
  return hours < 72 && Math.abs(days - Math.round(days)) > 0.15
    ? `${Math.round(hours)} hours`
    : many(Math.round(days), "day");
}

/** A planting's sums in the garden's units, those that are known, each with its way. */
export function sumLines(s: PlantingSums, units: UnitSystem): SumLine[] {
  const us = units === "us";
  const mass = (g: number) => sayMass(g, units);
  const lines: SumLine[] = [];
  const put = (name: string, r: Ratio | null, way: (r: Ratio) => string, times = 1) => {
    if (r) lines.push({ name, value: mass(r.value * times), way: `${mass(r.of)} ${way(r)}` });
  };
  put("A picking", s.perPicking, (r) => `over ${many(r.by, "day")} of picking`);
  put("A day", s.perDay, (r) => `over the ${many(r.by, "day")} from the first pick to the last`);
  put("A week", s.perWeek, (r) => `over the ${many(r.by, "week")} from the first pick to the last`);
  put("An hour of picking", s.perHour, (r) => `in ${many(r.by, "hour")} by the clock`);
  put(
    us ? "A foot of row and picking" : "A metre of row and picking",
    s.perMetrePicking,
    () => "by the row and the days of picking",
    us ? M_PER_FOOT : 1,
  );
  put("A plant, weighed alone", s.weighedPerPlant, (r) => `weighed, without estimates, by ${many(r.by, "plant")}`);
  if (s.pieces.perPlant)
    lines.push({
      name: "Pieces a plant",
      value: one(s.pieces.perPlant.value),
      way: `${many(s.pieces.perPlant.of, "piece")} counted, by ${many(s.pieces.perPlant.by, "plant")}`,
    });
  put("A piece", s.pieces.weightG, (r) => `weighed and counted, ${many(r.by, "piece")}`);
  if (s.spaceM2)
    lines.push({
      name: "Ground a plant",
      value: sayArea(s.spaceM2.value, units),
      way: `${sayArea(s.spaceM2.of, units)} by ${many(s.spaceM2.by, "plant")}${s.plantsPerM2 ? `; ${one(us ? s.plantsPerM2 * M2_PER_SQUARE_FOOT : s.plantsPerM2)} on a square ${us ? "foot" : "metre"}` : ""}`,
    });
  if (s.plantsLeft && s.plantsLeft.picked + s.plantsLeft.lost > 0)
    lines.push({
      name: "Still standing",
      value: many(s.plantsLeft.left, "plant"),
      way: `${many(s.plantsLeft.picked, "plant")} picked, ${s.plantsLeft.lost} lost in the bed`,
    });
  if (s.row)
    lines.push({
      name: "Left of the row",
      value: `about ${mass(s.row.leftG)}`,
      way: `${mass(s.row.pickedG)} from the ${Math.round(100 * s.row.share)} % that is done`,
    });
  if (s.earlier)
    lines.push({
      name: "Against other years",
      value:
        s.earlier.days === 0
          ? "on the same day"
          : `${sayWeeks(Math.abs(s.earlier.days))} ${s.earlier.days < 0 ? "earlier" : "later"}`,
      way: `the first pick against the middle of ${many(s.earlier.years, "other year")}`,
    });
  return lines;
}

/** Days as weeks where they make some. @example sayWeeks(15) // "2 weeks" */
const sayWeeks = (days: number): string => (days < 11 ? many(days, "day") : many(Math.round(days / 7), "week"));

/** The share that was kept, and how it comes about, in the garden's units. */
export function keptLine(k: KeptShare, units: UnitSystem): SumLine {
  const mass = (g: number) => sayMass(g, units);
  const lost = [
    k.bedG > 0 ? `about ${mass(k.bedG)} lost in the bed` : "",
    k.afterG > 0 ? `${mass(k.afterG)} lost after picking` : "",
  ].filter(Boolean);
  return {
    name: "Kept of what grew",
    value: `${Math.round(100 * k.share)} %`,
    way: `${mass(k.pickedG)} picked; ${lost.join(", ")}`,
  };
}
