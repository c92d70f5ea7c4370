import { sayDay } from "#core/calendar/day";
import { outcomesOf } from "#core/keeping/outcomes";
import { seedsOf } from "#core/keeping/seeds";
import { bedLossesBy, keptShare } from "#core/season/bed-loss";
import { rangeOf } from "#core/season/planting-figures";
import { type YieldsBy, yieldsOf } from "#core/season/yields";
import { sayMass } from "#core/units/mass";
import { isCrop } from "#core/weighing/pick";
import { everyWeek, groupPicks, picksIn, sumTotals } from "#core/weighing/pick-log";
import { namedGroups } from "#core/weighing/words";
import { logOf } from "../picks/picks.server";
import { sayYield } from "../picks/yield-words";
import { type GardenNow, handbook } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { plantingYearsOf } from "./season-data.server";
import { keptLine } from "./sum-words";

/** The picks of one season, or of all. */
function seasonOf(d: GardenNow, asked: string) {
  const { entries: all, years } = logOf(d.snapshot);
  const year = asked === "all" || years.includes(asked) ? asked : (years[0] ?? d.today.slice(0, 4));
  return { years, year, entries: year === "all" ? all : picksIn(all, year) };
}

/** What the picks of a season came to, as rows; and what became of them in the house. */
export function seasonView(d: GardenNow, askedYear: string, by: YieldsBy) {
  const season = seasonOf(d, askedYear);
  return remembered(d, `season ${season.year} ${by}`, () => viewOf(d, season, by));
}

function viewOf(d: GardenNow, { years, year, entries }: ReturnType<typeof seasonOf>, by: YieldsBy) {
  const { snapshot } = d;
  const { units } = snapshot.garden;
  const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
  const beds = new Map(snapshot.beds.map((b) => [b.id, b]));
  const given = plantingYearsOf(d, year);
  const rows = yieldsOf(given, by, plantings, beds);
  const t = sumTotals(given.map((y) => y.totals));
  const ranges = by === "kind" ? rangesOfKinds(d) : null;
  return {
    years,
    year,
    by,
    units,
    totals: t,
    rows: rows.map((r) => ({
      key: r.key,
      name: r.name,
      massG: r.totals.weighedG + r.totals.estimatedG,
      weighed: sayMass(r.totals.weighedG, units),
      estimated: r.totals.estimatedG > 0 ? `about ${sayMass(r.totals.estimatedG, units)}` : "",
      picks: r.totals.picks,
      perPick: sayMass(r.perPick, units),
      first: sayDay(r.first),
      last: sayDay(r.last),
      days: r.daysToFirst === null ? "" : String(Math.round(r.daysToFirst)),
      range: ranges?.get(r.key) ?? "",
      yield: sayYield(r, units),
      minutes: r.minutesPerKg === null ? "" : r.minutesPerKg.toFixed(1),
    })),
    weeks:
      year === "all"
        ? namedGroups(entries, "month")
            .reverse()
            .map((w) => ({ key: w.key, name: w.name, weighedG: w.totals.weighedG, estimatedG: w.totals.estimatedG }))
        : everyWeek(groupPicks(entries, "week")).map(({ week, ...w }) => ({
            key: week,
            name: sayDay(week).slice(4),
            ...w,
          })),
    ways: waysOf(d, entries, year),
  };
}

/** The packet's range of each kind, where all its plantings have the same. */
function rangesOfKinds(d: GardenNow): Map<string, string> {
  const by = new Map<string, Set<string>>();
  for (const p of d.snapshot.plantings) {
    const crop = handbook().of(p.cropId);
    const key = `${p.kind || crop.name} ${crop.id}`;
    const said = rangeOf(p, crop)?.join(" to ") ?? "";
    by.set(key, (by.get(key) ?? new Set()).add(said));
  }
  return new Map([...by].flatMap(([key, said]) => (said.size === 1 ? [[key, [...said][0]!]] : [])));
}

/** Where the crop of some picks went: eaten, given, lost or still here, by what was written down. */
function waysOf(d: GardenNow, entries: ReturnType<typeof seasonOf>["entries"], year: string) {
  const { snapshot } = d;
  const { units } = snapshot.garden;
  const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
  const losses = snapshot.bedLosses.filter((l) => year === "all" || l.day.startsWith(year));
  const became = outcomesOf(entries, snapshot.lotEvents, (list) =>
    seedsOf(list, plantings, handbook(), snapshot.places),
  );
  const told = [
    ["eaten", became.eatenG],
    ["put by", became.putByG],
    ["given away", became.givenG],
    ["to the animals", became.animalsG],
    ["to the compost", became.compostG],
    ["lost in the house", became.lostG],
    ["set apart as lots of their own", became.apartG],
    ["nothing written down, or still here", became.leftG],
  ] as const;
  const kept = keptShare(
    entries.filter((e) => isCrop(e.pick)).reduce((s, e) => s + e.net, 0),
    losses.reduce((s, l) => s + l.massG, 0),
    became.lostG + became.compostG,
  );
  return {
    kept: kept ? keptLine(kept, units) : null,
    told: told.filter(([, g]) => g > 0).map(([name, g]) => ({ name, massG: g, amount: sayMass(g, units) })),
    causes: [
      ...bedLossesBy(losses).map(([cause, g]) => ({
        cause,
        where: "in the bed",
        amount: `about ${sayMass(g, units)}`,
      })),
      ...became.causes.map(([cause, g]) => ({ cause, where: "after picking", amount: sayMass(g, units) })),
    ],
  };
}
