import { mkdtempSync, readdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeEach, describe, expect, it } from "vitest";
import { archiveOf, restoreArchive } from "#db/archive";
import { undo } from "#db/change";
import { snapshotOf } from "#db/garden";
import { type Db, openGarden } from "#db/open";
import { writeArchive } from "#formats/archive";
import { gardenZipPieces } from "#formats/garden-zip";
import { demoGarden } from "#standins/demo-garden";
import { doBackupTask } from "./backup-task";

const AT = "2026-10-06T15:30";
const demo = demoGarden();
let dataDir: string;
let db: Db;
beforeEach(() => {
  dataDir = mkdtempSync(join(tmpdir(), "akmedon-task-"));
  db = openGarden(dataDir);
  restoreArchive(db, demo, AT);
});
const picks = () => snapshotOf(db).picks.length;

describe("heavy work on another connection, while the garden's own stays open", () => {
  it("many picks come in as one change, are seen at once, and are taken back by one undo", async () => {
    const before = picks();
    const many = Array.from({ length: 700 }, (_, n) => ({ ...demo.picks[0]!, id: `many-${n}`, roundId: null }));
    const put = await doBackupTask({ what: "picks", dataDir, picks: many, at: AT, label: "many" });
    expect(put).toMatchObject({ ok: true });
    expect(picks()).toBe(before + 700);
    expect(undo(db, "journalId" in put ? put.journalId! : "", AT)).toMatchObject({ ok: true });
    expect(picks()).toBe(before);
  });
  it("a backup is looked into without a trace, brought back, and that undone", async () => {
    expect(await doBackupTask({ what: "make", dataDir, madeAt: "2026-11-29T08:00:00" })).toMatchObject({ ok: true });
    const name = "garden-2026-11-29-080000";
    restoreArchive(db, { ...demo, picks: [], lotEvents: [] }, AT);
    const read = await doBackupTask({ what: "read", dataDir, name });
    expect("archive" in read && read.archive.picks.length).toBe(demo.picks.length);
    expect([picks(), readdirSync(join(dataDir, "backups")).filter((f) => f.startsWith("looking"))]).toEqual([0, []]);
    const back = await doBackupTask({ what: "back", dataDir, name, at: AT, label: "brought back" });
    expect(picks()).toBe(demo.picks.length);
    expect(undo(db, "journalId" in back ? back.journalId! : "", AT)).toMatchObject({ ok: true });
    expect(picks()).toBe(0);
    expect(await doBackupTask({ what: "back", dataDir, name: "gone", at: AT, label: "" })).toMatchObject({ ok: false });
  });
  it("an archive with photos takes the garden's place; one that is none changes nothing and says so", async () => {
    const lean = writeArchive({ ...archiveOf(db), picks: [], lotEvents: [] });
    const photo = new Uint8Array([0xff, 0xd8, 7, 7, 0xff, 0xd9]);
    const script = new Uint8Array([0x23, 0x21]);
    const pieces: Uint8Array[] = [];
    for await (const p of gardenZipPieces(lean, ["look.jpg", "bad.jpg"], (n) => (n === "look.jpg" ? photo : script)))
      pieces.push(p);
    const bytes = Uint8Array.from(Buffer.concat(pieces));
    expect(await doBackupTask({ what: "archive", rest: false, dataDir, bytes, at: AT })).toMatchObject({ ok: true });
    expect([picks(), readdirSync(join(dataDir, "photos"))]).toEqual([0, ["look.jpg"]]);
    for (const wrong of ["{}", "dear diary", "PK\u0003\u0004 half"]) {
      const refused = await doBackupTask({
        what: "archive",
        rest: false,
        dataDir,
        bytes: new TextEncoder().encode(wrong),
        at: AT,
      });
      expect(refused).toMatchObject({ ok: false, message: expect.stringContaining("Nothing was changed.") });
    }
  });
  it("an archive that lacks what a pick belongs to names it, and brings the rest when that is asked for", async () => {
    const whole = archiveOf(db);
    const lame = { ...whole, plantings: whole.plantings.filter((p) => p.id !== "tom-wall") };
    const bytes = new TextEncoder().encode(writeArchive(lame));
    const task = { what: "archive" as const, dataDir, bytes, at: AT };
    expect(await doBackupTask({ ...task, rest: false })).toMatchObject({
      ok: false,
      message: expect.stringContaining("there is no planting “tom-wall”"),
    });
    const before = picks();
    expect(await doBackupTask({ ...task, rest: true })).toMatchObject({ ok: true });
    const kept = archiveOf(db);
    expect(kept.plantings.length).toBe(whole.plantings.length - 1);
    expect(kept.picks.some((p) => p.plantingId === "tom-wall")).toBe(false);
    expect(picks()).toBe(before - whole.picks.filter((p) => p.plantingId === "tom-wall").length);
  });
});
