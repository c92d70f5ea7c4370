import { Column, getTableColumns, type SQL, sql } from "drizzle-orm";
import type { SQLiteTable } from "drizzle-orm/sqlite-core";
import same from "fast-deep-equal";
import { TABLES, type TableName } from "#formats/tables";
import { keyOf, type RowOf, readRow, SQL_TABLES } from "./change";
import type { Db } from "./open";
import { noticeOthers } from "./others";
import { touchesOf } from "./touches";

/**
 * Reads something of one table and keeps it until that table is written to, by this process or by another: a station's
 * twenty years need not be read anew because a pick was logged.
 */
export function cachedRead<T>(name: TableName, read: (db: Db) => T): (db: Db) => T {
  const memo = new WeakMap<Db, { count: number; value: T }>();
  return (db) => {
    noticeOthers(db);
    const { count } = touchesOf(db, name);
    const known = memo.get(db);
    if (known?.count === count) return known.value;
    const value = read(db);
    memo.set(db, { count, value });
    return value;
  };
}

/** No more texts of a column than these are looked up, and none that is longer: photos and notes are all different. */
const TEXTS_HELD = 1000;
const LONGEST_HELD = 120;

/** Reads stored JSON; what many rows store alike ("[]", one bucket) is read once, they share it, and nobody may change it. */
function heldOnce(read: (stored: unknown) => unknown): (stored: unknown) => unknown {
  const held = new Map<string, unknown>();
  return (stored) => {
    if (typeof stored !== "string" || stored.length > LONGEST_HELD) return read(stored);
    const known = held.get(stored);
    if (known !== undefined) return known;
    const value = read(stored);
    if (held.size < TEXTS_HELD) held.set(stored, frozen(value));
    return value;
  };
}

function frozen<T>(value: T): T {
  if (typeof value !== "object" || value === null) return value;
  for (const part of Object.values(value)) frozen(part);
  return Object.freeze(value);
}

/** As many rows that were written are put in their places one by one. */
const FEW = 200;
/** So many places of a file are read at a time. */
const PORTION = 4000;
/** As many digits as tell any two numbers apart; the database's own JSON has two too few. */
const exactly = (column: Column): SQL => sql`iif(${column} is null, null, json(printf('%!.17g', ${column})))`;

/**
 * Reads the rows of a table as Drizzle would give them, in a fraction of its time: a hundred thousand picks are read in one go
 * while somebody waits for a page. They come as JSON, some thousands in one text: that is parsed twice as fast as values
 * are fetched one by one, and what many rows say ("crop", "sound") is held once. Columns that are stored otherwise than
 * they are read (JSON, truth) are mapped by Drizzle. Every row begins as a copy of one with nothing in it, so that all
 * have one shape.
 */
