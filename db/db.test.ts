import { existsSync, mkdtempSync, readdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { beforeEach, describe, expect, it } from "vitest";
import type { Bed } from "#core/garden/bed";
import type { Snapshot } from "#core/snapshot";
import { demoGarden } from "#standins/demo-garden";
import { archiveOf, restoreArchive } from "./archive";
import { change, listChanges, orderedId, revision, type TableName, undo, undoable } from "./change";
import { gardenOfSchema, RELEASED } from "./fixtures";
import { gardenOf, readLogOn, snapshotOf } from "./garden";
import { type Db, databaseFile, openGarden } from "./open";
import { toldOf } from "./others";
import { findBed, removeBed, removePlanting, saveBed } from "./plot";
import { listRounds, removePick, replacePlan, saveCheck, savePick } from "./work";

const AT = "2026-10-06T15:30";
const demo = demoGarden();
let dir: string;
let db: Db;
beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), "akmedon-"));
  db = openGarden(dir);
});
/** Which list of a snapshot holds which table's rows. */
const snapshotTables: Partial<Record<TableName, keyof Snapshot>> = {
  ...Object.fromEntries(
    [
      ["containers", "windows", "datedWindows", "tastes", "places", "trips", "beds", "plantings", "checks", "picks"],
      ["treatments", "pickWishes", "placeReadings", "lotEvents", "lessons", "bedLosses", "ticks", "ownJobs"],
      ["jobMarks", "dishes", "seedLots", "planned", "weighings", "bedReadings", "covers", "forecasts"],
    ]
      .flat()
      .map((name) => [name, name]),
  ),
  weatherDays: "weather",
};
const bed: Bed = { ...demo.beds[0]!, id: "new", name: "New bed" };

const byKey = (a: object, b: object) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1);
const sorted = (a: object) =>
  Object.fromEntries(
    Object.entries(a).map(([k, v]) => [
      k,
      Array.isArray(v)
        ? v
            .map((row) =>
              JSON.parse(
                JSON.stringify(
                  row,
                  Object.keys(row)
                    .sort()
                    .concat("name", "tareG", "count", "cueId", "value", "day", "tempMinC", "tempMaxC"),
                ),
              ),
            )
            .sort(byKey)
        : v,
    ]),
  );

describe("what is kept until its table is written to", () => {
  const day = (n: number, tempMinC: number) => ({ ...demo.weather[0]!, day: `2020-03-0${n}`, tempMinC });
  const minima = () => snapshotOf(db).weather.map((w) => w.tempMinC);
  const add = (n: number, tempMinC: number) => change(db, "a day", AT, (c) => c.put("weatherDays", day(n, tempMinC)));
  it("is the same object as long as nothing was written to it, whatever else was", () => {
    add(1, -2);
    const before = snapshotOf(db).weather;
    saveBed(db, bed, AT);
    expect(snapshotOf(db).weather).toBe(before);
    add(2, -3);
    expect(minima()).toEqual([-2, -3]);
  });
  it("is read anew after an undo, after a failure half way, and after another process has written", () => {
    add(1, -2);
    expect(minima()).toEqual([-2]);
    const second = add(2, -3)!;
    undo(db, second, AT);
    expect(minima()).toEqual([-2]);
    expect(() =>
      change(db, "half", AT, (c) => {
        c.put("weatherDays", day(3, -9));
        expect(minima()).toEqual([-2, -9]);
        throw new Error("the power went");
      }),
    ).toThrow("the power went");
    expect(minima()).toEqual([-2]);
    const other = openGarden(dir);
    change(other, "from elsewhere", AT, (c) => c.put("weatherDays", day(4, 1)));
    other.$client.close();
    expect(minima()).toEqual([-2, 1]);
  });
});

