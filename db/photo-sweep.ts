import { existsSync, readdirSync, rmSync, statSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { PHOTO_NAME } from "#core/garden/photos";
import { databaseFile } from "./open";

/** A photo that nothing points to stays so long all the same: a form may still be on its way with it. */
const LEAST_AGE_MS = 30 * 86_400_000;

/**
 * Removes photos that no look, no pick and no step of the undo journal points to any more, once they are a month old. Every
 * backup that held them brings them back with it.
 * @param nowMs milliseconds since 1970
 * @returns the names of what went
 */
export function sweepPhotos(dataDir: string, nowMs: number): string[] {
  const folder = join(dataDir, "photos");
  if (!existsSync(folder)) return [];
  const old = readdirSync(folder).filter(
    (name) => PHOTO_NAME.test(name) && nowMs - statSync(join(folder, name)).mtimeMs > LEAST_AGE_MS,
  );
  if (old.length === 0) return [];
  const sqlite = new Database(databaseFile(dataDir), { readonly: true, fileMustExist: true });
  try {
    const pointed = sqlite.prepare(
      `SELECT 1 FROM checks WHERE instr(photos, @name)
       UNION ALL SELECT 1 FROM picks WHERE instr(photos, @name)
       UNION ALL SELECT 1 FROM journal WHERE instr(entries, @name) LIMIT 1`,
    );
    const loose = old.filter((name) => pointed.get({ name }) === undefined);
    for (const name of loose) rmSync(join(folder, name), { force: true });
    return loose;
  } finally {
    sqlite.close();
  }
}
