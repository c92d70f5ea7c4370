import { existsSync, mkdirSync, readFileSync } from "node:fs";
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

/**
 * Opens the garden in a data folder, making both when they are missing. Before the schema changes, the file as it
 * was is copied into `backups/`. Write-ahead log, foreign keys on, every commit on the disk before it is confirmed.
 */
export function openGarden(dataDir: string): Db {
  mkdirSync(dataDir, { recursive: true });
  const file = databaseFile(dataDir);
  const existed = existsSync(file);
  const client = new Database(file);
  client.pragma("journal_mode = WAL");
  client.pragma("foreign_keys = ON");
  client.pragma("synchronous = FULL");
  const db = drizzle({ client, schema, casing: "snake_case" }) as Db;
  const waiting = pendingMigrations(client);
  if (existed && waiting > 0) backupTo(client, dataDir, `before-update-${Date.now()}`);
  if (waiting > 0) migrate(db, { migrationsFolder: migrationsFolder() });
  return db;
}

/** Copies the open database, whole and consistent, into the folder's `backups/`. @returns the copy's path */
export function backupTo(client: Database.Database, dataDir: string, name: string): string {
  const folder = join(dataDir, "backups");
  mkdirSync(folder, { recursive: true });
  const copy = join(folder, `${name}.sqlite`);
  client.prepare("VACUUM INTO ?").run(copy);
  return copy;
}

function pendingMigrations(client: Database.Database): number {
  const journal = JSON.parse(readFileSync(join(migrationsFolder(), "meta", "_journal.json"), "utf8")) as {
    entries: unknown[];
  };
  const known = client.prepare("select name from sqlite_master where name = '__drizzle_migrations'").get();
  const applied = known
    ? (client.prepare("select count(*) as n from __drizzle_migrations").get() as { n: number }).n
    : 0;
  return journal.entries.length - applied;
}