describe("picks kept in memory", () => {
  const one = demo.picks[0]!;
  /** what the table really holds, read by another connection */
  const truth = () => {
    const raw = new Database(databaseFile(dir), { readonly: true });
    const rows = raw.prepare("select id, gross_g from picks order by at, id").all() as {
      id: string;
      gross_g: number;
    }[];
    raw.close();
    return rows.map((r) => [r.id, r.gross_g]);
  };
  const kept = () => snapshotOf(db).picks.map((p) => [p.id, p.grossG]);
  it("say what the table says after picks logged, changed, moved in time, removed and taken back, in any order", () => {
    restoreArchive(db, { ...demo, picks: demo.picks.slice(0, 40) }, AT);
    expect(kept()).toEqual(truth());
    let seed = 7;
    const luck = (n: number) => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return seed % n;
    };
    const done: string[] = [];
    for (let i = 0; i < 60; i++) {
      const all = snapshotOf(db).picks;
      const any = all[luck(all.length)]!;
      const at = `2026-0${1 + luck(9)}-1${luck(9)}T1${luck(9)}:00`;
      const what = luck(4);
      const id =
        what === 0
          ? change(db, "new", AT, (c) => c.put("picks", { ...one, id: `n${i}`, at }))
          : what === 1
            ? change(db, "moved", AT, (c) => c.put("picks", { ...any, at, grossG: 1000 + i }))
            : what === 2
              ? change(db, "out", AT, (c) => c.remove("picks", any.id))
              : null;
      if (id) done.push(id);
      else if (done.length > 0) undo(db, done.pop()!, AT);
      expect(kept()).toEqual(truth());
    }
    expect(done.length).toBeGreaterThan(5);
  });
  it("share what they say alike, a bucket as well as an empty list, and nobody can change it", () => {
    const tare = () => [{ name: "bucket", tareG: 410, count: 1 }];
    const picks = ["a", "b", "c"].map((id) => ({ ...one, id, grossG: 2000, tare: id === "c" ? [] : tare() }));
    restoreArchive(db, { ...demo, picks, lotEvents: [] }, AT);
    const anew = openGarden(dir);
    const [a, b, c] = snapshotOf(anew).picks;
    anew.$client.close();
    expect([a!.tare, c!.tare]).toEqual([tare(), []]);
    expect(a!.tare).toBe(b!.tare);
    expect(() => a!.tare.push(...tare())).toThrow(TypeError);
    expect(() => Object.assign(a!.tare[0]!, { tareG: 1 })).toThrow(TypeError);
  });
  it("stay the same objects where nothing changed, and are read whole after another process has written", () => {
    restoreArchive(db, demo, AT);
    const before = snapshotOf(db).picks;
    change(db, "one more", AT, (c) => c.put("picks", { ...one, id: "more" }));
    const after = snapshotOf(db).picks;
    expect(after.length).toBe(before.length + 1);
    expect(after.filter((p) => before.includes(p)).length).toBe(before.length);
    const other = openGarden(dir);
    change(other, "from elsewhere", AT, (c) => c.put("picks", { ...one, id: "elsewhere", grossG: 9000 }));
    other.$client.close();
    expect(kept()).toEqual(truth());
  });
});

describe("many picks written by a thread that says which", () => {
  it("are put in their places among those in memory, which stay the same objects, while others may log one", () => {
    restoreArchive(db, demo, AT);
    const before = snapshotOf(db).picks;
    const other = openGarden(dir);
    const like = demo.picks[0]!;
    const added = Array.from({ length: 9000 }, (_, k) => ({
      ...like,
      id: `m${k}`,
      at: `2026-08-0${1 + (k % 9)}T10:00`,
    }));
    const gone = before[3]!.id;
    const changed = { ...before[5]!, grossG: 4321 };
    const id = change(other, "many", AT, (c) => {
      for (const p of [...added, changed]) c.put("picks", p);
      c.remove("picks", gone);
    });
    toldOf(db, id!, { table: "picks", keys: [...added.map((p) => p.id), changed.id, gone] });
    let portions = 0;
    while (!readLogOn(db)) {
      portions += 1;
      // one logged meanwhile has it begin again
      if (portions === 2) change(db, "one", AT, (c) => c.put("picks", { ...like, id: "one", at: "2026-08-02T09:00" }));
    }
    expect(portions).toBeGreaterThan(3);
    const raw = new Database(databaseFile(dir), { readonly: true });
    expect(snapshotOf(db).picks.map((p) => p.id)).toEqual(
      raw.prepare("select id from picks order by at, id").pluck().all(),
    );
    raw.close();
    const now = snapshotOf(db).picks;
    expect(now.find((p) => p.id === changed.id)!.grossG).toBe(4321);
    const stayed = new Set(now);
    expect(before.filter((p) => !stayed.has(p)).map((p) => p.id)).toEqual([gone, changed.id]);
    // taken back by this connection itself, all at once
    expect(undo(db, id!, AT).ok).toBe(true);
    expect(snapshotOf(db).picks.map((p) => p.id)).toEqual(
      [...before.map((p) => ({ id: p.id, at: p.at })), { id: "one", at: "2026-08-02T09:00" }]
        .sort((a, b) => (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1))
        .map((p) => p.id),
    );
    // written twice before anybody asks
    for (const grossG of [700, 800])
      change(db, `all at ${grossG} g`, AT, (c) => {
        for (const p of added.slice(0, 5000)) c.put("picks", { ...p, grossG });
      });
    const all = snapshotOf(db).picks;
    expect(new Set(all.map((p) => p.id)).size).toBe(all.length);
    expect(all.filter((p) => p.grossG === 800)).toHaveLength(5000);
    other.$client.close();
  });
});

