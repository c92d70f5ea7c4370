import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";

/**
 * Every "@example expression // value" in core is a test. A number ending in "…" holds to the places written; a number
 * preceded by "about" to a fiftieth. Names are looked up in the file itself first, then in all of core.
 */
const modules = import.meta.glob<Record<string, unknown>>(["./**/*.ts", "!./**/*.test.ts", "!./**/*.d.ts"], {
  eager: true,
});
const EVERYWHERE = Object.assign({}, ...Object.values(modules)) as Record<string, unknown>;
const EXAMPLE = /@example ([^\n]+?) \/\/ ([^\n]+?)(?: \*\/)?\n/g;

const examples = Object.entries(modules).flatMap(([file, own]) => {
  const source = readFileSync(new URL(file, import.meta.url), "utf8");
  return [...source.matchAll(EXAMPLE)].map(([, code, value]) => ({
    file: file.slice(2),
    code: code!,
    value: value!.trim(),
    own,
  }));
});
const evaluate = (code: string, own: Record<string, unknown>): unknown => {
  const scope = { ...EVERYWHERE, ...own };
  const names = [...new Set(code.match(/[A-Za-z_]\w*/g) ?? [])].filter((n) => n in scope);
  return new Function(...names, `return (${code});`)(...names.map((n) => scope[n]));
};

describe("examples in the docstrings of core", () => {
  it("there are many of them, and none is written in another way", () => {
    expect(examples.length).toBeGreaterThan(80);
    const all = Object.keys(modules).reduce(
      (n, file) => n + (readFileSync(new URL(file, import.meta.url), "utf8").match(/@example /g)?.length ?? 0),
      0,
    );
    expect(examples.length).toBe(all);
  });
  it.each(examples)("$file: $code", ({ code, value, own }) => {
    const given = evaluate(code, own);
    const number = /^(about )?(−?-?[\d.]+)(…|\.\.\.)?$/.exec(value);
    if (!number) return expect(given).toEqual(evaluate(value, own));
    const wanted = Number(number[2]);
    if (number[1]) return expect(Math.abs((given as number) - wanted)).toBeLessThan(Math.abs(wanted) / 50);
    const places = number[2]!.split(".")[1]?.length ?? 0;
    expect(given).toBeCloseTo(wanted, number[3] ? Math.max(0, places - 1) : places || 9);
  });
});
