import {
  chmodSync,
  copyFileSync,
  existsSync,
  linkSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from "node:fs";
import { basename, join } from "node:path";
import Database from "better-sqlite3";
import { APPLICATION_ID, databaseFile, openGarden, schemaAge } from "./open";

/** What a garden's file holds, in figures a gardener knows again. */
export type GardenFile = { beds: number; plantings: number; picks: number; looks: number; lastEntry: string };
export type Inspected = { ok: true; holds: GardenFile } | { ok: false; message: string };

/** What must be there for a file to be a garden, from the first schema on. */
const OURS = ["garden", "beds", "plantings", "picks", "checks", "journal", "__drizzle_migrations"];

/**
 * Looks into a file that should be a garden, without changing it: that it is there, whole, ours, and not of a newer
 * Akmedon. The file must have no other writer; a write-ahead log beside it is not read.
 */
export function inspectGarden(file: string): Inspected {
  const no = (message: string): Inspected => ({ ok: false, message: `${basename(file)} ${message}` });
  if (!existsSync(file)) return no("does not exist");
  const { size } = statSync(file);
  if (!statSync(file).isFile()) return no("is not a file");
  if (size === 0) return no("is empty: nothing was ever written into it, or the copying was broken off");
  let client: Database.Database;
  try {
    client = new Database(file, { readonly: true, fileMustExist: true });
  } catch (error) {
    return no(unreadable(error));
  }
  try {
    const pages = client.pragma("page_count", { simple: true }) as number;
    const pageSize = client.pragma("page_size", { simple: true }) as number;
    if (pages * pageSize > size)
      return no(`is cut short: it should have ${pages * pageSize} bytes and has ${size}. ${readableRows(client)}`);
    const faults = client.pragma("integrity_check(3)") as { integrity_check: string }[];
    if (faults[0]?.integrity_check !== "ok") return no(`is damaged inside. ${readableRows(client)}`);
    const tables = new Set(
      (client.prepare("select name from sqlite_master where type = 'table'").all() as { name: string }[]).map(
        (t) => t.name,
      ),
    );
    const id = client.pragma("application_id", { simple: true }) as number;
    if ((id !== 0 && id !== APPLICATION_ID) || OURS.some((t) => !tables.has(t)))
      return no("is a database of another program, not a garden of Akmedon");
    const age = schemaAge(client);
    if (age.newer > 0)
      return no("was written by a newer Akmedon. Bring this one up to date first; nothing was changed");
    return { ok: true, holds: figuresOf(client) };
  } catch (error) {
    return no(`${unreadable(error)} ${readableRows(client)}`.trim());
  } finally {
    client.close();
  }
}

const unreadable = (error: unknown): string => {
  const code = (error as { code?: string }).code ?? "";
  if (code === "SQLITE_NOTADB") return "is not a garden file: it is no SQLite database.";
  if (code.startsWith("SQLITE_CANTOPEN") || code === "EACCES") return "cannot be opened: check who may read it.";
  if (code.startsWith("SQLITE_CORRUPT")) return "is damaged or cut short.";
  return `cannot be read (${(error as Error).message}).`;
};

const count = (client: Database.Database, table: string): number =>
  (client.prepare(`select count(*) as n from ${table}`).get() as { n: number }).n;

const figuresOf = (client: Database.Database): GardenFile => ({
  beds: count(client, "beds"),
  plantings: count(client, "plantings"),
  picks: count(client, "picks"),
  looks: count(client, "checks"),
  lastEntry: (client.prepare("select max(at) as at from journal").get() as { at: string | null }).at ?? "",
});

/** Of a damaged file: what can still be read, table by table, so that its owner knows what is worth saving. */
function readableRows(client: Database.Database): string {
  const found = ["picks", "checks", "plantings", "beds"].flatMap((table) => {
    try {
      const n = (client.prepare(`select count(*) as n from (select * from ${table})`).get() as { n: number }).n;
      return n > 0 ? [`${n} ${table === "checks" ? "looks" : table}`] : [];
    } catch {
      return [];
    }
  });
  return found.length > 0 ? `${found.join(", ")} in it can still be read.` : "Nothing in it can be read any more.";
}

/** Backup copies of a folder, newest first. */
export function backupsOf(dataDir: string): string[] {
  const folder = join(dataDir, "backups");
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => name.endsWith(".sqlite"))
    .map((name) => join(folder, name))
    .sort((a, b) => statSync(b).mtimeMs - statSync(a).mtimeMs);
}

export type Restored = { ok: true; holds: GardenFile; keptAside: string | null } | { ok: false; message: string };

/**
 * Puts a backup in the place of a folder's garden. The copy is checked and brought to today's schema beside the garden
 * before anything of it is touched; the garden as it was, sound or not, is moved into `backups/` and stays there.
 * The caller holds the folder (holdFolder).
 * @param stamp part of the name of what is kept aside
 */
export function restoreGarden(dataDir: string, file: string, stamp: string): Restored {
  const checked = inspectGarden(file);
  if (!checked.ok) return checked;
  mkdirSync(join(dataDir, "backups"), { recursive: true, mode: 0o700 });
  const trial = join(dataDir, "restoring");
  rmSync(trial, { recursive: true, force: true });
  mkdirSync(trial, { recursive: true, mode: 0o700 });
  try {
    copyFileSync(file, databaseFile(trial));
    chmodSync(databaseFile(trial), 0o600);
    openGarden(trial).$client.close(); // brings it to today's schema, or throws while the old garden is untouched
    const opened = inspectGarden(databaseFile(trial));
    if (!opened.ok) return opened;
    const current = databaseFile(dataDir);
    let keptAside: string | null = null;
    if (existsSync(current)) {
      keptAside = join(dataDir, "backups", `before-restore-${stamp}.sqlite`);
      // the garden is never away, not for a moment: what is kept aside is a second name of it, or a copy
      if (foldLog(current)) {
        twin(current, keptAside);
        for (const suffix of ["-wal", "-shm"]) rmSync(current + suffix, { force: true });
      } else
        for (const suffix of ["", "-wal", "-shm"])
          if (existsSync(current + suffix)) renameSync(current + suffix, keptAside + suffix);
    }
    renameSync(databaseFile(trial), current);
    return { ok: true, holds: opened.holds, keptAside };
  } finally {
    rmSync(trial, { recursive: true, force: true });
  }
}

/** A second name for a file; a copy where the disk has no such thing. */
function twin(file: string, other: string): void {
  try {
    linkSync(file, other);
  } catch {
    copyFileSync(file, other);
  }
}

/** Folds the write-ahead log into its file. @returns false where that cannot be done: the file is damaged */
function foldLog(file: string): boolean {
  try {
    const client = new Database(file);
    client.pragma("wal_checkpoint(TRUNCATE)");
    client.close();
    return true;
  } catch {
    return false;
  }
}
