import type { TableName } from "#formats/tables";
import type { Db } from "./open";

/** How often each table has been written to by this process, and the last rows that were. */
export type Touches = { count: number; keys: (string | null)[] };
const touches = new WeakMap<Db, Map<TableName, Touches>>();
/** Rows remembered as written; beyond twice as many a table is read anew. */
const REMEMBERED = 25_000;
/** What this process has written to a table so far. */
export const touchesOf = (db: Db, name: TableName): Touches => {
  const all = touches.get(db) ?? new Map<TableName, Touches>();
  touches.set(db, all);
  const known = all.get(name) ?? { count: 0, keys: [] };
  all.set(name, known);
  return known;
};
/**
 * Notes that a row was written.
 * @param key the row; null: any of the table may have been
 */
export const touch = (db: Db, name: TableName, key: string | null): void => {
  const t = touchesOf(db, name);
  t.count += 1;
  t.keys.push(key);
  if (t.keys.length > 2 * REMEMBERED) t.keys = t.keys.slice(-REMEMBERED);
};
