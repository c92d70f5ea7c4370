import { copyFileSync, existsSync, mkdirSync, mkdtempSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { WeatherDay } from "#core/weather/daily";
import type { PickRecord } from "#core/weighing/pick";
import { archiveOf, restoreArchive } from "#db/archive";
import { type Backup, backupFile, bringPhotosBack, listMade, type Made, makeBackup, thinBackups } from "#db/backups";
import { change, isDiskFull } from "#db/change";
import { saveWeather } from "#db/garden";
import { type WayOut, writeGardenTo } from "#db/garden-out";
import { databaseFile, openGarden } from "#db/open";
import { type Archive, readArchive } from "#formats/archive";
import { isZip, readGardenZip } from "#formats/garden-zip";
import { type LocatedError, sayError } from "#formats/located";

export type BackupTask = { dataDir: string } & (
  | { what: "make"; madeAt: string }
  | { what: "out"; way: WayOut; file: string }
  | { what: "read"; name: string }
  | { what: "back"; name: string; at: string; label: string }
  | { what: "archive"; bytes: Uint8Array; at: string; rest: boolean }
  | { what: "picks"; picks: PickRecord[]; at: string; label: string }
  | { what: "weather"; days: WeatherDay[]; at: string; label: string }
);
export type BackupRead = { ok: true; backup: Backup; archive: Archive } | { ok: false; message: string };
/** A garden brought back: the change it is in the journal, and photos that are gone for good. */
export type BroughtBack = { ok: true; journalId: string | null; gone: number } | { ok: false; message: string };
/** A garden written into a file. */
export type WrittenOut = { ok: true; file: string };
export type BackupDone = Made | BackupRead | BroughtBack | WrittenOut;

/**
 * The heavy work of backups and archives, on a connection of its own, so that it can be done in another thread: makes a
 * backup, reads one through a copy, brings one or an archive back as one change that can be undone.
 */
export async function doBackupTask(task: BackupTask): Promise<BackupDone> {
  try {
    switch (task.what) {
      case "make": {
        const made = await makeBackup(task.dataDir, task.madeAt);
        if (made.ok) thinBackups(task.dataDir);
        return made;
      }
      case "out": {
        const db = openGarden(task.dataDir);
        try {
          await writeGardenTo(task.file, task.way, db, task.dataDir);
        } finally {
          db.$client.close();
        }
        return { ok: true, file: task.file };
      }
      case "picks":
        return { ok: true, journalId: putPicks(task.dataDir, task.picks, task.at, task.label), gone: 0 };
      case "weather":
        return { ok: true, journalId: putWeather(task.dataDir, task.days, task.at, task.label), gone: 0 };
      case "archive":
        return await bringArchive(task.dataDir, task.bytes, task.at, task.rest);
      default: {
        const backup = listMade(task.dataDir).find((b) => b.name === task.name);
        if (!backup) return { ok: false, message: "There is no such backup any more." };
        const archive = readCopy(task.dataDir, task.name);
        if (task.what === "read") return { ok: true, backup, archive };
        const journalId = put(task.dataDir, archive, task.at, task.label);
        return { ok: true, journalId, gone: bringPhotosBack(task.dataDir, backup).gone.length };
      }
    }
  } catch (error) {
    return { ok: false, message: sayDisk(error) };
  }
}

/** Reads a backup through a copy: neither it nor the garden is touched. */
function readCopy(dataDir: string, name: string): Archive {
  mkdirSync(join(dataDir, "backups"), { recursive: true });
  const aside = mkdtempSync(join(dataDir, "backups", "looking-"));
  try {
    if (!existsSync(backupFile(dataDir, name))) throw new Error("The file of this backup is gone.");
    copyFileSync(backupFile(dataDir, name), databaseFile(aside));
    const db = openGarden(aside);
    try {
      return archiveOf(db);
    } finally {
      db.$client.close();
    }
  } finally {
    rmSync(aside, { recursive: true, force: true });
  }
}

function put(dataDir: string, archive: Archive, at: string, label?: string): string | null {
  const db = openGarden(dataDir);
  try {
    return restoreArchive(db, archive, at, label);
  } finally {
    db.$client.close();
  }
}

/** Many picks at once, as one change. */
function putPicks(dataDir: string, picks: readonly PickRecord[], at: string, label: string): string | null {
  const db = openGarden(dataDir);
  try {
    return change(db, label, at, (c) => {
      for (const p of picks) c.put("picks", p);
    });
  } finally {
    db.$client.close();
  }
}

/** Years of a station's record, as one change. */
function putWeather(dataDir: string, days: readonly WeatherDay[], at: string, label: string): string | null {
  const db = openGarden(dataDir);
  try {
    return saveWeather(db, days, at, label).journalId;
  } finally {
    db.$client.close();
  }
}

const MOST_SAID = 10;

async function bringArchive(dataDir: string, bytes: Uint8Array, at: string, rest: boolean): Promise<BroughtBack> {
  const faulty = (errors: readonly LocatedError[]): BroughtBack => ({
    ok: false,
    message: `${errors.slice(0, MOST_SAID).map(sayError).join("\n")}\nNothing was changed.`,
  });
  const zip = isZip(bytes) ? await readGardenZip(bytes) : null;
  if (zip && !zip.ok) return faulty(zip.errors);
  const read = readArchive(zip ? zip.value.archive : new TextDecoder().decode(bytes), rest);
  if (!read.ok) return faulty(read.errors);
  if (zip) putPhotos(dataDir, zip.value.photos);
  const label = read.notes.length > 0 ? `Garden brought back; ${read.notes.join(", ")}` : undefined;
  return { ok: true, journalId: put(dataDir, read.value, at, label), gone: 0 };
}

/** Photos that came with an archive go into the garden's folder, where none of that name is there yet. */
function putPhotos(dataDir: string, photos: ReadonlyMap<string, Uint8Array>): void {
  mkdirSync(join(dataDir, "photos"), { recursive: true });
  for (const [name, bytes] of photos) {
    const path = join(dataDir, "photos", name);
    // only what begins as a picture does, and nothing that is there already
    if (bytes[0] !== 0xff || bytes[1] !== 0xd8 || existsSync(path)) continue;
    writeFileSync(`${path}.part`, bytes, { flush: true });
    renameSync(`${path}.part`, path);
  }
}

/** What a disk says when it cannot take any more, in words. */
function sayDisk(error: unknown): string {
  if (error instanceof Response || isDiskFull(error))
    return "The disk is full: nothing was changed. Free some space, then try again.";
  const { code, message } = error as { code?: string; message: string };
  if (code === "EACCES" || code === "EROFS" || code?.startsWith("SQLITE_READONLY"))
    return "The garden’s folder may not be written: nothing was changed. Check who may write it.";
  return message;
}