describe("picks read anew after somebody wrote who does not say what", () => {
  it("are the very objects they were, but for those that say something else", () => {
    restoreArchive(db, { ...demo, picks: demo.picks.slice(0, 40) }, AT);
    const before = new Map(snapshotOf(db).picks.map((p) => [p.id, p]));
    const [heavier, boxed, gone] = [...before.keys()];
    const raw = new Database(databaseFile(dir));
    raw.prepare("update picks set gross_g = 4321 where id = ?").run(heavier);
    raw.prepare(`update picks set tare = '[{"name":"crate","count":2,"eachG":300}]' where id = ?`).run(boxed);
    raw.prepare("delete from picks where id = ?").run(gone);
    raw.close();
    const after = snapshotOf(db).picks;
    expect(after).toHaveLength(before.size - 1);
    expect(
      after
        .filter((p) => before.get(p.id) !== p)
        .map((p) => p.id)
        .sort(),
    ).toEqual([heavier, boxed].sort());
    expect(after.find((p) => p.id === heavier)!.grossG).toBe(4321);
    expect(after.find((p) => p.id === boxed)!.tare).toEqual([{ name: "crate", count: 2, eachG: 300 }]);
  });
});

describe("every table kept in memory", () => {
  const LISTS = Object.entries(demo).flatMap(([name, rows]) =>
    Array.isArray(rows) && rows.length > 0 && name in snapshotTables ? [name as TableName] : [],
  );
  /** the garden as another connection reads it from the file */
  const truth = () => {
    const other = openGarden(dir);
    const read = snapshotOf(other);
    other.$client.close();
    return read;
  };
  it.each(LISTS)("%s: a row taken out, put back, given another id and taken back is as the file has it", (name) => {
    restoreArchive(db, demo, AT);
    const rows = (snapshotOf(db) as unknown as Record<string, Record<string, string>[]>)[snapshotTables[name]!]!;
    const key = name === "weatherDays" ? "day" : "id";
    const row = rows[Math.floor(rows.length / 2)]!;
    const other = { ...row, [key]: name === "weatherDays" ? "1999-05-05" : "zz-another" };
    const done = change(db, "another", AT, (c) => c.put(name, other as never))!;
    expect(snapshotOf(db)).toEqual(truth());
    change(db, "out", AT, (c) => c.remove(name, other[key]!));
    expect(snapshotOf(db)).toEqual(truth());
    expect(undo(db, done, AT).ok).toBe(false);
    const impossible = Object.keys(row).find((k) => ["at", "day", "startOn", "startedOn", "fromDay"].includes(k));
    if (impossible && name !== "weatherDays") {
      change(db, "by another hand", AT, (c) => c.put(name, { ...other, [impossible]: "2026-02-31" } as never));
      expect(snapshotOf(db)).toEqual(truth());
    }
  });
});

it("ids of what must keep its order sort in the order they were made", () => {
  const ids = Array.from({ length: 500 }, orderedId);
  expect([...ids].sort()).toEqual(ids);
  expect(new Set(ids).size).toBe(500);
});

describe("the audit trail", () => {
  it("tells every change, latest first, by page and by words, with what stood before", () => {
    saveBed(db, bed, AT);
    saveBed(db, { ...bed, name: "Newer 100%" }, AT);
    change(db, "weather", AT, (c) => c.put("weatherDays", demo.weather[0]!));
    const all = listChanges(db, "", 0, 10);
    expect(all.all).toBe(3);
    expect(all.rows.map((r) => r.label)).toEqual(["weather", "Bed Newer 100% changed", "Bed New bed added"]);
    expect(all.rows[1]!.entries[0]).toMatchObject({ before: { name: "New bed" }, after: { name: "Newer 100%" } });
    expect(listChanges(db, "bed", 1, 1).rows.map((r) => r.label)).toEqual(["Bed New bed added"]);
    // signs that a search could take for wild cards mean themselves
    expect(listChanges(db, "100%", 0, 10).all).toBe(1);
    expect(listChanges(db, "_", 0, 10).all).toBe(0);
  });
});

