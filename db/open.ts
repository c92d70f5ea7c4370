import { existsSync, mkdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { type BetterSQLite3Database, drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import * as schema from "./schema/index";

export type Db = BetterSQLite3Database<typeof schema> & { $client: Database.Database };

/** Where the migrations lie: beside the application, wherever it was started from. */
const migrationsFolder = () => join(process.env.AKMEDON_ROOT ?? process.cwd(), "db", "migrations");

/** The database file of a data folder. */
export const databaseFile = (dataDir: string): string => join(dataDir, "garden.sqlite");

/** A garden's file that cannot be opened; the message says what is wrong with it and that nothing was changed. */
export class GardenUnfit extends Error {}

/** Marks a SQLite file as a garden of ours: "AKMD". Files written before it was set are known by their tables. */
export const APPLICATION_ID = 0x414b4d44;

/**
 * Opens the garden in a data folder, making both when they are missing. Before the schema changes, the file as it
 * was is copied into `backups/`. Write-ahead log, foreign keys on, every commit on the disk before it is confirmed.
 * @throws GardenUnfit when the file is damaged, another program's, or of a newer Akmedon; nothing is written then
 */
export function openGarden(dataDir: string): Db {
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  const file = databaseFile(dataDir);
  const existed = existsSync(file);
  if (existed && statSync(file).size === 0) throw new GardenUnfit(`${file} is empty: it was cut off or wiped`);
  const client = new Database(file);
  try {
    if (existed) assertOurs(client, file);
    client.pragma("journal_mode = WAL");
    client.pragma("foreign_keys = ON");
    client.pragma("synchronous = FULL");
    const db = drizzle({ client, schema, casing: "snake_case" }) as Db;
    const { pending } = schemaAge(client);
    if (existed && pending > 0) backupTo(client, dataDir, `before-update-${Date.now()}`);
    if (pending > 0) migrate(db, { migrationsFolder: migrationsFolder() });
    if ((client.pragma("application_id", { simple: true }) as number) !== APPLICATION_ID)
      client.pragma(`application_id = ${APPLICATION_ID}`);
    return db;
  } catch (error) {
    client.close();
    if (error instanceof GardenUnfit) throw error;
    const code = (error as { code?: string }).code ?? "";
    if (code === "SQLITE_NOTADB") throw new GardenUnfit(`${file} is not a garden: it is no SQLite database`);
    if (code.startsWith("SQLITE_CORRUPT")) throw new GardenUnfit(`${file} is damaged`);
    if (code.startsWith("SQLITE_READONLY")) throw new GardenUnfit(`${file} may only be read: check who may write it`);
    throw error;
  }
}

/** Refuses a database of another program, or of a newer Akmedon, before anything is written to it. */
function assertOurs(client: Database.Database, file: string): void {
  const id = client.pragma("application_id", { simple: true }) as number;
  const known = client.prepare("select count(*) as n from sqlite_master where name in ('garden', 'journal')").get();
  const empty = client.prepare("select count(*) as n from sqlite_master").get() as { n: number };
  if ((id !== 0 && id !== APPLICATION_ID) || (empty.n > 0 && (known as { n: number }).n < 2))
    throw new GardenUnfit(`${file} is a database of another program, not a garden of Akmedon`);
  if (schemaAge(client).newer > 0)
    throw new GardenUnfit(`${file} was written by a newer Akmedon: bring this one up to date first`);
}

/** Copies the open database, whole and consistent, into the folder's `backups/`. @returns the copy's path */
export function backupTo(client: Database.Database, dataDir: string, name: string): string {
  const folder = join(dataDir, "backups");
  mkdirSync(folder, { recursive: true });
  const copy = join(folder, `${name}.sqlite`);
  client.prepare("VACUUM INTO ?").run(copy);
  return copy;
}

/** How a database stands against the schema of this Akmedon: migrations still to be made, and ones not known here. */
export function schemaAge(client: Database.Database): { pending: number; newer: number } {
  const journal = JSON.parse(readFileSync(join(migrationsFolder(), "meta", "_journal.json"), "utf8")) as {
    entries: unknown[];
  };
  const known = client.prepare("select name from sqlite_master where name = '__drizzle_migrations'").get();
  const applied = known
    ? (client.prepare("select count(*) as n from __drizzle_migrations").get() as { n: number }).n
    : 0;
  return {
    pending: Math.max(0, journal.entries.length - applied),
    newer: Math.max(0, applied - journal.entries.length),
  };
}
