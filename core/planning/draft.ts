import { ArcTable } from "./arc-table";
import type { Frame } from "./frame";
import { arcAt, type PathStep } from "./paths";

const positive = (x: number): number => (x > 0 ? x : 0);
/** No slot at all: before the first pick, or where none is left out or put in. */
export const NO_SLOT = -1;
/** A line this many minutes too long for what is left of a window is not put in there. */
const MOST_OVER = 2;
/** As many minutes freed as one likes: how long the line is does not matter. */
const NO_LIMIT = 1e9;

/**
 * A plan in the making whose lines are shifted hundreds of thousands of times a second. A change is first only asked
 * about (`begin`, then `edit` or `flip` for every planting it touches). Of most the paths alone tell that they lose too
 * much (`promising`); only for the others are minutes, rounds and stores reckoned (`gain`), and few are made (`take`).
 */
export class Draft extends ArcTable {
  /** worth less minutes, rounds opened and stores overfilled, kilos of potatoes */
  value = 0;
  /** minutes beyond the windows, all together, and what each of them costs meanwhile, kilos of potatoes */
  over = 0;
  overPrice = 0;
  /** by planting: how many picks it has, whether the last one strips it */
  readonly length: Int32Array;
  readonly strips: Uint8Array;
  /** by slot: how many plantings are taken there */
  readonly count: Int32Array;
  private readonly slots: Int16Array;
  /** by planting: worth of its picks, less their minutes */
  private readonly worth: Float64Array;
  /** by planting and slot: minutes of the line there, where there is one */
  private readonly taken: Float64Array;
  /** by slot: who is taken there, and by planting and slot: its place among them */
  private readonly takers: Int32Array;
  private readonly place: Int32Array;
  /** by slot and by store: what is used, and what there is; minutes and the store's units */
  private readonly used: Float64Array;
  private readonly room: Float64Array;
  private readonly fill: Float64Array;
  /** what overfilled stores cost, all together */
  private overfull = 0;
  private readonly keptLength: Int32Array;
  private readonly keptStrips: Uint8Array;
  private readonly keptSlots: Int16Array;
  // what is asked about: new paths of some plantings, laid out as those in hand
  private asked = 0;
  private readonly who: Int32Array;
  private readonly newLength: Int32Array;
  private readonly newStrips: Uint8Array;
  private readonly newSlots: Int16Array;
  private readonly newWorth: Float64Array;
  /** the most that the paths asked about can be worth more, what they relieve of minutes and stores apart */
  private more = 0;
  /** what picks put in cost in any case, less what picks left out can spare: rounds, minutes beyond the windows */
  private charged = 0;
  /** what the change gains, and how much of it is stores relieved: known once `gain` was asked */
  private gained = 0;
  private spared = 0;
  // what they change by slot and by store
  private slotsTouched = 0;
  private readonly slotTouched: Int32Array;
  private readonly slotMark: Uint8Array;
  private readonly minutesBy: Float64Array;
  private readonly countBy: Int32Array;
  private storesTouched = 0;
  private readonly storeTouched: Int32Array;
  private readonly storeMark: Uint8Array;
  private readonly fillBy: Float64Array;

  constructor(f: Frame) {
    super(f);
    const { n, arcs } = f;
    const stores = f.problem.stores ?? [];
    this.length = new Int32Array(arcs.length);
    this.strips = new Uint8Array(arcs.length);
    this.slots = new Int16Array(arcs.length * n);
    this.worth = new Float64Array(arcs.length);
    this.count = new Int32Array(n);
    this.taken = new Float64Array(arcs.length * n);
    this.takers = new Int32Array(n * arcs.length);
    this.place = new Int32Array(n * arcs.length);
    this.used = new Float64Array(n);
    this.room = new Float64Array(n);
    this.fill = new Float64Array(stores.length);
    this.keptLength = this.length.slice();
    this.keptStrips = this.strips.slice();
    this.keptSlots = this.slots.slice();
    this.who = new Int32Array(arcs.length);
    this.newLength = new Int32Array(arcs.length);
    this.newStrips = new Uint8Array(arcs.length);
    this.newSlots = new Int16Array(arcs.length * n);
    this.newWorth = new Float64Array(arcs.length);
    this.slotTouched = new Int32Array(n);
    this.slotMark = new Uint8Array(n);
    this.minutesBy = new Float64Array(n);
    this.countBy = new Int32Array(n);
    this.storeTouched = new Int32Array(stores.length);
    this.storeMark = new Uint8Array(stores.length);
    this.fillBy = new Float64Array(stores.length);
  }

