import { type Assignment, assign, improveAll, pathWithin, replacePath, tableOf, tally } from "./assign";
import { type Frame, UNBOUNDED_MINUTES } from "./frame";

const PASSES = 3;
/** Up to this many slots a round is moved anywhere, beyond it by two slots at a time. */
const SMALL = 12;
/** Up to this many slots every set of them is tried. */
const FEW = 6;

/** Improves a plan by opening, closing and moving slots, and by exchanging lines, for as long as anything helps. */
export function search(f: Frame, from: Assignment, minutePrice: Float64Array): Assignment {
  let best = from;
  const attempt = (open: Uint8Array): boolean => {
    for (let k = 0; k < f.n; k++) if (f.forced[k]) open[k] = 1;
    const found = assign(f, open, minutePrice);
    if (found.value <= best.value + 1e-9) return false;
    best = found;
    return true;
  };
  const free = f.problem.slots.flatMap((s, j) => (s.allowed && !f.forced[j] ? [j] : []));
  if (free.length <= FEW)
    for (let set = 0; set < 1 << free.length; set++) {
      const open = new Uint8Array(f.n);
      free.forEach((j, bit) => {
        open[j] = (set >> bit) & 1;
      });
      attempt(open);
    }
  for (let pass = 0; pass < PASSES; pass++) {
    const before = best.value;
    for (const j of free) {
      const flipped = best.open.slice();
      flipped[j] = flipped[j] ? 0 : 1;
      if (!attempt(flipped) && best.open[j]) moveAway(f, j, free, attempt, () => best.open);
    }
    const exchanged = exchange(f, best);
    if (exchanged.value > best.value + 1e-9) best = exchanged;
    if (best.value <= before + 1e-9) break;
  }
  return best;
}

/** Tries the closed slots around an open one in its place. */
function moveAway(
  f: Frame,
  j: number,
  free: readonly number[],
  attempt: (open: Uint8Array) => boolean,
  open: () => Uint8Array,
): void {
  const reach = f.n <= SMALL ? f.n : 2;
  for (const k of free) {
    if (Math.abs(k - j) > reach || open()[k]) continue;
    const moved = open().slice();
    moved[j] = 0;
    moved[k] = 1;
    if (attempt(moved)) return;
  }
}

/** Takes each line out in turn, lets the others use its minutes, puts its planting back where room is left. */
function exchange(f: Frame, from: Assignment): Assignment {
  let best = from;
  for (let p = 0; p < f.arcs.length; p++)
    for (const { slot } of best.schedule[p]!) {
      if (f.capacity[slot]! >= UNBOUNDED_MINUTES || f.musts[p] === slot) continue;
      const t = tableOf(f, best.schedule);
      const without = best.open.slice();
      without[slot] = 0;
      replacePath(f, t, p, pathWithin(f, t, p, without));
      improveAll(f, t, best.open, p);
      improveAll(f, t, best.open);
      const found = tally(f, t, best.unmet);
      if (found.value <= best.value + 1e-9) continue;
      best = found;
      break;
    }
  return best;
}
