import { sayDay, sayNear } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { sayMass } from "#core/units/mass";
import type { Picked } from "#core/weighing/by-planting";
import { netOf } from "#core/weighing/net";
import { type Backup, listMade, machineTime } from "#db/backups";
import type { Wrote } from "#db/others";
import type { Archive } from "#formats/archive";
import { type BackupDone, type BackupRead, type BackupTask, type BroughtBack, doBackupTask } from "./backup-task";
import { dataDir, type GardenNow, handbook, settled } from "./garden-now.server";
import { inThread } from "./in-thread.server";
import { exclusively } from "./turns.server";

/** Tasks that change the garden, one after the other; the rest only look at it or copy it. */
const WRITES: readonly BackupTask["what"][] = ["picks", "weather", "archive", "back"];

/** Heavy work on backups and archives, in a thread of its own where one is built; in development in this one. */
export function inBackupThread(taskIn: (dataDir: string) => BackupTask): Promise<BackupDone> {
  const task = taskIn(dataDir());
  const work = () => inThread<BackupTask, BackupDone>("backup", task, doBackupTask);
  if (!WRITES.includes(task.what)) return work();
  return exclusively(() => settled(work, (done) => wroteOf(task, done)));
}

/** Which rows a task has written, where they came with it. */
function wroteOf(task: BackupTask, done: BackupDone): { journalId: string; rows: Wrote } | null {
  if (!("journalId" in done) || done.journalId === null) return null;
  const { journalId } = done;
  if (task.what === "picks") return { journalId, rows: { table: "picks", keys: task.picks.map((p) => p.id) } };
  if (task.what === "weather") return { journalId, rows: { table: "weatherDays", keys: task.days.map((w) => w.day) } };
  return null;
}

const sayBytes = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;

const lineOf = (b: Backup) => {
  const photos = Object.keys(b.photos).length;
  return {
    name: b.name,
    made: `${sayNear(b.madeAt.slice(0, 10), machineTime().slice(0, 10))}, ${b.madeAt.slice(11, 16)}`,
    size: sayBytes(b.bytes),
    holds: [
      `${b.holds.plantings} plantings`,
      `${b.holds.looks} looks`,
      `${b.holds.picks} picks`,
      ...(photos > 0 ? [`${photos} ${photos === 1 ? "photo" : "photos"}`] : []),
    ].join(", "),
  };
};

/** The backups of this garden, newest first. */
export const backupLines = () => listMade(dataDir()).map(lineOf);

/** Makes one now. */
export const backupNow = (): Promise<BackupDone> =>
  inBackupThread((dataDir) => ({ what: "make", dataDir, madeAt: machineTime() }));

/** How a backup compares with the garden as it is: nothing is changed by looking. */
export async function lookInside(d: GardenNow, name: string) {
  const read = (await inBackupThread((dataDir) => ({ what: "read", dataDir, name }))) as BackupRead;
  if (!read.ok) return read;
  const { backup, archive } = read;
  const { snapshot } = d;
  const count = (then: number, now: number, what: string) => ({ what, then, now });
  return {
    ok: true as const,
    line: lineOf(backup),
    counts: [
      count(archive.beds.length, snapshot.beds.length, "Beds"),
      count(archive.plantings.length, snapshot.plantings.length, "Plantings"),
      count(archive.checks.length, snapshot.checks.length, "Looks"),
      count(archive.picks.length, snapshot.picks.length, "Picks"),
      count(archive.lessons.length, snapshot.lessons.length, "Lessons"),
      count(archive.weather.length, snapshot.weather.length, "Days of weather"),
    ],
    goes: differing(d, snapshot, archive),
    comes: differing(d, archive, snapshot),
  };
}

type Logged = Pick<Archive, "plantings"> & Picked;
const MOST_SHOWN = 12;

/** Picks that one garden has and the other has not, or has otherwise, the latest first. */
function differing(d: GardenNow, has: Logged, lacks: Logged): { lines: string[]; more: number } {
  const known = new Map(lacks.picks.map((p) => [p.id, JSON.stringify(p)]));
  const plantings = new Map(has.plantings.map((p) => [p.id, p]));
  const found = has.picks.filter((p) => known.get(p.id) !== JSON.stringify(p)).sort((a, b) => (a.at < b.at ? 1 : -1));
  return {
    lines: found.slice(0, MOST_SHOWN).map((p) => {
      const planting = plantings.get(p.plantingId);
      const crop = planting ? handbook().find(planting.cropId) : null;
      const massG = crop ? netOf(p, crop.topsShare, crop.yield.pieceG).netG : (p.grossG ?? 0);
      return `${sayDay(p.at.slice(0, 10))}: ${planting ? plantingName(planting, crop) : "a planting"}, ${sayMass(massG, d.snapshot.garden.units)}`;
    }),
    more: Math.max(0, found.length - MOST_SHOWN),
  };
}

/** Puts a backup in the garden's place as one change that can be undone; its photos come back where they are missing. */
export async function bringBack(d: GardenNow, name: string): Promise<BroughtBack> {
  const made = backupLines().find((b) => b.name === name)?.made ?? name;
  const label = `Backup of ${made} brought back`;
  return (await inBackupThread((dataDir) => ({ what: "back", dataDir, name, at: d.now, label }))) as BroughtBack;
}