  /** Begins anew with a plan; a window that a wish overruns in it counts as just so long. */
  lay(schedule: readonly (readonly PathStep[])[]): void {
    for (const kept of [this.length, this.strips, this.count, this.used, this.fill]) kept.fill(0);
    this.room.fill(Number.POSITIVE_INFINITY);
    this.value = 0;
    this.over = 0;
    this.overfull = 0;
    for (let j = 0; j < this.n; j++) if (this.forced[j]) this.value -= this.openCost;
    schedule.forEach((steps, p) => {
      this.worth[p] = this.rest[p * (this.n + 1)]!;
      this.value += this.worth[p]!;
      this.set(p, steps);
    });
    for (let j = 0; j < this.n; j++) this.room[j] = Math.max(this.f.capacity[j]!, this.used[j]!);
  }

  /** Gives a planting another path, whatever it gains. */
  set(p: number, steps: readonly PathStep[]): void {
    this.begin();
    steps.forEach((s, k) => {
      this.newSlots[p * this.n + k] = s.slot;
    });
    this.ask(p, steps.length, this.worthOf(p, steps.length), Number(steps.at(-1)?.take === "strip"));
    this.gain();
    this.take();
  }

  /** A planting's path as it stands. */
  pathOf(p: number): PathStep[] {
    return stepsOf(this.slots, p * this.n, this.length[p]!, this.strips[p] === 1);
  }

  /** The plan as it stands. */
  schedule(): PathStep[][] {
    return Array.from({ length: this.plantings }, (_, p) => this.pathOf(p));
  }

  /** Keeps the plan as it stands in place of the one kept before. */
  keep(): void {
    this.keptLength.set(this.length);
    this.keptStrips.set(this.strips);
    this.keptSlots.set(this.slots);
  }

  /** The plan last kept. */
  kept(): PathStep[][] {
    return Array.from({ length: this.plantings }, (_, p) =>
      stepsOf(this.keptSlots, p * this.n, this.keptLength[p]!, this.keptStrips[p] === 1),
    );
  }

  /** The slot of a planting's k-th pick. */
  slotOf(p: number, k: number): number {
    return this.slots[p * this.n + k]!;
  }

  /** Minutes of a line that is there. */
  minutesOf(p: number, j: number): number {
    return this.taken[p * this.n + j]!;
  }

  /** The k-th planting taken at a slot, in no order. */
  takenAt(j: number, k: number): number {
    return this.takers[j * this.plantings + k]!;
  }

  /** Asks about a change: nothing is touched by it so far. */
  begin(): void {
    this.asked = 0;
    this.more = 0;
    this.charged = 0;
  }

  /**
   * Asks about one planting without one pick and with another. It is stripped at its last pick if it was before, where
   * that can be. Each planting only once in a change.
   * @param drop slot of the pick left out, or `NO_SLOT`
   * @param add slot of the pick put in, or `NO_SLOT`
   * @param freed minutes that another line of the change frees there; without it the length of the line does not matter
   * @returns whether that can be; if not, it is not part of the change
   */
  edit(p: number, drop: number, add: number, freed = NO_LIMIT): boolean {
    const { n, slots, newSlots, arcWorth } = this;
    const from = p * n;
    const base = p * this.arcs;
    const length = this.length[p]!;
    let cost = 0;
    if (add !== NO_SLOT && this.used[add]! - freed - this.room[add]! + this.least[from + add]! > MOST_OVER)
      return false;
    // a round is spared where all who are taken there leave together
    if (drop !== NO_SLOT && this.count[drop]! <= this.asked + 1 && !this.forced[drop]) cost -= this.openCost;
    let left = add;
    let before = NO_SLOT;
    let worth = 0;
    let k = 0;
    for (let i = 0; i <= length; i++) {
      const here = i < length ? slots[from + i]! : n;
      if (here === drop) continue;
      if (left >= 0 && left <= here) {
        if (left === here) return false;
        const arc = base + arcAt(n, before, left);
        worth += arcWorth[arc]!;
        if (freed < NO_LIMIT) {
          const was = this.used[left]! - this.room[left]!;
          const over = was - freed + this.lineMinutes + this.grams[arc]! * this.minutesPerG[p]!;
          if (over > MOST_OVER) return false;
          if (over > 0) cost += this.overPrice * positive(over - positive(was));
          if (this.count[left] === 0 && !this.forced[left]) cost += this.openCost;
        }
        newSlots[from + k++] = left;
        before = left;
        left = NO_SLOT;
      }
      if (here === n) break;
      worth += arcWorth[base + arcAt(n, before, here)]!;
      newSlots[from + k++] = here;
      before = here;
    }
    if (worth === Number.NEGATIVE_INFINITY) return false;
    this.charged += cost;
    this.ask(p, k, worth, this.strips[p]!);
    return true;
  }

