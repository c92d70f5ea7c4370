import { copyFileSync, existsSync, mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { join } from "node:path";
import { archiveOf } from "#db/archive";
import { type Backup, backupFile, listMade, type Made, makeBackup, thinBackups } from "#db/backups";
import { databaseFile, openGarden } from "#db/open";
import type { Archive } from "#formats/archive";

export type BackupTask = { dataDir: string } & ({ what: "make"; madeAt: string } | { what: "read"; name: string });
export type BackupRead = { ok: true; backup: Backup; archive: Archive } | { ok: false; message: string };
export type BackupDone = Made | BackupRead;

/** Makes a backup, or reads one through a copy of its own: neither the backup nor the garden is touched. */
export async function doBackupTask(task: BackupTask): Promise<BackupDone> {
  try {
    if (task.what === "make") {
      const made = await makeBackup(task.dataDir, task.madeAt);
      if (made.ok) thinBackups(task.dataDir);
      return made;
    }
    const backup = listMade(task.dataDir).find((b) => b.name === task.name);
    if (!backup) return { ok: false, message: "There is no such backup any more." };
    return { ok: true, backup, archive: readCopy(task.dataDir, task.name) };
  } catch (error) {
    return { ok: false, message: sayDisk(error) };
  }
}

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

/** What a disk says when it cannot take any more, in words. */
function sayDisk(error: unknown): string {
  const { code, message } = error as { code?: string; message: string };
  if (code === "ENOSPC" || code === "SQLITE_FULL")
    return "The disk is full: no backup was made. Free some space, then make one.";
  if (code === "EACCES" || code === "EROFS" || code?.startsWith("SQLITE_READONLY"))
    return "The garden’s folder may not be written: no backup was made. Check who may write it.";
  return message;
}
