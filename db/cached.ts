import { asc } from "drizzle-orm";
import type { SQLiteColumn, SQLiteTable } from "drizzle-orm/sqlite-core";
import { TABLES, type TableName } from "#formats/tables";
import { keyOf, type RowOf, readRow, SQL_TABLES } from "./change";
import type { Db } from "./open";
import { touchesOf, versionOf } from "./touches";

/**
 * Reads something of one table and keeps it until that table is written to, by this process or by another: a station's
 * twenty years need not be read anew because a pick was logged.
 */
export function cachedRead<T>(name: TableName, read: (db: Db) => T): (db: Db) => T {
  const memo = new WeakMap<Db, { stamp: string; value: T }>();
  return (db) => {
    const stamp = `${touchesOf(db, name).count} ${versionOf(db)}`;
    const known = memo.get(db);
    if (known?.stamp === stamp) return known.value;
    const value = read(db);
    memo.set(db, { stamp, value });
    return value;
  };
}

/** Order of rows by one field after the other, as the database sorts them. */
const byFields =
  <Row>(fields: readonly (keyof Row)[]) =>
  (a: Row, b: Row): number => {
    for (const field of fields) {
      if (a[field] < b[field]) return -1;
      if (a[field] > b[field]) return 1;
    }
    return 0;
  };

/** Rows of a table in order: those that are fit to be used, and the rest. */
export type Split<N extends TableName> = { fit: RowOf<N>[]; unfit: RowOf<N>[] };

/**
 * The rows of a table in its order, kept in memory: after a change only what was written is read again. A hundred
 * thousand picks need not be read because one more was logged; rows that did not change stay the same objects.
 */
export function split<N extends TableName>(name: N, isFit: (row: RowOf<N>) => boolean): (db: Db) => Split<N> {
  const fields = TABLES[name].order as readonly (keyof RowOf<N> & string)[];
  const compare = byFields<RowOf<N>>(fields);
  const key = keyOf(name) as keyof RowOf<N>;
  const memo = new WeakMap<Db, { count: number; version: unknown; rows: Split<N> }>();
  return (db) => {
    const { count, keys } = touchesOf(db, name);
    const version = versionOf(db);
    const known = memo.get(db);
    if (known && known.count === count && known.version === version) return known.rows;
    const written = known ? keys.slice(Math.max(0, keys.length - (count - known.count))) : [];
    const patchable =
      known !== undefined &&
      known.version === version &&
      count - known.count === written.length &&
      !written.includes(null);
    const rows = patchable ? patched(db, known.rows, new Set(written as string[])) : read(db);
    memo.set(db, { count, version, rows });
    return rows;
  };

  function read(db: Db): Split<N> {
    const columns = SQL_TABLES[name] as unknown as Record<string, SQLiteColumn>;
    const order = fields.map((f) => asc(columns[f]!));
    const all = db
      .select()
      .from(SQL_TABLES[name] as SQLiteTable)
      .orderBy(...order)
      .all() as RowOf<N>[];
    const unfit = all.filter((row) => !isFit(row));
    return { fit: unfit.length === 0 ? all : all.filter(isFit), unfit };
  }

  function patched(db: Db, before: Split<N>, changed: ReadonlySet<string>): Split<N> {
    const fresh = [...changed].flatMap((k) => (readRow(db, name, k) as RowOf<N> | null) ?? []).sort(compare);
    const stays = (row: RowOf<N>) => !changed.has(row[key] as string);
    return {
      fit: inserted(before.fit.filter(stays), fresh.filter(isFit)),
      unfit: inserted(
        before.unfit.filter(stays),
        fresh.filter((row) => !isFit(row)),
      ),
    };
  }

  /** Puts rows into a list that is in order. */
  function inserted(list: RowOf<N>[], fresh: readonly RowOf<N>[]): RowOf<N>[] {
    for (const row of fresh) {
      let low = 0;
      for (let high = list.length; low < high; ) {
        const middle = (low + high) >> 1;
        if (compare(list[middle]!, row) < 0) low = middle + 1;
        else high = middle;
      }
      list.splice(low, 0, row);
    }
    return list;
  }
}

/** All rows of a table in its order, kept in memory. */
export function rows<N extends TableName>(name: N): (db: Db) => RowOf<N>[] {
  const all = split(name, () => true);
  return (db) => all(db).fit;
}
