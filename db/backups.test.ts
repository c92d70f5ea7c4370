import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeEach, describe, expect, it } from "vitest";
import { addDays } from "#core/calendar/day";
import { demoGarden } from "#standins/demo-garden";
import { archiveOf, restoreArchive } from "./archive";
import {
  backupFile,
  bringPhotosBack,
  changedSince,
  dailyBackup,
  listMade,
  makeBackup,
  staying,
  thinBackups,
} from "./backups";
import { change, listChanges, undo } from "./change";
import { gardenOfSchema, RELEASED } from "./fixtures";
import { restoreGarden } from "./garden-file";
import { openGarden } from "./open";
import { sweepPhotos } from "./photo-sweep";

const AT = "2026-10-06T15:30";
const demo = demoGarden();
let dir: string;
beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), "akmedon-backup-"));
});
const grown = () => {
  const db = openGarden(dir);
  restoreArchive(db, demo, AT);
  return db;
};
const photo = (name: string, shows: string) => {
  mkdirSync(join(dir, "photos"), { recursive: true });
  writeFileSync(join(dir, "photos", name), shows);
};
const tick = (id: string) => {
  const db = openGarden(dir);
  change(db, `tick ${id}`, AT, (c) => c.put("ticks", { id, at: AT }));
  db.$client.close();
};
const kept = () => readdirSync(join(dir, "backups", "photos")).length;

describe("a backup", () => {
  it("is made while the garden is open and being written to, says what it holds, and is sound", async () => {
    const db = grown();
    const making = makeBackup(dir, "2026-11-29T15:30:00");
    change(db, "meanwhile", AT, (c) => c.put("ticks", { id: "meanwhile", at: AT }));
    const made = await making;
    expect(made).toMatchObject({ ok: true, backup: { holds: { beds: demo.beds.length, picks: demo.picks.length } } });
    expect(listMade(dir).map((b) => b.name)).toEqual(["garden-2026-11-29-153000"]);
    db.$client.close();
  });
  it("is made once a day, and only where something changed", async () => {
    grown().$client.close();
    expect((await dailyBackup(dir, "2026-11-01T08:00:00"))?.ok).toBe(true);
    expect(changedSince(dir)).toBe(false);
    tick("a");
    expect(await dailyBackup(dir, "2026-11-01T20:00:00")).toBeNull();
    expect((await dailyBackup(dir, "2026-11-02T08:00:00"))?.ok).toBe(true);
    expect(await dailyBackup(dir, "2026-11-03T08:00:00")).toBeNull();
    expect(listMade(dir).length).toBe(2);
  });
  it("that was cut short in the making counts for nothing", async () => {
    grown().$client.close();
    await makeBackup(dir, "2026-11-01T08:00:00");
    const [made] = listMade(dir);
    rmSync(join(dir, "backups", `${made!.name}.json`));
    writeFileSync(join(dir, "backups", "garden-2026-11-02-080000.part"), "half of it");
    writeFileSync(join(dir, "backups", "garden-2026-11-03-080000.json"), "{ half of");
    expect(listMade(dir)).toEqual([]);
  });
});

describe("which backups stay", () => {
  it("of a year of days: seven days, four weeks, twelve months, and nothing else", () => {
    const days = Array.from({ length: 420 }, (_, k) => `${addDays("2026-11-29", -k)}T06:00:00`);
    // as they come: one more each day, thinned each day
    let all: string[] = [];
    for (const day of [...days].reverse()) {
      all = [day, ...all];
      const stay = staying(all);
      all = all.filter((d) => stay.has(d));
    }
    expect(all.length).toBeLessThanOrEqual(7 + 4 + 12);
    for (let k = 0; k < 7; k++) expect(all).toContain(days[k]);
    // in each of the last twelve months there is one to go back to
    const months = new Set(all.map((d) => d.slice(0, 7)));
    expect(months.size).toBeGreaterThanOrEqual(12);
    expect(all.filter((d) => d >= `${addDays("2026-11-29", -27)}`).length).toBeGreaterThanOrEqual(9);
  });
  it("the only one always stays", () => {
    expect(staying(["2020-01-01T06:00:00"]).size).toBe(1);
    expect(staying([]).size).toBe(0);
  });
});

