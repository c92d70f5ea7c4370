import { describe, expect, it } from "vitest";
import { stream } from "../fixtures/problem";
import { Packing } from "./packing";

type Line = { gain: number; minutes: number; owner: number };

/** Every choice of lines that fits, by going through all of them. */
function every(lines: readonly Line[], room: number, barred: number, first: number): number[] {
  const gains: number[] = [];
  for (let set = 1; set < 1 << lines.length; set++) {
    const chosen = lines.filter((_, k) => (set >> k) & 1);
    if (first >= 0 && !((set >> first) & 1)) continue;
    // a line that loses is only ever there because it was asked for
    if (chosen.some((line) => line.gain <= 0 && lines.indexOf(line) !== first)) continue;
    if (chosen.some((line) => line.owner === barred)) continue;
    if (new Set(chosen.map((line) => line.owner)).size < chosen.length) continue;
    if (chosen.reduce((sum, line) => sum + line.minutes, 0) > room) continue;
    gains.push(chosen.reduce((sum, line) => sum + line.gain, 0));
  }
  return gains.sort((a, b) => b - a);
}

function drawn(seed: number): { lines: Line[]; packing: Packing } {
  const next = stream(seed);
  const lines = Array.from({ length: 8 }, (_, k) => ({
    gain: next() * 2 - 0.3,
    minutes: 3 + next() * 20,
    owner: Math.floor(k / 1.4),
  }));
  const packing = new Packing(8);
  for (const { gain, minutes, owner } of lines) packing.add(gain, minutes, owner, owner);
  packing.sort();
  return { lines, packing };
}

describe("what fits into one hour", () => {
  it("is the best of all that could be done, and the next best", () => {
    for (let seed = 1; seed <= 60; seed++) {
      const { lines, packing } = drawn(seed);
      const found = packing.best(40, 4);
      const all = every(lines, 40, -1, -1);
      expect(found.length).toBe(Math.min(4, all.length));
      found.forEach((f, k) => {
        expect(f.gain).toBeCloseTo(all[k]!, 9);
        expect(f.lines.reduce((sum, line) => sum + lines[line]!.gain, 0)).toBeCloseTo(f.gain, 9);
      });
    }
  });
  it("can leave a crop out, or take one in any case, even one that loses a little", () => {
    for (let seed = 1; seed <= 40; seed++) {
      const { lines, packing } = drawn(seed);
      for (const line of lines.keys()) {
        const without = packing.best(40, 1, lines[line]!.owner);
        expect(without[0]?.gain ?? 0).toBeCloseTo(every(lines, 40, lines[line]!.owner, -1)[0] ?? 0, 9);
        const [taken] = packing.best(40, 1, -1, line);
        expect(taken!.lines).toContain(line);
        expect(taken!.gain).toBeCloseTo(every(lines, 40, -1, line)[0]!, 9);
      }
    }
  });
});
