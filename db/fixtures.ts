import { mkdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { databaseFile } from "./open";

const MIGRATIONS = join(import.meta.dirname, "migrations");
const journal = JSON.parse(readFileSync(join(MIGRATIONS, "meta", "_journal.json"), "utf8")) as {
  entries: { when: number; tag: string }[];
};

/** Names of every schema ever released, oldest first. */
export const RELEASED: readonly string[] = journal.entries.map((e) => e.tag);

/** Makes a garden's file as an Akmedon of that schema would have, with a bed and a planting in it. For tests. */
export function gardenOfSchema(dataDir: string, tag: string): string {
  mkdirSync(dataDir, { recursive: true });
  const file = databaseFile(dataDir);
  const client = new Database(file);
  client.exec("create table __drizzle_migrations (id integer primary key, hash text not null, created_at numeric)");
  for (const entry of journal.entries.slice(0, RELEASED.indexOf(tag) + 1)) {
    const sql = readFileSync(join(MIGRATIONS, `${entry.tag}.sql`), "utf8");
    for (const step of sql.split("--> statement-breakpoint")) client.exec(step);
    client.prepare("insert into __drizzle_migrations (hash, created_at) values (?, ?)").run(entry.tag, entry.when);
  }
  const fill = (table: string, known: Record<string, unknown>) => {
    const columns = client.pragma(`table_info(${table})`) as { name: string; type: string; notnull: number }[];
    const row = Object.fromEntries(
      columns.map((c) => [c.name, known[c.name] ?? (c.notnull ? (c.type === "text" ? "" : 0) : null)]),
    );
    const names = Object.keys(row);
    client.prepare(`insert into ${table} (${names}) values (${names.map((n) => `@${n}`)})`).run(row);
  };
  fill("beds", {
    id: "old-bed",
    name: "Old bed",
    shape: "rectangle",
    width_m: 1,
    length_m: 3,
    cover: "none",
    sun_hours: 8,
  });
  fill("plantings", {
    id: "old",
    bed_id: "old-bed",
    crop_id: "courgette",
    started_how: "sown",
    started_on: "2026-05-01",
  });
  client.close();
  return file;
}
