import Database from "better-sqlite3";
import { addDays } from "#core/calendar/day";
import { databaseFile } from "./open";

/** Entries thinned in one go: nobody waits long for the write lock. */
const AT_ONCE = 500;

/**
 * Lets go of what stood before and after changes that are older than the garden's years of undoing; that they were
 * made, when, and what they were called stays.
 * @param today day from which the years are counted
 * @returns how many changes were thinned
 */
export function thinJournal(dataDir: string, today: string): number {
  const client = new Database(databaseFile(dataDir), { fileMustExist: true });
  try {
    const years = (client.prepare("select undo_years as n from garden").get() as { n: number } | undefined)?.n ?? 0;
    if (years === 0) return 0;
    const thin = client.prepare(
      `update journal set entries = '[]', thinned = 1
       where seq in (select seq from journal where thinned = 0 and at < ? order by seq limit ${AT_ONCE})`,
    );
    const before = addDays(today, -Math.round(365.25 * years));
    let all = 0;
    for (;;) {
      const { changes } = thin.run(before);
      all += changes;
      if (changes < AT_ONCE) return all;
    }
  } finally {
    client.close();
  }
}
