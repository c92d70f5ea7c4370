import {
  type Assignment,
  copyOf,
  improveAll,
  openOf,
  pathWithin,
  replacePath,
  type Table,
  tableOf,
  tableValue,
  tally,
} from "./assign";
import type { Frame } from "./frame";

/** Slots that a round is tried at in place of another: so many on either side. */
const REACH = 3;
const PASSES = 4;
const LEAST = 1e-9;
/** A changed plan this far below the one in hand, as a share of it, is not polished. */
const NEAR = 0.01;

/** A plan being bettered: the table in hand, its worth, and how to try another. */
type Search = { f: Frame; table: Table; value: number };

function take(s: Search, candidate: Table): boolean {
  const value = tableValue(s.f, candidate);
  if (value <= s.value + LEAST) return false;
  s.table = candidate;
  s.value = value;
  return true;
}

/** Lets plantings use the open slots anew, those first that sat in a slot now closed; gives up where it is far below. */
function settle(s: Search, t: Table, open: Uint8Array): Table {
  const far = () => tableValue(s.f, t) < s.value - NEAR * Math.abs(s.value);
  let left = false;
  for (let p = 0; p < s.f.arcs.length; p++)
    if (t.paths[p]!.steps.some((step) => !open[step.slot])) {
      replacePath(s.f, t, p, pathWithin(s.f, t, p, open));
      left = true;
    }
  if (left && far()) return t;
  if (improveAll(s.f, t, open) && !far()) improveAll(s.f, t, open);
  return t;
}

/** Improves a plan by opening, closing and moving slots, for as long as anything helps. */
export function* search(f: Frame, from: Assignment): Generator<Assignment> {
  const s: Search = { f, table: tableOf(f, from.schedule), value: from.value };
  const free = f.problem.slots.flatMap((slot, j) => (slot.allowed && !f.forced[j] ? [j] : []));
  for (let pass = 0; pass < PASSES; pass++) {
    const before = s.value;
    for (const j of free) {
      const open = openOf(f, s.table);
      const flipped = open.slice();
      flipped[j] = flipped[j] ? 0 : 1;
      if (take(s, settle(s, copyOf(s.table), flipped))) yield tally(f, s.table, from.unmet);
      else if (open[j]) {
        for (const k of free) {
          if (Math.abs(k - j) > REACH || open[k]) continue;
          const moved = flipped.slice();
          moved[k] = 1;
          if (take(s, settle(s, copyOf(s.table), moved))) break;
        }
        yield tally(f, s.table, from.unmet);
      }
    }
    if (s.value <= before + LEAST) break;
  }
  yield tally(f, s.table, from.unmet);
}