  /** Asks about stripping a planting at its last pick, or no longer. @returns whether that can be */
  flip(p: number): boolean {
    const { n } = this;
    const length = this.length[p]!;
    if (length === 0 || this.stripWorth[p * n + this.slotOf(p, length - 1)] === Number.NEGATIVE_INFINITY) return false;
    for (let k = p * n; k < p * n + length; k++) this.newSlots[k] = this.slots[k]!;
    this.ask(p, length, this.worthOf(p, length), 1 - this.strips[p]!);
    return true;
  }

  /** Whether the change can gain so much at all: told by the paths and by what they could relieve at most. */
  promising(least: number): boolean {
    let most = this.more - this.charged + this.overPrice * this.over;
    if (most >= least) return true;
    if (most + this.overfull < least) return false;
    for (let k = 0; k < this.asked; k++) {
      const of = this.f.storesOf[this.who[k]!]!;
      for (let i = 0; i < of.length; i++)
        most += this.overCost[of[i]!]! * positive(this.fill[of[i]!]! - this.capacity[of[i]!]!);
    }
    return most >= least;
  }

  /** What the change gains, with what minutes beyond the windows cost; −Infinity where there are too many of these. */
  gain(): number {
    this.slotsTouched = 0;
    this.storesTouched = 0;
    for (let k = 0; k < this.asked; k++) {
      const p = this.who[k]!;
      const at = p * this.n;
      const was = this.length[p]!;
      const is = this.newLength[p]!;
      // only picks that are not the same, or whose pick before is not, are reckoned; a stripped one always
      const strip = this.strips[p]! | this.newStrips[p]!;
      let head = 0;
      while (head < was - strip && head < is - strip && this.slots[at + head] === this.newSlots[at + head]) head += 1;
      let tail = 0;
      if (!strip)
        while (
          was - tail > head + 1 &&
          is - tail > head + 1 &&
          this.slots[at + was - 1 - tail] === this.newSlots[at + is - 1 - tail] &&
          this.slots[at + was - 2 - tail] === this.newSlots[at + is - 2 - tail]
        )
          tail += 1;
      this.charge(p, this.slots, head, was - tail, was, this.strips[p]!, -1);
      this.charge(p, this.newSlots, head, is - tail, is, this.newStrips[p]!, 1);
    }
    let gained = this.more;
    let over = 0;
    let within = true;
    for (let k = 0; k < this.slotsTouched; k++) {
      const j = this.slotTouched[k]!;
      this.slotMark[j] = 0;
      const was = this.used[j]! - this.room[j]!;
      const is = was + this.minutesBy[j]!;
      if (is > MOST_OVER && is > was + 1e-9) within = false;
      over += positive(is) - positive(was);
      if (this.forced[j]) continue;
      if (this.count[j] === 0) {
        if (this.countBy[j]! > 0) gained -= this.openCost;
      } else if (this.count[j]! + this.countBy[j]! === 0) gained += this.openCost;
    }
    this.spared = 0;
    for (let k = 0; k < this.storesTouched; k++) {
      const s = this.storeTouched[k]!;
      this.storeMark[s] = 0;
      const stood = this.fill[s]! - this.capacity[s]!;
      this.spared += this.overCost[s]! * (positive(stood) - positive(stood + this.fillBy[s]!));
    }
    gained += this.spared;
    this.gained = gained;
    return within ? gained - this.overPrice * over : Number.NEGATIVE_INFINITY;
  }

