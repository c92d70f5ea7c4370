import { existsSync, mkdtempSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { homedir, tmpdir } from "node:os";
import { join } from "node:path";
import { expect, it } from "vitest";
import { clearTroubles, listTroubles, noteTrouble } from "./troubles";

const folder = () => mkdtempSync(join(tmpdir(), "akmedon-troubles-"));

it("what went wrong is written down, latest first, for the owner alone, and cleared", () => {
  const dir = folder();
  noteTrouble(dir, "/rounds", new Error("first"));
  noteTrouble(dir, "/keep", "no error at all");
  expect(listTroubles(dir, 10).map((t) => [t.where, t.message])).toEqual([
    ["/keep", "no error at all"],
    ["/rounds", "first"],
  ]);
  expect(listTroubles(dir, 1)).toHaveLength(1);
  expect(statSync(join(dir, "logs", "troubles.jsonl")).mode & 0o077).toBe(0);
  clearTroubles(dir);
  expect(listTroubles(dir, 10)).toEqual([]);
  noteTrouble(dir, "/", new Error("again"));
  expect(listTroubles(dir, 10)).toHaveLength(1);
});
it("names no folder of the machine", () => {
  const dir = folder();
  noteTrouble(dir, "/", new Error(`cannot open ${join(dir, "garden.sqlite")} of ${homedir()}`));
  const text = readFileSync(join(dir, "logs", "troubles.jsonl"), "utf8");
  expect(text).toContain("cannot open …/garden.sqlite");
  for (const own of [dir, homedir(), process.cwd()]) expect(text).not.toContain(own);
});
it("a long log begins anew, and a broken line hides no other", () => {
  const dir = folder();
  noteTrouble(dir, "/", new Error("old"));
  const file = join(dir, "logs", "troubles.jsonl");
  writeFileSync(file, `${readFileSync(file, "utf8")}{broken\n${"x".repeat(1_100_000)}\n`);
  noteTrouble(dir, "/", new Error("new"));
  expect(existsSync(`${file}.1`)).toBe(true);
  expect(listTroubles(dir, 10).map((t) => t.message)).toEqual(["new", "old"]);
});
it("nowhere to write hides nothing: it does not throw", () => {
  const dir = folder();
  writeFileSync(join(dir, "logs"), "a file where the folder should be");
  expect(() => noteTrouble(dir, "/", new Error("x"))).not.toThrow();
});
