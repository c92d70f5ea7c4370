import { addDays, daysBetween, sayDay, sayMonth } from "#core/calendar/day";
import { groupBy } from "#core/group-by";
import { tastesOf } from "#core/planning/question/question";
import { type Draft, glutDraft } from "#core/season/lessons";
import { type Enough, plantsEnough } from "#core/season/plants-enough";
import { type CropWeeks, cropWeeks } from "#core/season/weeks";
import { sayEnough } from "#core/season/words";
import { sayMass } from "#core/units/mass";
import { weekOf } from "#core/weighing/pick-log";
import type { GardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { massOut } from "../server/table-out.server";
import { type GrownHere, grownOf, pickedOf, pickYears, yearAsked, yieldsAPlant } from "./season-data.server";

type CropYear = { weeks: CropWeeks; grown: GrownHere[] };

/** Every crop of a year by weeks. */
const cropYears = (d: GardenNow, year: string): CropYear[] =>
  remembered(d, `crops by weeks ${year}`, () => cropYearsOf(d, year));

function cropYearsOf(d: GardenNow, year: string): CropYear[] {
  const tasteOf = tastesOf(d.snapshot);
  return [...groupBy(grownOf(d), (g) => g.crop.id).values()]
    .map((grown): CropYear => {
      const { crop } = grown[0]!;
      const picked = grown.flatMap((g) => pickedOf(g.entries, year));
      return { weeks: cropWeeks(crop, tasteOf(crop), picked), grown };
    })
    .filter((c) => c.weeks.weeks.length > 0)
    .sort((a, b) => (a.weeks.weeks[0]!.week < b.weeks.weeks[0]!.week ? -1 : 1));
}

/** Plants that would have been enough of each crop grown in a year, by what its own plantings gave. */
export const enoughOf = (d: GardenNow, year: string): Enough[] =>
  remembered(d, `plants enough ${year}`, () => plantsEnoughOf(d, year));

function plantsEnoughOf(d: GardenNow, year: string): Enough[] {
  const tasteOf = tastesOf(d.snapshot);
  return cropYears(d, year).flatMap(({ weeks, grown }) => {
    const { crop } = weeks;
    const own = yieldsAPlant(grown);
    const season = grown.filter((g) => pickedOf(g.entries, year).length > 0);
    const had = season.reduce((s, g) => s + (g.planting.plants ?? 0), 0);
    const days = season.flatMap((g) => pickedOf(g.entries, year).map((p) => p.day)).sort();
    const enough = plantsEnough(crop, tasteOf(crop), had, own, days.length > 0 ? [days[0]!, days.at(-1)!] : null);
    return enough && had > 0 ? [enough] : [];
  });
}

/** Lessons that the gluts of a year propose. */
export function glutDrafts(d: GardenNow, year: string): Draft[] {
  const enough = new Map(enoughOf(d, year).map((e) => [e.crop.id, e.had > e.plenty ? e : null]));
  return cropYears(d, year).flatMap(({ weeks }) => {
    const total = weeks.weeks.reduce((s, w) => s + w.pickedG, 0);
    const draft = glutDraft(weeks.crop, year, total, weeks, enough.get(weeks.crop.id) ?? null);
    return draft ? [draft] : [];
  });
}

/** Gluts and gaps of a year: each crop's weeks on one calendar, what was too much, what was missing. */
export function weeksView(d: GardenNow, q: URLSearchParams) {
  const { units } = d.snapshot.garden;
  const years = pickYears(d);
  const year = yearAsked(q.get("year"), years);
  const crops = cropYears(d, year);
  const all = crops.flatMap((c) => c.weeks.weeks.map((w) => w.week)).sort();
  const first = all[0] ?? weekOf(`${year}-06-01`);
  const count = all.length > 0 ? daysBetween(first, all.at(-1)!) / 7 + 1 : 0;
  const calendar = Array.from({ length: count }, (_, k) => addDays(first, 7 * k));
  return {
    units,
    years,
    year,
    calendar: calendar.map((week) => ({ week, month: Number(week.slice(8)) <= 7 ? sayMonth(week) : "" })),
    crops: crops.map(({ weeks }) => {
      const of = new Map(weeks.weeks.map((w) => [w.week, w]));
      const taste = tastesOf(d.snapshot)(weeks.crop);
      return {
        id: weeks.crop.id,
        name: weeks.crop.name,
        glyph: weeks.crop.glyph,
        keeper: weeks.weeksWorth !== null,
        weekly: sayMass(taste.weeklyG, units),
        cells: calendar.map((week) => {
          const w = of.get(week);
          return w ? { state: w.state, said: sayMass(w.pickedG, units) } : { state: "outside" as const, said: "" };
        }),
        gluts: weeks.gluts.map((r) => ({
          from: sayDay(r.from),
          weeks: r.weeks,
          over: sayMass(r.overG, units),
        })),
        gaps: weeks.gaps.map((r) => ({ from: sayDay(r.from), weeks: r.weeks })),
        tooMuch: weeks.tooMuchG > 0 ? sayMass(weeks.tooMuchG, units) : "",
        worth: weeks.weeksWorth === null ? "" : `${Math.round(weeks.weeksWorth)} weeks at table`,
      };
    }),
    enough: enoughOf(d, year).map((e) => ({
      id: e.crop.id,
      name: e.crop.name,
      words: sayEnough(e),
      had: e.had,
      enough: e.enough,
      why: `${e.enough === e.plenty ? "" : `${e.enough} to eat from, ${e.plenty} with all you put by; `}${sayMass(e.wantG, units)} eaten over ${Math.round(e.weeks)} weeks; a plant gives ${sayMass(e.perPlantG, units)}${e.learnedFrom > 0 ? "" : " by the handbook"}`,
      plenty: e.plenty,
      off: e.had > e.plenty * 1.25 || e.had * 1.25 < e.enough,
    })),
  };
}

/** Every crop's weeks as rows; masses in grams. */
export function weeksRows(d: GardenNow, q: URLSearchParams) {
  const year = yearAsked(q.get("year"), pickYears(d));
  const mass = massOut(d.snapshot.garden.units);
  return {
    name: `weeks-${year}`,
    header: ["crop", "week_of", `picked_${mass.unit}`, "state"],
    rows: cropYears(d, year).flatMap(({ weeks }) =>
      weeks.weeks.map((w) => [weeks.crop.name, w.week, mass.of(w.pickedG), w.state]),
    ),
  };
}