describe("photos", () => {
  it("are kept once by what they show, and go with the last backup that holds them", async () => {
    grown().$client.close();
    photo("a.jpg", "squash");
    photo("b.jpg", "squash");
    photo("c.jpg", "beans");
    await makeBackup(dir, "2024-01-01T08:00:00");
    expect(kept()).toBe(2);
    rmSync(join(dir, "photos", "c.jpg"));
    for (let k = 0; k < 30; k++) {
      tick(`t${k}`);
      await makeBackup(dir, `${addDays("2025-01-01", k * 31)}T08:00:00`);
    }
    thinBackups(dir);
    expect(listMade(dir).some((b) => b.madeAt.startsWith("2024"))).toBe(false);
    expect(kept()).toBe(1);
    // and it is the one that is still held, not the one that is not
    rmSync(join(dir, "photos"), { recursive: true });
    expect(bringPhotosBack(dir, listMade(dir)[0]!)).toEqual({ back: 2, gone: [] });
  });
  it("come back where they are missing, and those that are gone are named", async () => {
    grown().$client.close();
    photo("a.jpg", "squash");
    photo("b.jpg", "beans");
    const made = await makeBackup(dir, "2026-11-01T08:00:00");
    if (!made.ok) throw new Error(made.message);
    rmSync(join(dir, "photos"), { recursive: true });
    rmSync(join(dir, "backups", "photos", `${made.backup.photos["b.jpg"]}.jpg`));
    expect(bringPhotosBack(dir, made.backup)).toEqual({ back: 1, gone: ["b.jpg"] });
    expect(readFileSync(join(dir, "photos", "a.jpg"), "utf8")).toBe("squash");
    // a sheet that somebody wrote by hand leads nowhere else
    expect(bringPhotosBack(dir, { photos: { "../x.jpg": "../../etc" } }).back).toBe(0);
  });
});

describe("the restore drill: everything is lost, and the newest backup is all there is", () => {
  it("brings back the same garden, its journal to undo by, and its photos", async () => {
    const db = grown();
    const last = change(db, "bed swept", AT, (c) => c.put("ticks", { id: "swept", at: AT }));
    const before = archiveOf(db);
    const trail = listChanges(db, "", 0, 50);
    db.$client.close();
    photo("look.jpg", "squash");
    const made = await makeBackup(dir, "2026-11-01T08:00:00");
    if (!made.ok) throw new Error(made.message);
    for (const file of readdirSync(dir)) if (file !== "backups") rmSync(join(dir, file), { recursive: true });
    expect(restoreGarden(dir, backupFile(dir, made.backup.name), "drill")).toMatchObject({ ok: true });
    bringPhotosBack(dir, made.backup);
    const again = openGarden(dir);
    expect(archiveOf(again)).toEqual(before);
    expect(listChanges(again, "", 0, 50)).toEqual(trail);
    expect(undo(again, last!, AT)).toMatchObject({ ok: true });
    expect(archiveOf(again).ticks.some((t) => t.id === "swept")).toBe(false);
    again.$client.close();
    expect(existsSync(join(dir, "photos", "look.jpg"))).toBe(true);
  });
  it.each([...RELEASED])("of a garden as %s left it", async (tag) => {
    const old = mkdtempSync(join(tmpdir(), "akmedon-old-"));
    gardenOfSchema(old, tag);
    const restored = restoreGarden(dir, join(old, "garden.sqlite"), "drill");
    expect(restored).toMatchObject({ ok: true });
    const made = await makeBackup(dir, "2026-11-01T08:00:00");
    if (!made.ok) throw new Error(made.message);
    expect(made.backup.holds.beds).toBe(1);
    rmSync(join(dir, "garden.sqlite"));
    expect(restoreGarden(dir, backupFile(dir, made.backup.name), "again")).toMatchObject({ ok: true });
  });
  it("refuses a backup that was cut short afterwards, and the garden stays", async () => {
    grown().$client.close();
    const made = await makeBackup(dir, "2026-11-01T08:00:00");
    if (!made.ok) throw new Error(made.message);
    truncateSync(backupFile(dir, made.backup.name), 50_000);
    expect(restoreGarden(dir, backupFile(dir, made.backup.name), "drill")).toMatchObject({ ok: false });
    const db = openGarden(dir);
    expect(archiveOf(db).picks.length).toBe(demo.picks.length);
    db.$client.close();
  });
});

describe("photos that nothing points to", () => {
  const monthsAgo = (name: string) =>
    utimesSync(join(dir, "photos", name), new Date("2026-01-01"), new Date("2026-01-01"));
  const there = () => readdirSync(join(dir, "photos")).sort();
  it("go with the daily backup once they are a month old, and come back with it", async () => {
    const db = grown();
    const [look, pick] = [demo.checks[0]!, demo.picks[0]!];
    change(db, "photos", AT, (c) => {
      c.put("checks", { ...look, photos: ["of-look.jpg"] });
      c.put("picks", { ...pick, photos: ["of-pick.jpg"] });
    });
    change(db, "taken out", AT, (c) => c.put("checks", { ...demo.checks[1]!, photos: ["undone.jpg"] }));
    change(db, "and back", AT, (c) => c.put("checks", demo.checks[1]!));
    db.$client.close();
    for (const name of ["of-look", "of-pick", "undone", "loose", "fresh"]) photo(`${name}.jpg`, name);
    for (const name of ["of-look", "of-pick", "undone", "loose"]) monthsAgo(`${name}.jpg`);
    const made = await dailyBackup(dir, "2026-11-01T08:00:00");
    // what undo could bring back, and what was only just sent, stays
    expect(there()).toEqual(["fresh.jpg", "of-look.jpg", "of-pick.jpg", "undone.jpg"]);
    expect(made?.ok && bringPhotosBack(dir, made.backup).back).toBe(1);
    expect(there()).toContain("loose.jpg");
  });
  it("of a garden without any nothing is looked for", () => {
    expect(sweepPhotos(dir, Date.now())).toEqual([]);
  });
});