describe("the data folder", () => {
  it("is made with safe settings, and a new garden is empty", () => {
    expect(db.$client.pragma("journal_mode", { simple: true })).toBe("wal");
    expect(db.$client.pragma("synchronous", { simple: true })).toBe(2);
    expect(db.$client.pragma("foreign_keys", { simple: true })).toBe(1);
    expect(snapshotOf(db).beds).toEqual([]);
    expect(gardenOf(db).name).toBe("My garden");
  });
  it("copies the database before a schema change", () => {
    const old = mkdtempSync(join(tmpdir(), "akmedon-"));
    gardenOfSchema(old, RELEASED[0]!);
    openGarden(old).$client.close();
    expect(readdirSync(join(old, "backups"))[0]).toMatch(/^before-update-\d+\.sqlite$/);
    expect(existsSync(databaseFile(old))).toBe(true);
  });
});

describe("two that write at once", () => {
  it("a change holds the write lock from its first step: the other waits, and nobody is refused half way", () => {
    const other = new Database(databaseFile(dir), { timeout: 0 });
    try {
      change(db, "a bed", AT, (c) => {
        // before anything is written: whoever reads first and writes then would be refused if another wrote meanwhile
        expect(() => other.exec("begin immediate")).toThrow(/locked/);
        c.put("beds", bed);
      });
      other.exec("begin immediate");
      other.exec("rollback");
    } finally {
      other.close();
    }
    expect(findBed(db, bed.id)).not.toBeNull();
  });
});

describe("changes and undo", () => {
  it("takes back and brings again", () => {
    const id = saveBed(db, bed, AT)!;
    expect(undoable(db, id)).toBe("Bed New bed added");
    const undone = undo(db, id, AT);
    expect(findBed(db, "new")).toBeNull();
    expect(undo(db, id, AT)).toMatchObject({ ok: false, message: expect.stringContaining("undone already") });
    if (!undone.ok) throw new Error("not undone");
    expect(undo(db, undone.id, AT)).toMatchObject({ ok: true, label: "Bed New bed added" });
    expect(findBed(db, "new")).toEqual(bed);
  });
  it("refuses to undo what was changed since, and changes nothing then", () => {
    const id = saveBed(db, bed, AT)!;
    saveBed(db, { ...bed, name: "Newer" }, AT);
    expect(undo(db, id, AT)).toMatchObject({ ok: false, message: expect.stringContaining("changed since") });
    expect(findBed(db, "new")?.name).toBe("Newer");
  });
  it("is whole or not at all: a failure in the middle leaves nothing behind", () => {
    const before = revision(db);
    expect(() =>
      change(db, "half", AT, (c) => {
        c.put("beds", bed);
        throw new Error("power cut");
      }),
    ).toThrow("power cut");
    expect(findBed(db, "new")).toBeNull();
    expect(revision(db)).toBe(before);
  });
  it("saving what is there already is no change", () => {
    saveBed(db, bed, AT);
    expect(saveBed(db, bed, AT)).toBeNull();
  });
  it("removes a bed with all that hangs on it, and one undo brings all of it back", () => {
    restoreArchive(db, demo, AT);
    const whole = archiveOf(db);
    const id = removeBed(db, findBed(db, "lower-1")!, AT)!;
    expect(archiveOf(db).plantings.some((p) => p.bedId === "lower-1")).toBe(false);
    expect(archiveOf(db).picks.length).toBeLessThan(whole.picks.length);
    undo(db, id, AT);
    expect(archiveOf(db)).toEqual(whole);
  });
});

describe("the archive", () => {
  it("reads back to the same garden", () => {
    restoreArchive(db, demo, AT);
    expect(sorted(archiveOf(db))).toEqual(sorted(demo));
    const other = openGarden(mkdtempSync(join(tmpdir(), "akmedon-")));
    restoreArchive(other, archiveOf(db), AT);
    expect(archiveOf(other)).toEqual(archiveOf(db));
    expect(archiveOf(db).picks).toHaveLength(demo.picks.length);
  });
});