function readerOf<Row>(table: SQLiteTable) {
  const columns = Object.entries(getTableColumns(table)).map(([field, column]) => ({
    field,
    stored: column.getSQLType() === "real" ? exactly(column) : sql`${column}`,
    read:
      column.mapFromDriverValue === Column.prototype.mapFromDriverValue
        ? null
        : heldOnce((stored) => column.mapFromDriverValue(stored)),
  }));
  const values = sql.join(
    columns.map((c) => c.stored),
    sql`, `,
  );
  const select = { text: sql<string>`json_group_array(json_array(${values}))` };
  const width = columns.length;
  const empty: Record<string, unknown> = Object.fromEntries(columns.map(({ field }) => [field, null]));
  const rowsIn = (found: { text: string } | undefined): Row[] =>
    (JSON.parse(found?.text ?? "[]") as unknown[][]).map((stored) => {
      const row = { ...empty };
      for (let k = 0; k < width; k++) {
        const value = stored[k];
        if (value === null) continue;
        const { field, read } = columns[k]!;
        row[field] = read === null ? value : read(value);
      }
      return row as Row;
    });
  return {
    *portions(db: Db): Generator<Row[]> {
      const inPortion = sql`rowid between ${sql.placeholder("from")} and ${sql.placeholder("to")}`;
      const text = db.select(select).from(table).where(inPortion).prepare();
      const ends = db.select({ first: sql<number>`min(rowid)`, last: sql<number>`max(rowid)` }).from(table).get();
      // with nothing in the table its ends are null
      for (let from = ends?.first ?? 1; from <= (ends?.last ?? 0); from += PORTION)
        yield rowsIn(text.get({ from, to: from + PORTION - 1 }));
    },
    *keyed(db: Db, key: string, keys: readonly string[]): Generator<Row[]> {
      const column = getTableColumns(table)[key]!;
      for (let from = 0; from < keys.length; from += PORTION) {
        const some = JSON.stringify(keys.slice(from, from + PORTION));
        yield this.where(db, sql`${column} in (select value from json_each(${some}))`);
      }
    },
    /** Each condition finds its rows by an index of its own. */
    where(db: Db, ...any: SQL[]): Row[] {
      const found = any.map((condition) => sql`select rowid from ${table} where ${condition}`);
      return rowsIn(
        db
          .select(select)
          .from(table)
          .where(sql`rowid in (${sql.join(found, sql` union `)})`)
          .get(),
      );
    },
  };
}

/** Whether two rows of a table say the same. */
const alike = <Row extends object>(a: Row, b: Row): boolean =>
  (Object.keys(b) as (keyof Row)[]).every((field) => a[field] === b[field] || same(a[field], b[field]));

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

/** A table kept in memory: called, it gives all its rows, and reads what it lacks of them. */
export type Reader<N extends TableName> = {
  (db: Db): Split<N>;
  /** whether all rows are in memory, but for a few that were written since */
  isRead(db: Db): boolean;
  /** reads a portion, from which the next call goes on; true when there is none left */
  readOn(db: Db): boolean;
  /** the rows of which any of some conditions holds, and no others; they are not kept */
  where(db: Db, ...any: SQL[]): RowOf<N>[];
};

/**
 * The rows of a table in its order, kept in memory: after a change only what was written is read again. A hundred
 * thousand picks need not be read because one more was logged. Rows that did not change stay the same objects, also where
 * all of them are read anew: what hangs on them still holds, and nobody has them twice.
 */
