import { type Assignment, improveAll, makeRoom, openOf, type Table, tableOf, tally } from "./assign";
import { type Frame, stepsValue } from "./frame";
import type { BestPath, PathStep } from "./paths";

/** The paths that prices chose for a planting, each with how much of the later rounds chose it. */
type Mix = Map<string, { steps: PathStep[]; weight: number }>[];

/** A round of prices counts so much less with each one after it. */
const FADES = 0.97;

/** An empty mix for so many plantings. */
export const noMix = (f: Frame): Mix => f.arcs.map(() => new Map());

/** Adds what a round of prices chose: the shares come near those of the relaxed plan in which lines may be split. */
export function addTo(mix: Mix, paths: readonly { steps: PathStep[] }[]): void {
  paths.forEach(({ steps }, p) => {
    const chosen = mix[p]!;
    for (const c of chosen.values()) c.weight *= FADES;
    const key = steps.map((s) => `${s.slot}${s.take}`).join(" ");
    const known = chosen.get(key);
    if (known) known.weight += 1 - FADES;
    else chosen.set(key, { steps, weight: 1 - FADES });
  });
}

/** Draws a path of a planting, each with the share it has in the mix. */
export type Draw = (p: number, roll: (below: number) => number) => BestPath;

/** What can be drawn from a mix as it stands. */
export function drawer(f: Frame, mix: Mix): Draw {
  const lists = mix.map((m, p) => {
    const all = [...m.values()].sort((a, b) => b.weight - a.weight);
    const paths = all.map(({ steps }): BestPath => ({ steps, value: stepsValue(f, p, steps) }));
    return { all, paths, total: all.reduce((s, c) => s + c.weight, 0) };
  });
  return (p, roll) => {
    const { all, paths, total } = lists[p]!;
    let at = (roll(10_000) / 10_000) * total;
    for (let k = 0; k < all.length; k++) {
      at -= all[k]!.weight;
      if (at <= 0) return paths[k]!;
    }
    return paths[0]!;
  };
}

/**
 * A plan drawn from the mix: for each planting one of its paths with the share it has there, lines dropped where
 * minutes run out, the rest bettered. Prices alone give every planting the same answer again and again; the mix knows
 * which answers stand in each other's way.
 * @param roll numbers as good as chance below a bound
 */
export function drawPlan(f: Frame, draw: Draw, roll: (below: number) => number): Assignment {
  const t: Table = tableOf(
    f,
    f.arcs.map((_, p) => draw(p, roll).steps),
  );
  const open = openOf(f, t);
  const unmet = makeRoom(f, t, open);
  if (improveAll(f, t, open)) improveAll(f, t, open);
  return tally(f, t, unmet);
}

/** Keeps the best few of the drawn plans, best first, in place; of two that are worth the same the first. */
export function keepBest(best: Assignment[], made: Assignment, keep: number): void {
  if (best.some((b) => Math.abs(b.value - made.value) < 1e-9)) return;
  best.push(made);
  best.sort((a, b) => b.value - a.value);
  if (best.length > keep) best.pop();
}
