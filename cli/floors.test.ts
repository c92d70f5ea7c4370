import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import { cruise, type ICruiseResult } from "dependency-cruiser";
import { afterAll, beforeAll, describe, expect, it } from "vitest";

const rules = createRequire(import.meta.url)("../.dependency-cruiser.cjs");

/** Houses built wrong on purpose, a broken rule each: file by file what it holds. */
const BROKEN: [rule: string, files: Record<string, string>][] = [
  ["core-stays-on-its-floor", { "core/a.ts": 'import "../db/a";' }],
  ["formats-stays-on-its-floor", { "formats/a.ts": 'import "../db/a";' }],
  ["standins-stays-on-its-floor", { "standins/a.ts": 'import "../app/ui/a";' }],
  ["db-stays-on-its-floor", { "db/a.ts": 'import "../app/ui/a";' }],
  ["cli-stays-on-its-floor", { "cli/a.ts": 'import "../app/ui/a";' }],
  ["app-stays-on-its-floor", { "app/picks/a.ts": 'import "../../cli/b";' }],
  ["core-reaches-for-nothing", { "core/b.ts": 'import "node:fs";' }],
  ["no-circles", { "core/c.ts": 'import "./d";', "core/d.ts": 'import "./c";' }],
  ["app-ui", { "app/ui/b.ts": 'import "../picks/b";' }],
  ["app-picks", { "app/picks/c.ts": 'import "../keep/b";' }],
  ["app-today", { "app/today/b.ts": 'import "../shell/b";' }],
  ["resolvable", { "db/b.ts": 'import "./nowhere";' }],
];
/** And what they may do. */
const SOUND: Record<string, string> = {
  "core/sound.ts": 'import "./sound-too";',
  "core/sound-too.ts": "export const x = 1;",
  "db/sound.ts": 'import "../core/sound";',
  "app/shell/sound.ts": 'import "../today/sound"; import "../../db/sound";',
  "app/today/sound.ts": 'import "../ui/sound";',
  "app/ui/sound.ts": "export const x = 1;",
  "app/ui/a.ts": "export const x = 1;",
  "app/picks/b.ts": "export const x = 1;",
  "app/keep/b.ts": "export const x = 1;",
  "app/shell/b.ts": "export const x = 1;",
  "cli/b.ts": "export const x = 1;",
};
const root = join(import.meta.dirname, "..");
let house: string;
const put = (files: Record<string, string>) => {
  for (const [file, text] of Object.entries(files)) {
    mkdirSync(dirname(join(house, file)), { recursive: true });
    writeFileSync(join(house, file), `${text}\nexport {};\n`);
  }
};
beforeAll(() => {
  mkdirSync(join(root, "build"), { recursive: true });
  house = mkdtempSync(join(root, "build", "broken-house-"));
  for (const [, files] of BROKEN) put(files);
  put(SOUND);
});
afterAll(() => rmSync(house, { recursive: true, force: true }));

describe("the linter is red when a floor is broken on purpose", () => {
  let found: { rule: string; from: string }[];
  beforeAll(async () => {
    const { output } = await cruise(["core", "formats", "standins", "db", "cli", "app"], {
      baseDir: house,
      validate: true,
      ruleSet: { forbidden: rules.forbidden },
      tsPreCompilationDeps: true,
      doNotFollow: { path: ["node_modules"] },
    });
    found = (output as ICruiseResult).summary.violations.map((v) => ({ rule: v.rule.name, from: v.from }));
  });
  it.each(BROKEN)("%s", (rule, files) => {
    expect(found).toContainEqual({ rule, from: Object.keys(files)[0] });
  });
  it("and only there", () => {
    expect(found.filter((f) => f.from in SOUND)).toEqual([]);
  });
});

describe("the core's own rules are red when they are broken on purpose", () => {
  const check = (line: string, file = "core/rule.ts") => {
    rmSync(join(house, "core"), { recursive: true, force: true });
    put({ [file]: line });
    const { status, stderr } = spawnSync(process.execPath, [join(root, "scripts", "core-rules.mjs")], {
      cwd: house,
      encoding: "utf8",
    });
    return { status, stderr };
  };
  it.each([
    ["export const x = Math.random();", "chance must be passed in"],
    ["export const x = Date.now();", "the time must be passed in"],
    ["export const x = new Date();", "the time must be passed in"],
    ["export const x = process.env.HOME;", "the core knows no machine and no page"],
    ['import React from "react";', "the core imports only itself and small libraries"],
    ["export const x = /late/.test(name);", "a fact is a field, not a pattern over words"],
    ['export const x = cropId.startsWith("potato");', "a fact is a field, not a part of an id"],
  ])("%s", (line, why) => {
    const { status, stderr } = check(line);
    expect(status).toBe(1);
    expect(stderr).toContain(`core/rule.ts:1 ${why}`);
  });
  it("and green where they are kept: in comments, in tests, and where typing is read", () => {
    expect(check("// Math.random() is passed in").status).toBe(0);
    expect(check("export const x = Math.random();", "core/rule.test.ts").status).toBe(0);
    expect(check("export const x = /late/.test(typed);", "core/calendar/typed.ts").status).toBe(0);
  });
});
