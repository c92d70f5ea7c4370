/** Nodes looked at for one question: what is found by then is good enough. */
const NODES = 400;

/** What could be done in one hour: lines side by side, each with what it gains, its minutes, and whose it is. */
export class Packing {
  /** how many lines there are; those of one owner exclude each other */
  lines = 0;
  readonly gain: Float64Array;
  readonly minutes: Float64Array;
  readonly owner: Int32Array;
  /** what a line is called by whoever asks */
  readonly name: Int32Array;
  private readonly order: number[] = [];
  private readonly chosen: number[] = [];
  private readonly taken: Uint8Array;
  private found: { gain: number; lines: number[] }[] = [];
  private most = 1;
  private barred = -1;
  private nodes = 0;

  constructor(owners: number) {
    this.gain = new Float64Array(2 * owners);
    this.minutes = new Float64Array(2 * owners);
    this.owner = new Int32Array(2 * owners);
    this.name = new Int32Array(2 * owners);
    this.taken = new Uint8Array(owners);
  }

  add(gain: number, minutes: number, owner: number, name: number): void {
    this.gain[this.lines] = gain;
    this.minutes[this.lines] = minutes;
    this.owner[this.lines] = owner;
    this.name[this.lines] = name;
    this.lines += 1;
  }

  /** Puts the lines in order of what they gain by the minute: to be called once all are there. */
  sort(): void {
    const { order, gain, minutes } = this;
    order.length = 0;
    for (let k = 0; k < this.lines; k++) order.push(k);
    order.sort((a, b) => gain[b]! / minutes[b]! - gain[a]! / minutes[a]! || a - b);
  }

  /**
   * The best few choices of lines that fit into so many minutes, best first, by branch and bound; the empty one is not
   * among them.
   * @param barred an owner whose lines are left out, −1: none
   * @param first a line that is taken in any case, −1: none
   */
  best(room: number, most: number, barred = -1, first = -1): { gain: number; lines: number[] }[] {
    this.found = [];
    this.most = most;
    this.barred = barred;
    this.nodes = 0;
    if (first < 0) this.descend(0, room, 0);
    else {
      this.chosen.push(first);
      this.taken[this.owner[first]!] = 1;
      this.descend(0, room - this.minutes[first]!, this.gain[first]!);
      this.taken[this.owner[first]!] = 0;
      this.chosen.pop();
    }
    return this.found;
  }

  private descend(k: number, room: number, gain: number): void {
    if (this.nodes++ > NODES) return;
    const full = this.found.length === this.most;
    if (k === this.order.length) {
      if (this.chosen.length > 0 && (!full || gain > this.found[this.most - 1]!.gain)) this.keep(gain);
      return;
    }
    if (full && this.bound(k, room, gain) <= this.found[this.most - 1]!.gain) return;
    const line = this.order[k]!;
    const owner = this.owner[line]!;
    const may = owner !== this.barred && this.taken[owner] === 0 && this.gain[line]! > 0;
    if (may && this.minutes[line]! <= room + 1e-9) {
      this.chosen.push(line);
      this.taken[owner] = 1;
      this.descend(k + 1, room - this.minutes[line]!, gain + this.gain[line]!);
      this.taken[owner] = 0;
      this.chosen.pop();
    }
    this.descend(k + 1, room, gain);
  }

  /** What the rest could gain at most if a line could be split. */
  private bound(k: number, room: number, gain: number): number {
    let left = room;
    let most = gain;
    for (let q = k; q < this.order.length && left > 0; q++) {
      const line = this.order[q]!;
      if (this.gain[line]! <= 0) break;
      most += this.gain[line]! * Math.min(1, left / this.minutes[line]!);
      left -= this.minutes[line]!;
    }
    return most;
  }

  private keep(gain: number): void {
    let at = this.found.length;
    while (at > 0 && this.found[at - 1]!.gain < gain) at -= 1;
    this.found.splice(at, 0, { gain, lines: this.chosen.slice() });
    if (this.found.length > this.most) this.found.pop();
  }
}
