import { createHash } from "node:crypto";
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { z } from "zod";
import { type Day, daysBetween } from "#core/calendar/day";
import { PHOTO_NAME } from "#core/garden/photos";
import { weekOf } from "#core/weighing/pick-log";
import { type GardenFile, inspectGarden } from "./garden-file";
import { thinJournal } from "./journal-thin";
import { databaseFile } from "./open";
import { sweepPhotos } from "./photo-sweep";

/**
 * Backups that make themselves: a copy of the garden a day while something changed, checked after writing, with the
 * photos of its looks kept once each by what they show. A copy is `garden-DAY-TIME.sqlite` with a `.json` beside it that says
 * what it holds; a copy without one was cut short and counts for nothing.
 */
const sheetSchema = z.object({
  name: z.string(),
  madeAt: z.string(),
  bytes: z.number(),
  /** the last change in it: nothing newer, nothing to copy */
  change: z.number(),
  holds: z.object({
    beds: z.number(),
    plantings: z.number(),
    picks: z.number(),
    looks: z.number(),
    lastEntry: z.string(),
  }),
  /** photo files by name, and the hash each is kept under */
  photos: z.record(z.string(), z.string()),
});
export type Backup = z.infer<typeof sheetSchema> & { holds: GardenFile };

const folderOf = (dataDir: string): string => join(dataDir, "backups");
const photosOf = (dataDir: string): string => join(folderOf(dataDir), "photos");
/** The file of a backup. */
export const backupFile = (dataDir: string, name: string): string => join(folderOf(dataDir), `${name}.sqlite`);
const sheetFile = (dataDir: string, name: string): string => join(folderOf(dataDir), `${name}.json`);
const NAME = /^garden-\d{4}-\d{2}-\d{2}-\d{6}$/;

/** The machine's own local time to the second: backups belong to the machine, not to a demo's standing clock. */
export const machineTime = (): string => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 19);
};

/** The backups of a folder that made themselves, or were asked for, newest first; one that cannot be read is left out. */
export function listMade(dataDir: string): Backup[] {
  if (!existsSync(folderOf(dataDir))) return [];
  return readdirSync(folderOf(dataDir))
    .filter((file) => file.endsWith(".json") && NAME.test(file.slice(0, -5)))
    .flatMap((file): Backup[] => {
      try {
        const sheet = sheetSchema.parse(JSON.parse(readFileSync(join(folderOf(dataDir), file), "utf8")));
        return existsSync(backupFile(dataDir, sheet.name)) ? [sheet] : [];
      } catch {
        return [];
      }
    })
    .sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
}

/** The number of the last change in a garden's file. */
const lastChange = (client: Database.Database): number =>
  (client.prepare("select coalesce(max(seq), 0) as n from journal").get() as { n: number }).n;

/** Whether anything was changed since the newest backup. */
export function changedSince(dataDir: string): boolean {
  const client = new Database(databaseFile(dataDir), { readonly: true, fileMustExist: true });
  try {
    return lastChange(client) !== (listMade(dataDir)[0]?.change ?? -1);
  } finally {
    client.close();
  }
}

export type Made = { ok: true; backup: Backup } | { ok: false; message: string };

/**
 * Copies the garden while others write in it (SQLite's online backup), looks the copy over, and keeps its photos.
 * Nothing is named a backup before all of it is there and sound.
 * @param madeAt local time to the second, 2026-11-29T15:30:00
 */
export async function makeBackup(dataDir: string, madeAt: string): Promise<Made> {
  const name = `garden-${madeAt.slice(0, 10)}-${madeAt.slice(11, 19).replaceAll(":", "")}`;
  mkdirSync(photosOf(dataDir), { recursive: true, mode: 0o700 });
  const part = join(folderOf(dataDir), `${name}.part`);
  rmSync(part, { force: true });
  const source = new Database(databaseFile(dataDir), { readonly: true, fileMustExist: true });
  try {
    await source.backup(part);
  } finally {
    source.close();
  }
  try {
    // a copy keeps the write-ahead mode of its garden; alone in its folder it is one plain file
    const copy = new Database(part);
    copy.pragma("journal_mode = DELETE");
    const change = lastChange(copy);
    copy.close();
    const checked = inspectGarden(part);
    if (!checked.ok) return { ok: false, message: `The backup cannot be trusted: ${checked.message}` };
    const photos = keepPhotos(dataDir);
    const file = backupFile(dataDir, name);
    // of two in one second the later stands, and no sheet speaks of a copy that is not there any more
    rmSync(sheetFile(dataDir, name), { force: true });
    chmodSync(part, 0o600);
    renameSync(part, file);
    const backup: Backup = { name, madeAt, bytes: statSync(file).size, change, holds: checked.holds, photos };
    whole(sheetFile(dataDir, name), JSON.stringify(backup));
    return { ok: true, backup };
  } finally {
    rmSync(part, { force: true });
  }
}

