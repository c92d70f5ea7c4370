import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeEach, describe, expect, it } from "vitest";
import { TABLE_NAMES } from "#formats/tables";
import { demoGarden } from "#standins/demo-garden";
import { restoreArchive } from "./archive";
import { rows } from "./cached";
import { change, listChanges, SQL_TABLES, undo, undoable } from "./change";
import { gardenOf, saveGarden, snapshotOf } from "./garden";
import { thinJournal } from "./journal-thin";
import { type Db, openGarden } from "./open";

const AT = "2026-10-06T15:30";
const demo = demoGarden();
let dir: string;
let db: Db;
beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), "akmedon-others-"));
  db = openGarden(dir);
  restoreArchive(db, demo, AT);
});
/** Does something by a connection of its own, as a thread does. */
function elsewhere<T>(work: (other: Db) => T): T {
  const other = openGarden(dir);
  try {
    return work(other);
  } finally {
    other.$client.close();
  }
}
const day = (n: number) => ({ ...demo.weather[0]!, day: `2010-01-${String(1 + n).padStart(2, "0")}` });

describe("what another connection has written", () => {
  it("is read, and nothing else is read again", () => {
    const before = snapshotOf(db);
    elsewhere((other) => change(other, "a day", AT, (c) => c.put("weatherDays", day(0))));
    const after = snapshotOf(db);
    expect(after.weather.length).toBe(before.weather.length + 1);
    expect(after.picks).toBe(before.picks);
    expect(after.checks).toBe(before.checks);
  });
  it("is read whole where it is much, still without the other tables", () => {
    const before = snapshotOf(db);
    const many = Array.from({ length: 900 }, (_, n) => ({ ...demo.picks[0]!, id: `much-${n}`, roundId: null }));
    elsewhere((other) =>
      change(other, "a table", AT, (c) => {
        for (const p of many) c.put("picks", p);
      }),
    );
    const after = snapshotOf(db);
    expect(after.picks.length).toBe(before.picks.length + 900);
    expect(after.weather).toBe(before.weather);
  });
  it("is not missed for a change of its own that failed and whose number it took", () => {
    snapshotOf(db);
    expect(() =>
      change(db, "half", AT, (c) => {
        c.put("weatherDays", day(1));
        throw new Error("the power went");
      }),
    ).toThrow();
    elsewhere((other) => change(other, "a day", AT, (c) => c.put("weatherDays", day(2))));
    change(db, "own", AT, (c) => c.put("weatherDays", day(3)));
    elsewhere((other) => change(other, "another", AT, (c) => c.put("weatherDays", day(4))));
    const days = snapshotOf(db).weather.map((w) => w.day);
    expect(days.filter((d) => d.startsWith("2010"))).toEqual(["2010-01-03", "2010-01-04", "2010-01-05"]);
  });
  it("is read in every table where its entry does not name them, as older versions wrote it, or where there is none", () => {
    const before = snapshotOf(db);
    elsewhere((other) => {
      change(other, "a day", AT, (c) => c.put("weatherDays", day(5)));
      other.$client.exec("update journal set tables = null where label = 'a day'");
    });
    const after = snapshotOf(db);
    expect(after.weather.length).toBe(before.weather.length + 1);
    expect(after.picks).not.toBe(before.picks);
    elsewhere((other) => other.$client.exec("update picks set gross_g = 4321"));
    expect(snapshotOf(db).picks.every((p) => p.grossG === 4321)).toBe(true);
  });
});

describe("rows read as they lie in the file", () => {
  it.each(TABLE_NAMES)("%s: just as Drizzle gives them", (name) => {
    const byKey = (a: object, b: object) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1);
    const plain = db.select().from(SQL_TABLES[name]).all() as object[];
    expect([...(rows(name)(db) as object[])].sort(byKey)).toEqual(plain.sort(byKey));
  });
  it("to the last digit of a number, the last sign of a text and the last of many thousand rows", () => {
    const texts = ['"', "\\", "\n\t\r", "\u2028", "🍅 ½ °F", "null", "[]", '{"a":1}', "’", ""];
    const masses = [0.1 + 0.2, 1 / 3, 2 / 3, 453.59237 / 7, 1e-7, 123456789.1234567, 5, 1e21, Number.MIN_VALUE, null];
    const one = demo.picks[0]!;
    const many = Array.from({ length: 9000 }, (_, k) => ({
      ...one,
      ...{ id: `many-${k}`, note: texts[k % 10]!, entered: texts[(k + 3) % 10]!, grossG: masses[k % 10]! },
      ...{ minutes: masses[(k + 1) % 10]!, topsOn: k % 2 === 0, photos: k % 3 === 0 ? [] : [texts[k % 10]!] },
    }));
    const written = change(db, "many", AT, (c) => {
      for (const row of many) c.put("picks", row);
    });
    const read = new Map(rows("picks")(db).map((row) => [row.id, row]));
    expect(many.map((row) => read.get(row.id))).toEqual(many);
    undo(db, written!, AT);
    expect(rows("picks")(db).some((row) => row.id.startsWith("many-"))).toBe(false);
  });
});

describe("a journal of many years", () => {
  const label = "a look of long ago";
  const OLD = "2023-05-01T08:00";
  const old = () => change(db, label, OLD, (c) => c.put("weatherDays", day(6)))!;
  it("keeps that something was done, and lets go of what stood before when its years are over", () => {
    const id = old();
    const young = change(db, "last year", "2025-10-06T08:00", (c) => c.put("weatherDays", day(7)))!;
    expect(thinJournal(dir, "2026-04-30")).toBe(0);
    expect(thinJournal(dir, "2026-05-03")).toBe(1);
    expect(thinJournal(dir, "2026-05-03")).toBe(0);
    const [entry] = listChanges(db, label, 0, 1).rows;
    expect(entry).toMatchObject({ id, at: OLD, entries: [], thinned: true });
    expect(undoable(db, id)).toBeNull();
    expect(undo(db, id, AT)).toEqual({ ok: false, message: `“${label}” is too long ago to be undone.` });
    expect(undo(db, young, AT)).toMatchObject({ ok: true });
    expect(snapshotOf(db).weather.some((w) => w.day === day(6).day)).toBe(true);
  });
  it("is kept whole where the garden says for ever, and for as long as it says", () => {
    old();
    saveGarden(db, { ...gardenOf(db), undoYears: 0 });
    expect(thinJournal(dir, "2060-01-01")).toBe(0);
    saveGarden(db, { ...gardenOf(db), undoYears: 10 });
    expect(thinJournal(dir, "2033-04-29")).toBe(0);
    expect(thinJournal(dir, "2033-05-03")).toBe(1);
  });
  it("of thousands of changes is thinned to the last", () => {
    const insert = db.$client.prepare(
      "insert into journal (id, at, label, entries, tables) values (?, ?, 'old', '[]', '[]')",
    );
    for (let n = 0; n < 1203; n++) insert.run(`old-${n}`, OLD);
    expect(thinJournal(dir, "2026-11-30")).toBe(1203);
  });
});