describe("rounds and picks", () => {
  it("a new plan takes the place of the old one, and can be undone", () => {
    restoreArchive(db, demo, AT);
    const round = (id: string) => ({
      id,
      day: "2026-10-08",
      startsAt: "17:15",
      status: "planned" as const,
      pinned: false,
      note: "",
      lines: [
        {
          id: `${id}-l`,
          roundId: id,
          plantingId: "tom-wall",
          take: "ready" as const,
          expectedG: 500,
          lostG: 100,
          minutes: 8,
          why: "frost",
        },
      ],
    });
    replacePlan(db, [round("a")], null, AT, "Rounds planned");
    const second = replacePlan(db, [round("b")], null, AT, "Rounds planned")!;
    expect(listRounds(db).map((r) => r.id)).toEqual(["b"]);
    undo(db, second, AT);
    expect(listRounds(db).map((r) => [r.id, r.lines.length])).toEqual([["a", 1]]);
  });
  it("the last pick of a crop ends its planting, and undoing it grows on", () => {
    restoreArchive(db, demo, AT);
    const id = savePick(
      db,
      { ...demo.picks[0]!, id: "last", plantingId: "tom-wall", extent: "final", at: AT },
      "Pick logged",
      AT,
    )!;
    expect(snapshotOf(db).plantings.find((p) => p.id === "tom-wall")?.endedOn).toBe("2026-10-06");
    undo(db, id, AT);
    expect(snapshotOf(db).plantings.find((p) => p.id === "tom-wall")?.endedOn).toBeNull();
  });
  it("removing a planting removes its picks", () => {
    restoreArchive(db, demo, AT);
    removePlanting(db, "tom-wall", "red slicer", AT);
    expect(archiveOf(db).picks.some((p) => p.plantingId === "tom-wall")).toBe(false);
  });
});

describe("looks, and picks that close a planting", () => {
  const planting = { ...demo.plantings.find((p) => p.endedOn === null)!, bedId: "new" };
  const pick = { ...demo.picks[0]!, plantingId: planting.id, extent: "final" as const, at: AT, roundId: null };
  const planted = () => snapshotOf(db).plantings.find((p) => p.id === planting.id)!;
  beforeEach(() => {
    saveBed(db, bed, AT);
    change(db, "planted", AT, (c) => c.put("plantings", planting));
  });

  it("of two looks in one minute the last saved comes last, also after one was undone and done again", () => {
    const look = (id: string, value: number) => ({
      ...{ id, plantingId: planting.id, at: AT, by: "", note: "", photos: [], marked: [] },
      readings: [{ cueId: "length", value }],
    });
    // the ids are random in life: the first saved here sorts last
    const first = saveCheck(db, look("zzz-first-look", 95), "Looked")!;
    saveCheck(db, look("aaa-second-look", 55), "Looked");
    const values = () => snapshotOf(db).checks.map((c) => c.readings[0]!.value);
    expect(values()).toEqual([95, 55]);
    const undone = undo(db, first, AT);
    undo(db, undone.ok ? undone.id : "", AT);
    expect(values()).toEqual([95, 55]);
  });

  it("closes with the last pick, and opens again when that pick is removed, changed or undone", () => {
    const id = savePick(db, pick, "Picked", AT)!;
    expect(planted().endedOn).toBe("2026-10-06");
    undo(db, id, AT);
    expect(planted().endedOn).toBeNull();
    savePick(db, pick, "Picked", AT);
    savePick(db, { ...pick, extent: "some" }, "Changed", AT);
    expect(planted().endedOn).toBeNull();
    savePick(db, pick, "Picked", AT);
    savePick(db, { ...pick, id: "another" }, "Picked", AT);
    removePick(db, pick.id, "Removed", AT);
    expect(planted().endedOn).toBe("2026-10-06"); // the other one still says so
    removePick(db, "another", "Removed", AT);
    expect(planted().endedOn).toBeNull();
  });

  it("does not close what stands for years", () => {
    savePick(db, pick, "Picked", AT, null, true);
    expect(planted().endedOn).toBeNull();
  });
});

describe("a disk that takes no more", () => {
  it("is said so with status 507, nothing of the change is there, and what was there before still is", async () => {
    saveBed(db, bed, AT);
    // SQLite's own bound on a file's size stands in for the end of the disk
    const pages = db.$client.pragma("page_count", { simple: true }) as number;
    db.$client.pragma(`max_page_count = ${pages}`);
    let said: unknown;
    try {
      for (let n = 0; n < 400; n++)
        change(db, `note ${n}`, AT, (c) => {
          c.put("ticks", { id: `first of ${n}`, at: AT });
          c.put("beds", { ...bed, id: `bed ${n}`, note: "a long note ".repeat(200) });
        });
    } catch (error) {
      said = error;
    }
    expect(said).toBeInstanceOf(Response);
    expect((said as Response).status).toBe(507);
    expect(((await (said as Response).json()) as { message: string }).message).toContain("disk is full");
    const { beds, ticks } = snapshotOf(db);
    // each change is there with both of its rows, or not at all
    expect(ticks.length).toBe(beds.filter((b) => b.id.startsWith("bed ")).length);
    expect(findBed(db, "new")).toMatchObject({ name: "New bed" });
    db.$client.pragma("max_page_count = 1073741823");
    expect(change(db, "room again", AT, (c) => c.put("ticks", { id: "again", at: AT }))).not.toBeNull();
  });
});
