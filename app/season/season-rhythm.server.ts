import { sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { type Brought, type Rhythm, rhythmOf } from "#core/season/rhythm";
import { sayMass } from "#core/units/mass";
import type { WeatherDay } from "#core/weather/daily";
import { ofRecord } from "#core/weather/of-record";
import type { GardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { massOut } from "../server/table-out.server";
import { type GrownHere, grownOf, pickedOf, siteOf } from "./season-data.server";

/** Repeat croppers picked often enough in some year to have a rhythm, latest first. */
const candidates = (d: GardenNow) => remembered(d, "rhythms to choose from", () => candidatesOf(d));

function candidatesOf(d: GardenNow) {
  return grownOf(d)
    .filter((g) => g.crop.habit === "repeat")
    .flatMap((g) => {
      const years = new Map<string, number>();
      let last = "";
      for (const p of pickedOf(g.entries)) {
        if (p.day === last) continue;
        last = p.day;
        years.set(p.day.slice(0, 4), (years.get(p.day.slice(0, 4)) ?? 0) + 1);
      }
      return [...years].filter(([, n]) => n >= 4).map(([year, n]) => ({ g, year, n }));
    })
    .sort((a, b) => (a.year === b.year ? b.n - a.n : a.year < b.year ? 1 : -1));
}

/** The record of one year. */
const yearOf = (record: readonly WeatherDay[], year: string): WeatherDay[] =>
  ofRecord(record, `year ${year}`, () => record.filter((w) => w.day.startsWith(year)));

/** What a round for this crop alone costs, in grams of its prime worth: a line of a round at the gardener's price. */
function roundCostG(d: GardenNow, g: GrownHere): number {
  const { lineMinutes, hourWorth } = d.snapshot.garden;
  return ((lineMinutes / 60) * hourWorth * 1000) / g.crop.worth.perKg;
}

function asked(d: GardenNow, q: URLSearchParams) {
  const list = candidates(d);
  const key = (c: (typeof list)[number]) => `${c.g.planting.id} ${c.year}`;
  const chosen = list.find((c) => key(c) === q.get("of")) ?? list[0] ?? null;
  const rhythm: Rhythm | null = chosen
    ? rhythmOf(
        chosen.g.planting,
        { ...chosen.g.bed, nightOffsetC: siteOf(d, chosen.g.bed).bed.nightOffsetC },
        chosen.g.crop,
        pickedOf(chosen.g.entries, chosen.year),
        yearOf(d.snapshot.weather, chosen.year),
        roundCostG(d, chosen.g),
      )
    : null;
  return {
    list: list.map((c) => ({
      key: key(c),
      name: `${plantingName(c.g.planting, c.g.crop)}, ${c.g.bed.name}, ${c.year}`,
      n: c.n,
    })),
    chosen,
    key: chosen ? key(chosen) : "",
    rhythm,
  };
}

/** What picking more or less often would have brought, beside what was done. */
export function rhythmView(d: GardenNow, q: URLSearchParams) {
  const { units } = d.snapshot.garden;
  const { list, chosen, key, rhythm } = asked(d, q);
  const line = (name: string, b: Brought) => ({
    name,
    rounds: b.rounds,
    primeG: b.primeG,
    overG: b.overG,
    prime: sayMass(b.primeG, units),
    over: sayMass(b.overG, units),
    left: sayMass(b.leftG, units),
    share: b.primeG + b.overG > 0 ? Math.round((100 * b.overG) / (b.primeG + b.overG)) : 0,
  });
  const best = rhythm?.every.find((e) => e.days === rhythm.best)?.brought ?? null;
  return {
    units,
    list,
    key,
    name: chosen ? plantingName(chosen.g.planting, chosen.g.crop) : "",
    span: rhythm ? `${sayDay(rhythm.from)} to ${sayDay(rhythm.to)}` : "",
    lines: rhythm
      ? [
          line("as it was", rhythm.done),
          ...rhythm.every.map((e) => line(e.days === 1 ? "every day" : `every ${e.days} days`, e.brought)),
        ]
      : [],
    best: rhythm?.best ?? 0,
    gain:
      rhythm && best
        ? {
            prime: sayMass(Math.abs(best.primeG - rhythm.done.primeG), units),
            more: best.primeG >= rhythm.done.primeG,
            rounds: best.rounds - rhythm.done.rounds,
          }
        : null,
    late: (rhythm?.late ?? []).map((l) => ({
      day: sayDay(l.day),
      gap: l.gap,
      cost: sayMass(l.costG, units),
    })),
    minutes: d.snapshot.garden.lineMinutes,
  };
}

/** The rhythms of a planting as rows; masses in grams. */
export function rhythmRows(d: GardenNow, q: URLSearchParams) {
  const { rhythm, key } = asked(d, q);
  const mass = massOut(d.snapshot.garden.units);
  const row = (name: string, b: Brought) => [name, b.rounds, ...[b.primeG, b.overG, b.leftG].map(mass.of)];
  return {
    name: `rhythm-${key.replace(/\W+/g, "-")}`,
    header: ["rhythm", "rounds", ...["prime", "over_age", "left_over_age"].map((x) => `${x}_${mass.unit}`)],
    rows: rhythm
      ? [row("as it was", rhythm.done), ...rhythm.every.map((e) => row(`every ${e.days} days`, e.brought))]
      : [],
  };
}
