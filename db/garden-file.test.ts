import { spawnSync } from "node:child_process";
import { copyFileSync, existsSync, mkdtempSync, readFileSync, truncateSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { beforeAll, beforeEach, describe, expect, it } from "vitest";
import { demoGarden } from "#standins/demo-garden";
import { restoreArchive } from "./archive";
import { gardenOfSchema, RELEASED } from "./fixtures";
import { FolderHeld, holdFolder } from "./folder-hold";
import { snapshotOf } from "./garden";
import { backupsOf, inspectGarden, restoreGarden } from "./garden-file";
import { backupTo, databaseFile, GardenUnfit, openGarden } from "./open";

const demo = demoGarden();
const folder = () => mkdtempSync(join(tmpdir(), "akmedon-file-"));
let backup: string;
let dir: string;

beforeAll(() => {
  const source = folder();
  const db = openGarden(source);
  restoreArchive(db, demo, "2026-10-06T15:30");
  backup = backupTo(db.$client, source, "whole");
  db.$client.close();
});
beforeEach(() => {
  dir = folder();
});

/** A garden with one bed in it, so that a restore has something to lose. */
function ownGarden(): string {
  const db = openGarden(dir);
  restoreArchive(db, { ...demo, checks: [], picks: [], lotEvents: [], rounds: [], roundLines: [] }, "2026-10-06T15:30");
  const picks = snapshotOf(db).picks.length;
  expect(picks).toBe(0);
  db.$client.close();
  return databaseFile(dir);
}

/** Every kind of file that is no garden to restore, each made from a good backup, with what must be said of it. */
const UNFIT: [string, (file: string) => void, RegExp][] = [
  ["missing", () => {}, /does not exist/],
  ["empty", (f) => writeFileSync(f, ""), /is empty/],
  ["a text file", (f) => writeFileSync(f, "dear diary, ".repeat(500)), /no SQLite database/],
  [
    "cut short in the middle",
    (f) => {
      copyFileSync(backup, f);
      truncateSync(f, Math.floor(readFileSync(f).length / 2));
    },
    /cut short|damaged/,
  ],
  [
    "cut short within the first page",
    (f) => {
      copyFileSync(backup, f);
      truncateSync(f, 700);
    },
    /cut short|damaged|cannot be read|no SQLite database/,
  ],
  [
    "overwritten in the middle",
    (f) => {
      const bytes = readFileSync(backup);
      bytes.fill(0x5a, 4096 * 3, 4096 * 12);
      writeFileSync(f, bytes);
    },
    /damaged/,
  ],
  [
    "another program's database",
    (f) => {
      const other = new Database(f);
      other.exec("create table notes (id integer primary key, words text); insert into notes values (1, 'milk')");
      other.close();
    },
    /another program/,
  ],
  [
    "marked by another program, with tables of the same names",
    (f) => {
      copyFileSync(backup, f);
      const other = new Database(f);
      other.pragma("application_id = 12345");
      other.close();
    },
    /another program/,
  ],
  [
    "of a newer version",
    (f) => {
      copyFileSync(backup, f);
      const newer = new Database(f);
      newer.exec("insert into __drizzle_migrations (hash, created_at) values ('later', 9999999999999)");
      newer.close();
    },
    /newer Akmedon/,
  ],
];

describe("a file that should be a garden", () => {
  it("is told by what it holds", () => {
    const seen = inspectGarden(backup);
    expect(seen).toMatchObject({ ok: true, holds: { picks: demo.picks.length, plantings: demo.plantings.length } });
  });

  it.each(UNFIT)("%s: said in words, and the garden in place is not touched", (_, make, words) => {
    const current = ownGarden();
    const before = readFileSync(current);
    const file = join(folder(), "copy.sqlite");
    make(file);
    const restored = restoreGarden(dir, file, "test");
    expect(restored).toMatchObject({ ok: false, message: expect.stringMatching(words) });
    expect(readFileSync(current).equals(before)).toBe(true);
    expect(existsSync(join(dir, "restoring"))).toBe(false);
  });

  it.each(UNFIT.slice(1))("%s: is not opened as a garden, nor written to", (_, make) => {
    make(databaseFile(dir));
    const before = readFileSync(databaseFile(dir));
    // damage deep inside a file shows only where it is read; all else is refused at the door
    try {
      openGarden(dir).$client.close();
    } catch (error) {
      expect(error).toBeInstanceOf(GardenUnfit);
      expect(readFileSync(databaseFile(dir)).equals(before)).toBe(true);
    }
  });

  it("says of a damaged garden what can still be read in it", () => {
    const file = join(folder(), "copy.sqlite");
    UNFIT[5]![1](file);
    const seen = inspectGarden(file);
    expect(seen.ok).toBe(false);
    expect(seen.ok ? "" : seen.message).toMatch(/can still be read|can be read any more/);
  });
});

describe("restoring a backup", () => {
  it("brings every row back and keeps the garden as it was aside, itself restorable", () => {
    ownGarden();
    const restored = restoreGarden(dir, backup, "test");
    expect(restored.ok).toBe(true);
    const db = openGarden(dir);
    expect(snapshotOf(db).picks).toHaveLength(demo.picks.length);
    db.$client.close();
    const aside = restored.ok ? restored.keptAside! : "";
    expect(backupsOf(dir)).toContain(aside);
    expect(restoreGarden(dir, aside, "back")).toMatchObject({ ok: true, holds: { picks: 0 } });
  });

  it("puts a good copy in the place of a damaged garden, and keeps the damaged one", () => {
    ownGarden();
    writeFileSync(databaseFile(dir), readFileSync(databaseFile(dir)).fill(0x11, 0, 9000));
    expect(() => openGarden(dir)).toThrow(GardenUnfit);
    const restored = restoreGarden(dir, backup, "test");
    expect(restored).toMatchObject({ ok: true });
    expect(existsSync(restored.ok ? restored.keptAside! : "")).toBe(true);
    openGarden(dir).$client.close();
  });

  it("keeps what was written but not yet folded into the old garden's file", () => {
    const db = openGarden(dir);
    restoreArchive(db, demo, "2026-10-06T15:30");
    const log = `${databaseFile(dir)}-wal`;
    const [file, wal] = [readFileSync(databaseFile(dir)), readFileSync(log)];
    db.$client.close();
    // as after a power cut: the log still lies beside the file
    writeFileSync(databaseFile(dir), file);
    writeFileSync(log, wal);
    const restored = restoreGarden(dir, backup, "test");
    const aside = restored.ok ? restored.keptAside! : "";
    expect(inspectGarden(aside)).toMatchObject({ ok: true, holds: { picks: demo.picks.length } });
  });

  it.each(RELEASED)("brings a copy of schema %s to today's", (tag) => {
    ownGarden();
    const old = gardenOfSchema(folder(), tag);
    expect(restoreGarden(dir, old, "test")).toMatchObject({ ok: true, holds: { beds: 1, plantings: 1 } });
    const db = openGarden(dir);
    expect(snapshotOf(db).plantings[0]).toMatchObject({ id: "old", cropId: "courgette", startedOn: "2026-05-01" });
    db.$client.close();
  });
});

describe("holding a data folder", () => {
  /** Tries to hold the folder from another process. */
  const elsewhere = (): string =>
    spawnSync(
      process.execPath,
      [
        "--import",
        "tsx",
        "-e",
        `import("${join(import.meta.dirname, "folder-hold.ts")}").then(({ holdFolder }) => {
           try { holdFolder(${JSON.stringify(dir)}).release(); process.stdout.write("held"); }
           catch (e) { process.stdout.write(e.constructor.name + ": " + e.address); }
         })`,
      ],
      { encoding: "utf8", cwd: join(import.meta.dirname, "..") },
    ).stdout.trim();

  it("is for one process alone, which says where it can be reached, and ends with it", () => {
    const hold = holdFolder(dir);
    hold.says("http://127.0.0.1:4317");
    expect(elsewhere()).toBe("FolderHeld: http://127.0.0.1:4317");
    expect(() => holdFolder(dir)).toThrow(FolderHeld);
    hold.release();
    expect(elsewhere()).toBe("held");
  });
});

describe("what older schemas kept in words", () => {
  const NOTHING_SAID = (): void => {};
  const lesson = (client: Database.Database, words: string) =>
    client
      .prepare(
        "insert into lessons (id, at, words, next, planting_id, state) values ('l', '2026-08-01T10:00', ?, '', 'old', 'kept')",
      )
      .run(words);
  it.each<[string, (client: Database.Database) => unknown, string]>([
    ["a planting’s note", (c) => c.prepare("update plantings set note = 'White rot at the necks'").run(), "white-rot"],
    ["a lesson", (c) => lesson(c, "Roots swollen: club root again"), "clubroot"],
    ["other notes", (c) => lesson(c, "Rust, and the deer came"), ""],
    ["nothing", NOTHING_SAID, ""],
  ])("a lasting disease in %s becomes the planting's own field", (_, said, disease) => {
    const old = folder();
    const file = gardenOfSchema(old, "0014_own_jobs");
    const client = new Database(file);
    said(client);
    client.close();
    const db = openGarden(old);
    expect(snapshotOf(db).plantings.map((p) => p.disease)).toEqual([disease]);
    db.$client.close();
  });
});