  /** Makes the change that `gain` was asked about last. */
  take(): void {
    this.value += this.gained;
    this.overfull = positive(this.overfull - this.spared);
    for (let k = 0; k < this.slotsTouched; k++) {
      const j = this.slotTouched[k]!;
      const was = this.used[j]! - this.room[j]!;
      this.used[j]! += this.minutesBy[j]!;
      this.over += positive(was + this.minutesBy[j]!) - positive(was);
    }
    for (let k = 0; k < this.storesTouched; k++)
      this.fill[this.storeTouched[k]!]! += this.fillBy[this.storeTouched[k]!]!;
    for (let k = 0; k < this.asked; k++) {
      const p = this.who[k]!;
      const from = p * this.n;
      for (let i = from; i < from + this.length[p]!; i++) this.leaves(p, this.slots[i]!);
      this.length[p] = this.newLength[p]!;
      this.strips[p] = this.newStrips[p]!;
      this.worth[p] = this.newWorth[p]!;
      let before = NO_SLOT;
      for (let i = from; i < from + this.length[p]!; i++) {
        const j = this.newSlots[i]!;
        this.slots[i] = j;
        this.joins(p, j);
        let grams = this.grams[p * this.arcs + arcAt(this.n, before, j)]!;
        if (this.strips[p] && i === from + this.length[p]! - 1) grams += this.stripG[p * this.n + j]!;
        this.taken[p * this.n + j] = this.lineMinutes + grams * this.minutesPerG[p]!;
        before = j;
      }
    }
  }

  private joins(p: number, j: number): void {
    this.place[p * this.n + j] = this.count[j]!;
    this.takers[j * this.plantings + this.count[j]!] = p;
    this.count[j]! += 1;
  }

  private leaves(p: number, j: number): void {
    this.count[j]! -= 1;
    const moved = this.takers[j * this.plantings + this.count[j]!]!;
    this.takers[j * this.plantings + this.place[p * this.n + j]!] = moved;
    this.place[moved * this.n + j] = this.place[p * this.n + j]!;
  }

  /** Worth of the picks of a new path, what comes after the last one apart. */
  private worthOf(p: number, length: number): number {
    let worth = 0;
    let before = NO_SLOT;
    for (let k = p * this.n; k < p * this.n + length; k++) {
      const j = this.newSlots[k]!;
      worth += this.arcWorth[p * this.arcs + arcAt(this.n, before, j)]!;
      before = j;
    }
    return worth;
  }

  private ask(p: number, length: number, worth: number, strips: number): void {
    const last = length > 0 ? this.newSlots[p * this.n + length - 1]! : NO_SLOT;
    const stripped = strips && last >= 0 ? this.stripWorth[p * this.n + last]! : Number.NEGATIVE_INFINITY;
    const can = stripped > Number.NEGATIVE_INFINITY;
    this.newLength[p] = length;
    this.newStrips[p] = Number(can);
    this.newWorth[p] = worth + (can ? stripped : this.rest[p * (this.n + 1) + last + 1]!);
    this.who[this.asked++] = p;
    this.more += this.newWorth[p]! - this.worth[p]!;
  }

  /** Adds a path to what the change does to minutes and stores, or takes it off. */
  private charge(
    p: number,
    slots: Int16Array,
    from: number,
    to: number,
    length: number,
    strips: number,
    sign: number,
  ): void {
    const { n } = this;
    let before = from > 0 ? slots[p * n + from - 1]! : NO_SLOT;
    for (let k = from; k < to; k++) {
      const j = slots[p * n + k]!;
      let grams = this.grams[p * this.arcs + arcAt(n, before, j)]!;
      if (strips && k === length - 1) grams += this.stripG[p * n + j]!;
      before = j;
      if (this.slotMark[j] === 0) {
        this.slotMark[j] = 1;
        this.slotTouched[this.slotsTouched++] = j;
        this.minutesBy[j] = 0;
        this.countBy[j] = 0;
      }
      this.minutesBy[j]! += sign * (this.lineMinutes + grams * this.minutesPerG[p]!);
      this.countBy[j]! += sign;
      const end = this.drawsFrom[p * n + j + 1]!;
      for (let d = this.drawsFrom[p * n + j]!; d < end; d++) {
        const s = this.drawStore[d]!;
        if (this.storeMark[s] === 0) {
          this.storeMark[s] = 1;
          this.storeTouched[this.storesTouched++] = s;
          this.fillBy[s] = 0;
        }
        this.fillBy[s]! += sign * grams * this.drawPerG[d]!;
      }
    }
  }
}

const stepsOf = (slots: Int16Array, from: number, length: number, strips: boolean): PathStep[] =>
  Array.from({ length }, (_, k) => ({ slot: slots[from + k]!, take: strips && k === length - 1 ? "strip" : "ready" }));
