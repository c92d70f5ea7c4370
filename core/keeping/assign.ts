/** A lot to be laid somewhere: how much room it takes, and what a litre of it is worth in each place. */
export type ToLay = { id: string; litres: number; worth: readonly number[] };
/** How many litres of a lot go into which place. */
export type Laid = { lot: number; place: number; litres: number };

const TINY = 1e-9;

/**
 * The best way to lay lots into places of so much room: the most worth in all. A lot may lie in two places. Exact: a
 * transportation problem, solved by successive best augmenting paths (Ford & Fulkerson; Busacker & Gowen 1960), each
 * found by Bellman and Ford over the residual network, so that no path made before is ever made worse.
 *
 * @param room litres of each place
 * @returns who lies where, and the worth of all; what finds no place of any worth is left out
 */
export function layBest(lots: readonly ToLay[], room: readonly number[]): { laid: Laid[]; worth: number } {
  const n = lots.length;
  const m = room.length;
  const flow = lots.map(() => new Float64Array(m));
  const left = lots.map((l) => l.litres);
  const free = [...room];
  const most = 4 * (n + 1) * (m + 1) * (m + 1);
  for (let round = 0; round < most; round++) {
    const path = bestPath(lots, flow, left, free);
    if (!path) break;
    const { lot: first, hops } = path;
    let amount = Math.min(left[first]!, free[hops.at(-1)!.to]!);
    for (const h of hops) if (h.back) amount = Math.min(amount, flow[h.back.lot]![h.back.place]!);
    left[first]! -= amount;
    for (const h of hops) {
      if (h.back) flow[h.back.lot]![h.back.place]! -= amount;
      flow[h.by]![h.to]! += amount;
    }
    free[hops.at(-1)!.to]! -= amount;
  }
  const laid: Laid[] = [];
  let worth = 0;
  for (let i = 0; i < n; i++)
    for (let p = 0; p < m; p++)
      if (flow[i]![p]! > TINY) {
        laid.push({ lot: i, place: p, litres: flow[i]![p]! });
        worth += flow[i]![p]! * lots[i]!.worth[p]!;
      }
  return { laid, worth };
}

/** One step of an augmenting path: a lot goes into a place; before it, it may be taken out of another. */
type Hop = { by: number; to: number; back: { lot: number; place: number } | null };

/** The path of the greatest gain from a lot that is not laid yet to a place with room; null when none gains. */
function bestPath(
  lots: readonly ToLay[],
  flow: readonly Float64Array[],
  left: readonly number[],
  free: readonly number[],
): { lot: number; hops: Hop[] } | null {
  const m = free.length;
  const gain = new Float64Array(m).fill(Number.NEGATIVE_INFINITY);
  const via: ({ lot: number; from: number } | null)[] = Array.from({ length: m }, () => null);
  const start = new Int32Array(m).fill(-1);
  for (let p = 0; p < m; p++)
    for (const [i, lot] of lots.entries())
      if (left[i]! > TINY && lot.worth[p]! > gain[p]!) {
        gain[p] = lot.worth[p]!;
        start[p] = i;
      }
  // a lot already in place p may make room there by going on to place q
  for (let turn = 0; turn < m; turn++) {
    let better = false;
    for (let p = 0; p < m; p++) {
      if (gain[p] === Number.NEGATIVE_INFINITY) continue;
      for (const [i, lot] of lots.entries()) {
        if (flow[i]![p]! <= TINY) continue;
        for (let q = 0; q < m; q++) {
          const to = gain[p]! - lot.worth[p]! + lot.worth[q]!;
          if (q !== p && to > gain[q]! + 1e-12) {
            gain[q] = to;
            via[q] = { lot: i, from: p };
            better = true;
          }
        }
      }
    }
    if (!better) break;
  }
  let end = -1;
  for (let p = 0; p < m; p++) if (free[p]! > TINY && gain[p]! > TINY && (end < 0 || gain[p]! > gain[end]!)) end = p;
  if (end < 0) return null;
  const hops: Hop[] = [];
  let at = end;
  for (let step = via[at]; step; step = via[at]) {
    hops.unshift({ by: step.lot, to: at, back: { lot: step.lot, place: step.from } });
    at = step.from;
    if (hops.length > m) return null;
  }
  hops.unshift({ by: start[at]!, to: at, back: null });
  return { lot: start[at]!, hops };
}
