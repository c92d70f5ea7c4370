/** A closed tour that starts and ends at the first place. */
export type Tour = { order: number[]; length: number };

/** Up to this many places a tour is exact. */
export const EXACT_PLACES = 14;

/**
 * Shortest closed tour over all places from the first one: exact up to fourteen by dynamic programming over subsets
 * (M. Held & R. M. Karp, J. SIAM 10 (1962) 196–210), beyond by nearest neighbour improved by reversing and moving
 * stretches until nothing helps.
 * @param distance square, distance[i][j] from i to j, any unit; symmetric beyond fourteen places
 * @throws RangeError when it is not square
 */
export function shortestTour(distance: readonly (readonly number[])[]): Tour {
  const n = distance.length;
  if (distance.some((row) => row.length !== n)) throw new RangeError("distances must be square");
  if (n <= 1) return { order: n === 1 ? [0] : [], length: 0 };
  return n <= EXACT_PLACES ? heldKarp(distance, 0, true) : improved(distance);
}

/**
 * Shortest way from the first place through all others, ending anywhere. Exact up to fourteen places, good beyond.
 */
export function shortestPath(distance: readonly (readonly number[])[]): Tour {
  const n = distance.length;
  if (n <= 1) return { order: n === 1 ? [0] : [], length: 0 };
  if (n <= EXACT_PLACES) return heldKarp(distance, 0, false);
  // a tour whose ways home cost nothing is a path
  return improved(distance.map((row) => row.map((d, j) => (j === 0 ? 0 : d))));
}

/** Subsets of the places without the start; best[subset][last] is the shortest way from the start through it. */
function heldKarp(distance: readonly (readonly number[])[], start: number, home: boolean): Tour {
  const n = distance.length;
  const others = Array.from({ length: n }, (_, i) => i).filter((i) => i !== start);
  const m = others.length;
  const best = new Float64Array((1 << m) * m).fill(Number.POSITIVE_INFINITY);
  const from = new Int8Array((1 << m) * m).fill(-1);
  for (let k = 0; k < m; k++) best[(1 << k) * m + k] = distance[start]![others[k]!]!;
  for (let set = 1; set < 1 << m; set++)
    for (let last = 0; last < m; last++) {
      const so = best[set * m + last]!;
      if (!(set & (1 << last)) || so === Number.POSITIVE_INFINITY) continue;
      for (let next = 0; next < m; next++) {
        if (set & (1 << next)) continue;
        const at = (set | (1 << next)) * m + next;
        const length = so + distance[others[last]!]![others[next]!]!;
        if (length < best[at]! - 1e-12) {
          best[at] = length;
          from[at] = last;
        }
      }
    }
  const full = (1 << m) - 1;
  let end = 0;
  const lengthTo = (k: number) => best[full * m + k]! + (home ? distance[others[k]!]![start]! : 0);
  for (let k = 1; k < m; k++) if (lengthTo(k) < lengthTo(end) - 1e-12) end = k;
  const order: number[] = [];
  for (let set = full, k = end; k >= 0; ) {
    order.unshift(others[k]!);
    const before = from[set * m + k]!;
    set &= ~(1 << k);
    k = before;
  }
  return { order: [start, ...order], length: lengthTo(end) };
}

/** Nearest neighbour, then stretches reversed and moved for as long as the way gets shorter. */
function improved(distance: readonly (readonly number[])[]): Tour {
  const n = distance.length;
  const left = new Set(Array.from({ length: n - 1 }, (_, i) => i + 1));
  let order = [0];
  while (left.size > 0) {
    const here = order.at(-1)!;
    const next = [...left].reduce((a, b) => (distance[here]![b]! < distance[here]![a]! ? b : a));
    left.delete(next);
    order.push(next);
  }
  const lengthOf = (o: readonly number[]) => o.reduce((s, i, k) => s + distance[i]![o[(k + 1) % n]!]!, 0);
  let length = lengthOf(order);
  const attempt = (candidate: number[]): boolean => {
    const l = lengthOf(candidate);
    if (l >= length - 1e-9) return false;
    order = candidate;
    length = l;
    return true;
  };
  for (let better = true; better; ) {
    better = false;
    for (let i = 1; i < n - 1; i++)
      for (let j = i + 1; j < n; j++) {
        const stretch = order.slice(i, j + 1);
        if (attempt([...order.slice(0, i), ...stretch.reverse(), ...order.slice(j + 1)])) better = true;
        if (j - i > 2) continue;
        const cut = order.slice(i, j + 1);
        const rest = [...order.slice(0, i), ...order.slice(j + 1)];
        for (let k = 1; k <= rest.length; k++)
          if (attempt([...rest.slice(0, k), ...cut, ...rest.slice(k)])) {
            better = true;
            break;
          }
      }
  }
  return { order, length };
}
