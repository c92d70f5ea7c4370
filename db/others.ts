import { TABLE_NAMES, type TableName } from "#formats/tables";
import type { Db } from "./open";
import type { JournalEntry } from "./schema/garden";
import { touch } from "./touches";

/**
 * What other connections have written: a thread that took a table in, the command line. SQLite tells that somebody
 * wrote; the journal, which every change is written into, tells what. So a station's record that came in does not make
 * anybody read a hundred thousand picks again.
 */
type Seen = { version: unknown; seq: number; own: Set<string>; told: Map<string, Wrote> };
/** Rows of a table that an entry of the journal has written. */
export type Wrote = { table: TableName; keys: readonly string[] };
const seen = new WeakMap<Db, Seen>();

/** An entry longer than this is not looked into: its tables are read anew. */
const LOOKED_INTO = 60_000;

/** Notes an entry of the journal, by its id, as this connection's own. */
export const ownEntry = (db: Db, id: string): void => void seen.get(db)?.own.add(id);

/** Notes which rows another connection has written in an entry of the journal: it need not be looked into then, however long. */
export const toldOf = (db: Db, id: string, wrote: Wrote): void => void seen.get(db)?.told.set(id, wrote);

type Row = { id: string; tables: string | null; entries: string | null };

/** Notes as touched what others have written since it was last asked. */
export function noticeOthers(db: Db): void {
  const version = db.$client.pragma("data_version", { simple: true });
  const known = seen.get(db);
  if (known?.version === version) return;
  const seq = lastSeq(db);
  seen.set(db, { version, seq, own: new Set(), told: new Map() });
  if (!known) return;
  const rows = db.$client
    .prepare(
      "select id, tables, case when length(entries) <= ? then entries end as entries from journal where seq > ? order by seq",
    )
    .all(LOOKED_INTO, known.seq) as Row[];
  const foreign = rows.filter((row) => !known.own.has(row.id));
  // written without an entry, or by a version that did not name its tables: anything may have changed
  if (foreign.length === 0 || foreign.some((row) => row.tables === null))
    for (const name of TABLE_NAMES) touch(db, name, null);
  else
    for (const { id, tables, entries } of foreign) {
      const told = known.told.get(id);
      if (told) for (const key of told.keys) touch(db, told.table, key);
      else if (entries === null) for (const name of JSON.parse(tables!) as TableName[]) touch(db, name, null);
      else for (const e of JSON.parse(entries) as JournalEntry[]) touch(db, e.table as TableName, e.key);
    }
}

const asked = new WeakMap<Db, { get(): unknown }>();
/** The number of the last change in the journal; 0 where nothing was ever changed. */
export function lastSeq(db: Db): number {
  const statement = asked.get(db) ?? db.$client.prepare("select coalesce(max(seq), 0) from journal").pluck();
  asked.set(db, statement);
  return statement.get() as number;
}