export function split<N extends TableName>(name: N, isFit: (row: RowOf<N>) => boolean): Reader<N> {
  const fields = TABLES[name].order as readonly (keyof RowOf<N> & string)[];
  const compare = byFields<RowOf<N>>(fields);
  const key = keyOf(name) as keyof RowOf<N>;
  const read = readerOf<RowOf<N>>(SQL_TABLES[name] as SQLiteTable);
  type Kept = { count: number; rows: Split<N>; byKey: Map<unknown, RowOf<N>> | null };
  const memo = new WeakMap<Db, Kept>();
  /** A reading that has begun: of the whole table, or where `known` holds it of what was `written` since. */
  type Begun = {
    count: number;
    rows: Split<N>;
    rest: Generator<RowOf<N>[]>;
    known: Kept | null;
    written: ReadonlySet<unknown>;
  };
  const begun = new WeakMap<Db, Begun>();
  const reader = (db: Db): Split<N> => {
    const known = patchable(db);
    const written = known ? writtenSince(db, known) : null;
    if (!known || written!.length > FEW) {
      while (!readOn(db));
      return memo.get(db)!.rows;
    }
    if (written!.length === 0) return known.rows;
    known.rows = patched(db, known.rows, byKeyOf(known), new Set(written as string[]));
    known.count = touchesOf(db, name).count;
    return known.rows;
  };
  const where = (db: Db, ...any: SQL[]) =>
    read
      .where(db, ...any)
      .filter(isFit)
      .sort(compare);
  return Object.assign(reader, { isRead: (db: Db) => patchable(db) !== null, readOn, where });

  /** Made with the first change: a garden that is only read needs none. */
  function byKeyOf(known: Kept): Map<unknown, RowOf<N>> {
    known.byKey ??= new Map([...known.rows.fit, ...known.rows.unfit].map((row) => [row[key], row]));
    return known.byKey;
  }

  function writtenSince(db: Db, known: Kept): (string | null)[] {
    const { count, keys } = touchesOf(db, name);
    return keys.slice(Math.max(0, keys.length - (count - known.count)));
  }

  /** The rows in memory, where it is known of each that was written since which it is. */
  function patchable(db: Db): Kept | null {
    noticeOthers(db);
    const known = memo.get(db);
    if (!known) return null;
    const written = writtenSince(db, known);
    return touchesOf(db, name).count - known.count === written.length && !written.includes(null) ? known : null;
  }

  function readOn(db: Db): boolean {
    const known = patchable(db);
    const written = known ? writtenSince(db, known) : [];
    if (known && written.length <= FEW) return true;
    const now = reading(db, known, written);
    const before = now.known ?? memo.get(db);
    const { value, done } = now.rest.next();
    for (const row of value ?? []) {
      const was = before && byKeyOf(before).get(row[key]);
      const kept = was && alike(was, row) ? was : row;
      (isFit(kept) ? now.rows.fit : now.rows.unfit).push(kept);
    }
    if (!done) return false;
    const rows = now.known ? merged(now.known.rows, now) : now.rows;
    // as they lie they are nearly in order, which sorts faster here than in the database
    rows.fit.sort(compare);
    rows.unfit.sort(compare);
    memo.set(db, { count: now.count, rows, byKey: null });
    begun.delete(db);
    return true;
  }

  /** The reading that has begun; another one where something was written in between, which may lie where it has been. */
  function reading(db: Db, known: Kept | null, written: readonly (string | null)[]): Begun {
    const { count } = touchesOf(db, name);
    const before = begun.get(db);
    if (before?.count === count) return before;
    // a row that was written twice is read once
    const rows = new Set(written as string[]);
    const rest = known ? read.keyed(db, String(key), [...rows]) : read.portions(db);
    const now = { count, rows: { fit: [], unfit: [] }, rest, known, written: rows };
    begun.set(db, now);
    return now;
  }

  /** The lists before without the rows that were written, and these as they are now, in no order. */
  function merged(before: Split<N>, { rows, written }: Begun): Split<N> {
    const stayed = (list: readonly RowOf<N>[]) => list.filter((row) => !written.has(row[key]));
    return { fit: stayed(before.fit).concat(rows.fit), unfit: stayed(before.unfit).concat(rows.unfit) };
  }

  /** The lists with the changed rows put in the place of what they were; the lists before are left as they were. */
  function patched(db: Db, before: Split<N>, byKey: Map<unknown, RowOf<N>>, changed: ReadonlySet<string>): Split<N> {
    const after = { fit: [...before.fit], unfit: [...before.unfit] };
    for (const id of changed) {
      const old = byKey.get(id);
      if (old) {
        const list = isFit(old) ? after.fit : after.unfit;
        // rows that the order does not tell apart stand side by side
        list.splice(list.indexOf(old, placeIn(list, old)), 1);
        byKey.delete(id);
      }
      const row = readRow(db, name, id) as RowOf<N> | null;
      if (!row) continue;
      const list = isFit(row) ? after.fit : after.unfit;
      list.splice(placeIn(list, row), 0, row);
      byKey.set(id, row);
    }
    return after;
  }

  /** Where a row stands, or would stand, in a list that is in order. */
  function placeIn(list: readonly RowOf<N>[], row: RowOf<N>): number {
    let low = 0;
    for (let high = list.length; low < high; ) {
      const middle = (low + high) >> 1;
      if (compare(list[middle]!, row) < 0) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}

/** All rows of a table in its order, kept in memory. */
export function rows<N extends TableName>(name: N): (db: Db) => RowOf<N>[] {
  const all = split(name, () => true);
  return (db) => all(db).fit;
}