/** Writes a file so that it is there whole or not at all. */
function whole(file: string, text: string | Buffer): void {
  writeFileSync(`${file}.part`, text, { mode: 0o600, flush: true });
  renameSync(`${file}.part`, file);
}

/** Keeps every photo of the garden once, under the hash of what it shows. @returns hash by file name */
function keepPhotos(dataDir: string): Record<string, string> {
  const from = join(dataDir, "photos");
  if (!existsSync(from)) return {};
  const kept: Record<string, string> = {};
  for (const name of readdirSync(from).filter((file) => PHOTO_NAME.test(file))) {
    const bytes = readFileSync(join(from, name));
    const hash = createHash("sha256").update(bytes).digest("hex");
    const to = join(photosOf(dataDir), `${hash}.jpg`);
    if (!existsSync(to)) whole(to, bytes);
    kept[name] = hash;
  }
  return kept;
}

/** Puts the photos of a backup back where they are missing. @returns how many, and which are gone from the backup too */
export function bringPhotosBack(dataDir: string, backup: Pick<Backup, "photos">): { back: number; gone: string[] } {
  const gone: string[] = [];
  let back = 0;
  mkdirSync(join(dataDir, "photos"), { recursive: true, mode: 0o700 });
  for (const [name, hash] of Object.entries(backup.photos)) {
    const to = join(dataDir, "photos", name);
    if (!PHOTO_NAME.test(name) || existsSync(to)) continue;
    const from = join(photosOf(dataDir), `${hash}.jpg`);
    if (!/^[0-9a-f]{64}$/.test(hash) || !existsSync(from)) gone.push(name);
    else {
      copyFileSync(from, `${to}.part`);
      renameSync(`${to}.part`, to);
      back += 1;
    }
  }
  return { back, gone };
}

const KEEP = { days: 7, weeks: 4, months: 12 } as const;

/**
 * Which backups stay: of the last seven days that have one, of the last four weeks, of the last twelve months, the
 * newest of each.
 * @param made times of making, newest first
 */
export function staying(made: readonly string[]): Set<string> {
  const kept = new Set<string>();
  const newestOf = (most: number, spanOf: (day: Day) => string) => {
    const spans = new Set<string>();
    for (const at of made) {
      const span = spanOf(at.slice(0, 10));
      if (spans.has(span)) continue;
      if (spans.size === most) return;
      spans.add(span);
      kept.add(at);
    }
  };
  newestOf(KEEP.days, (day) => day);
  newestOf(KEEP.weeks, weekOf);
  newestOf(KEEP.months, (day) => day.slice(0, 7));
  return kept;
}

/** Removes the backups that need not stay, and photos that none of the others holds. @returns how many went */
export function thinBackups(dataDir: string): number {
  const all = listMade(dataDir);
  const kept = staying(all.map((b) => b.madeAt));
  const going = all.filter((b) => !kept.has(b.madeAt));
  for (const { name } of going) {
    // the sheet first: a copy without one counts for nothing
    rmSync(sheetFile(dataDir, name), { force: true });
    rmSync(backupFile(dataDir, name), { force: true });
  }
  const held = new Set(listMade(dataDir).flatMap((b) => Object.values(b.photos)));
  if (existsSync(photosOf(dataDir)))
    for (const file of readdirSync(photosOf(dataDir)))
      if (!held.has(file.replace(/\.jpg(\.part)?$/, ""))) rmSync(join(photosOf(dataDir), file), { force: true });
  return going.length;
}

/**
 * The backup of a day: made when something changed since the newest one and today has none yet, then the old ones are
 * thinned. @returns null where there was nothing to do
 */
export async function dailyBackup(dataDir: string, madeAt: string): Promise<Made | null> {
  const newest = listMade(dataDir)[0];
  if (newest && daysBetween(newest.madeAt.slice(0, 10), madeAt.slice(0, 10)) < 1) return null;
  if (newest && !changedSince(dataDir)) return null;
  const made = await makeBackup(dataDir, madeAt);
  if (made.ok) {
    // the backup just made holds what the sweep takes away
    sweepPhotos(dataDir, Date.now());
    thinBackups(dataDir);
    thinJournal(dataDir, madeAt.slice(0, 10));
  }
  return made;
}
