import { type Comparison, compare } from "#core/season/compare";
import {
  comparedMeasures,
  type Figured,
  figuresByLot,
  figuresByPick,
  figuresByPlanting,
  IN_GRAMS,
  IN_SHARES,
  MEASURES,
  type Measure,
  SPLITS,
  type Split,
} from "#core/season/compare-ways";
import { sayComparison, saySide } from "#core/season/words";
import { sayMass, type UnitSystem } from "#core/units/mass";
import type { GardenNow } from "../server/garden-now.server";
import { type GrownHere, grownOf, lotsOf } from "./season-data.server";

/** A figure of a measure in words. */
export function sayMeasure(x: number, measure: Measure, units: UnitSystem): string {
  if (IN_GRAMS.includes(measure)) return sayMass(Math.abs(x), units);
  if (IN_SHARES.includes(measure)) return `${Math.round(100 * Math.abs(x))} %`;
  const shown = Math.abs(x) < 10 ? Math.abs(x).toFixed(1) : String(Math.round(Math.abs(x)));
  return measure === "minutes" ? `${shown} min` : `${shown} ${shown === "1" ? "day" : "days"}`;
}

function figuresFor(d: GardenNow, split: Split, grown: readonly GrownHere[]): Figured[] {
  if (split === "method") return figuresByPick(grown);
  if (split !== "place") return figuresByPlanting(grown, split);
  const ids = new Set(grown.map((g) => g.planting.id));
  const names = new Map(d.snapshot.places.map((p) => [p.id, p.name]));
  return figuresByLot(
    lotsOf(d).filter((l) => ids.has(l.plantingId)),
    (id) => (id === null ? null : (names.get(id) ?? null)),
    d.today,
  );
}

/** Groups of a split with how many figures of a measure each has; most first. */
function groupsOf(figures: readonly Figured[], measure: Measure): { id: string; n: number }[] {
  const by = new Map<string, number>();
  for (const f of figures) if (f.values[measure] !== undefined) by.set(f.group, (by.get(f.group) ?? 0) + 1);
  return [...by].map(([id, n]) => ({ id, n })).sort((a, b) => b.n - a.n || (a.id < b.id ? -1 : 1));
}

/** The first split that has two groups to set against each other, for a page opened without a question. */
function usualSplit(d: GardenNow, grown: readonly GrownHere[]): Split {
  return (
    SPLITS.find((s) => {
      const figures = figuresFor(d, s, grown);
      return comparedMeasures(s).some((m) => groupsOf(figures, m).length >= 2);
    }) ?? "kind"
  );
}

/** Two ways or kinds of one crop side by side. */
export function compareView(d: GardenNow, q: URLSearchParams) {
  const { units } = d.snapshot.garden;
  const all = grownOf(d).filter((g) => g.entries.length > 0);
  const counts = new Map<string, { name: string; n: number }>();
  for (const g of all) {
    const known = counts.get(g.crop.id);
    if (known) known.n += 1;
    else counts.set(g.crop.id, { name: g.crop.name, n: 1 });
  }
  const crops = [...counts].map(([id, c]) => ({ id, ...c })).sort((a, b) => b.n - a.n || (a.name < b.name ? -1 : 1));
  const cropId = crops.find((c) => c.id === q.get("crop"))?.id ?? crops[0]?.id ?? "";
  const grown = all.filter((g) => g.crop.id === cropId);
  const split = SPLITS.find((s) => s === q.get("split")) ?? usualSplit(d, grown);
  const figures = figuresFor(d, split, grown);
  const possible = comparedMeasures(split).filter((m) => figures.some((f) => f.values[m] !== undefined));
  const measure =
    possible.find((m) => m === q.get("measure")) ??
    possible.find((m) => groupsOf(figures, m).length >= 2) ??
    possible[0] ??
    comparedMeasures(split)[0]!;
  const groups = groupsOf(figures, measure).map((g) => ({ ...g, name: saySide(split, g.id) }));
  const a = groups.find((g) => g.id === q.get("a"))?.id ?? groups[0]?.id ?? "";
  const b = groups.find((g) => g.id === q.get("b") && g.id !== a)?.id ?? groups.find((g) => g.id !== a)?.id ?? "";
  const names = [saySide(split, a), saySide(split, b)] as const;
  const points = figures.flatMap((f) => {
    const value = f.values[measure];
    if (value === undefined || (f.group !== a && f.group !== b)) return [];
    return [
      { id: f.id, name: f.name, side: f.group === a ? (0 as const) : (1 as const), bed: f.bed, year: f.year, value },
    ];
  });
  const found = compare(points);
  return {
    crops,
    cropId,
    crop: crops.find((c) => c.id === cropId)?.name ?? "",
    split,
    measure,
    measures: MEASURES.filter((m) => possible.includes(m)),
    groups,
    a,
    b,
    names,
    points: points.map((p) => ({ ...p, said: sayMeasure(p.value, measure, units) })),
    found: {
      ...found,
      words: sayComparison(found),
      sides: found.sides.map((s) =>
        s
          ? {
              ...s,
              said: sayMeasure(s.mean, measure, units),
              spread: s.sd === null ? "" : `± ${sayMeasure(s.sd, measure, units)}`,
              range: s.n < 2 ? "" : `${sayMeasure(s.low, measure, units)} to ${sayMeasure(s.high, measure, units)}`,
            }
          : null,
      ),
    },
    difference: sayDifference(found, measure, units, ...names),
    interval:
      found.interval && found.both === 0
        ? `With 95 % confidence between ${signed(found.interval.low, measure, units)} and ${signed(found.interval.high, measure, units)}.`
        : "",
  };
}

const signed = (x: number, measure: Measure, units: UnitSystem) =>
  `${x < 0 ? "−" : "+"}${sayMeasure(x, measure, units)}`;

function sayDifference(found: Comparison, measure: Measure, units: UnitSystem, a: string, b: string): string {
  if (found.diff === null) return "";
  const amount = sayMeasure(found.diff, measure, units);
  const more = found.diff >= 0 ? a : b;
  const less = found.diff >= 0 ? b : a;
  const where =
    found.both > 0
      ? `, inside the ${found.both === 1 ? "one bed and year" : `${found.both} beds and years`} that had both`
      : "";
  return `${more}: ${amount} more than ${less}${where}.`;
}

/** The figures of a comparison as rows of a table to take away. */
export function compareRows(d: GardenNow, q: URLSearchParams) {
  const view = compareView(d, q);
  return {
    name: `compare-${view.cropId}-${view.split}`,
    header: ["of", view.split, "bed", "year", view.measure],
    rows: view.points.map((p) => [p.name, view.names[p.side], p.bed, p.year, Math.round(p.value * 1000) / 1000]),
  };
}
