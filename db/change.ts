import { randomBytes } from "node:crypto";
import { desc, eq, getTableColumns, is, Param, Placeholder, sql } from "drizzle-orm";
import type { SQLiteColumn, SQLiteTable } from "drizzle-orm/sqlite-core";
import { TABLE_NAMES, type TableName } from "#formats/tables";
import type { Db } from "./open";
import { lastSeq, ownEntry } from "./others";
import type { JournalEntry } from "./schema/garden";
import * as schema from "./schema/index";
import { touch } from "./touches";

const ALL = { ...schema };
/** The Drizzle tables a change may touch, by the names of `formats/tables`: parents before children. */
export const SQL_TABLES = Object.fromEntries(TABLE_NAMES.map((name) => [name, ALL[name]])) as {
  [N in TableName]: (typeof schema)[N];
};
export type { TableName };
export type RowOf<N extends TableName> = (typeof schema)[N]["$inferSelect"];

/** The field by which a row of a table is known. */
export const keyOf = (name: TableName): "id" | "day" => (name === "weatherDays" ? "day" : "id");
const keyColumn = (name: TableName): SQLiteColumn =>
  (SQL_TABLES[name] as unknown as Record<string, SQLiteColumn>)[keyOf(name)]!;

/** A short random id, safe in a URL. */
export const newId = (): string => randomBytes(9).toString("base64url");

let lastMs = 0;
/**
 * An id that sorts after every one made before it: what was done within one minute keeps its order, also where the
 * garden's clock stands still.
 */
export function orderedId(): string {
  lastMs = Math.max(lastMs + 1, Date.now());
  return `${lastMs.toString(36).padStart(9, "0")}-${newId()}`;
}

export type Change = {
  put<N extends TableName>(table: N, row: RowOf<N>): void;
  remove(table: TableName, key: string): void;
};

/**
 * Makes a change whole or not at all, and writes it into the journal so that it can be undone.
 * @param label what the gardener did, as it is shown beside "Undo"
 * @param at local time of the change
 * @returns the journal's id of this change; null when nothing differed
 */
export function change(db: Db, label: string, at: string, work: (c: Change) => void): string | null {
  return whole(db, () => {
    const entries = new Map<string, JournalEntry>();
    const note = (table: TableName, key: string, after: Record<string, unknown> | null) => {
      const name = `${table}/${key}`;
      const known = entries.get(name);
      if (known) known.after = after;
      else entries.set(name, { table, key, before: readRow(db, table, key), after });
    };
    work({
      put(table, row) {
        const key = String((row as Record<string, unknown>)[keyOf(table)]);
        note(table, key, row as Record<string, unknown>);
        writeRow(db, table, row as Record<string, unknown>);
      },
      remove(table, key) {
        note(table, key, null);
        deleteRow(db, table, key);
      },
    });
    const changed = [...entries.values()].filter((e) => !sameRow(e.before, e.after));
    if (changed.length === 0) return null;
    const id = newId();
    enter(db, { id, at, label, entries: changed });
    return id;
  });
}

/** Writes an entry into the journal. */
function enter(db: Db, entry: { id: string; at: string; label: string; entries: JournalEntry[] }): void {
  const tables = [...new Set(entry.entries.map((e) => e.table))];
  db.insert(schema.journal)
    .values({ ...entry, tables })
    .run();
  ownEntry(db, entry.id);
}

/** Whether a fault says that the disk takes no more. */
export const isDiskFull = (error: unknown): boolean =>
  ["SQLITE_FULL", "ENOSPC", "EDQUOT"].includes((error as { code?: string } | null)?.code ?? "");

/** What is thrown then: an answer of the web, so that a page tells it and a phone keeps what was typed until it can be sent. */
export const diskFull = (): Response =>
  Response.json(
    {
      message:
        "The disk is full, so nothing of this was saved. Free some space on the machine that holds the garden, then enter it once more.",
    },
    { status: 507, statusText: "Insufficient Storage" },
  );

/** One transaction; when it fails, nothing that was read inside it is believed any longer. */
function whole<T>(db: Db, work: () => T): T {
  try {
    // the write lock is taken at once: two that write wait for each other, none is refused for having read too soon
    return db.$client.transaction(work).immediate();
  } catch (error) {
    for (const name of TABLE_NAMES) touch(db, name, null);
    throw isDiskFull(error) ? diskFull() : error;
  }
}

export type UndoResult = { ok: true; id: string; label: string } | { ok: false; message: string };

/**
 * Takes a change back, if nothing it touched has changed since. Undoing an undo brings the change again.
 * @param at local time of the undoing
 */
export function undo(db: Db, id: string, at: string): UndoResult {
  try {
    return takenBack(db, id, at);
  } catch (error) {
    if ((error as { code?: string } | null)?.code !== "SQLITE_CONSTRAINT_FOREIGNKEY") throw error;
    return { ok: false, message: "That cannot be undone: what it belonged to was removed since. Undo that first." };
  }
}

function takenBack(db: Db, id: string, at: string): UndoResult {
  return whole(db, (): UndoResult => {
    const entry = db.select().from(schema.journal).where(eq(schema.journal.id, id)).get();
    if (!entry) return { ok: false, message: "There is no such change to undo." };
    if (entry.thinned) return { ok: false, message: `“${entry.label}” is too long ago to be undone.` };
    if (entry.undoneBy) return { ok: false, message: `“${entry.label}” was undone already.` };
    const changedSince = entry.entries.some((e) => !sameRow(readRow(db, e.table as TableName, e.key), e.after));
    if (changedSince)
      return {
        ok: false,
        message: `“${entry.label}” cannot be undone: something it touched was changed since.`,
      };
    const byTable = (a: JournalEntry, b: JournalEntry) =>
      TABLE_NAMES.indexOf(a.table as TableName) - TABLE_NAMES.indexOf(b.table as TableName);
    for (const e of entry.entries.filter((x) => x.before === null).sort((a, b) => byTable(b, a)))
      deleteRow(db, e.table as TableName, e.key);
    for (const e of entry.entries.filter((x) => x.before !== null).sort(byTable))
      writeRow(db, e.table as TableName, e.before!);
    const undoId = newId();
    const label = entry.label.startsWith("Undone: ") ? entry.label.slice(8) : `Undone: ${entry.label}`;
    const reversed = entry.entries.map((e) => ({ ...e, before: e.after, after: e.before }));
    enter(db, { id: undoId, at, label, entries: reversed });
    db.update(schema.journal).set({ undoneBy: undoId }).where(eq(schema.journal.id, id)).run();
    return { ok: true, id: undoId, label };
  });
}

/** The journal's label of a change, for the bar that offers to undo it; null when unknown or undone. */
export function undoable(db: Db, id: string): string | null {
  const entry = db
    .select({ label: schema.journal.label, undoneBy: schema.journal.undoneBy, thinned: schema.journal.thinned })
    .from(schema.journal)
    .where(eq(schema.journal.id, id))
    .get();
  return entry && !entry.undoneBy && !entry.thinned ? entry.label : null;
}

export type JournalPage = { rows: (typeof schema.journal.$inferSelect)[]; all: number };

/**
 * The audit trail, latest change first.
 * @param words only changes whose label holds them
 */
export function listChanges(db: Db, words: string, offset: number, limit: number): JournalPage {
  const pattern = `%${words.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const asked = words === "" ? undefined : sql`${schema.journal.label} like ${pattern} escape '\\'`;
  const rows = db
    .select()
    .from(schema.journal)
    .where(asked)
    .orderBy(desc(schema.journal.seq))
    .limit(limit)
    .offset(offset)
    .all();
  const all = db.select({ n: sql<number>`count(*)` }).from(schema.journal).where(asked).get()?.n ?? 0;
  return { rows, all };
}

/** A number that grows with every change: what was computed for one revision holds until the next. */
export const revision = lastSeq;

/** Statements of a table, prepared once for each open database: an import writes thousands of rows. */
type Statements = {
  read: { get(values: Record<string, unknown>): unknown };
  write: { run(values: Record<string, unknown>): unknown };
};
const prepared = new WeakMap<Db, Map<TableName, Statements>>();

function statementsOf(db: Db, name: TableName): Statements {
  const known = prepared.get(db) ?? new Map<TableName, Statements>();
  prepared.set(db, known);
  const found = known.get(name);
  if (found) return found;
  const table = SQL_TABLES[name] as SQLiteTable;
  const columns = Object.keys(getTableColumns(table));
  const values = Object.fromEntries(columns.map((c) => [c, sql.placeholder(c)]));
  const upsert = db
    .insert(table)
    .values(values as never)
    .onConflictDoUpdate({ target: keyColumn(name), set: values as never })
    .toSQL();
  const write = db.$client.prepare(upsert.sql);
  const encoders = upsert.params.map(encoderOf);
  const made: Statements = {
    read: db
      .select()
      .from(table)
      .where(eq(keyColumn(name), sql.placeholder("key")))
      .prepare(),
    write: { run: (row) => write.run(encoders.map((encode) => encode(row))) },
  };
  known.set(name, made);
  return made;
}

/** How a parameter of a statement is taken from a row: looked up once, where Drizzle looks for each row it writes. */
function encoderOf(param: unknown): (row: Record<string, unknown>) => unknown {
  if (!is(param, Param) || !is(param.value, Placeholder)) throw new TypeError("a parameter that is no value of a row");
  const { value, encoder } = param;
  return (row) => encoder.mapToDriverValue(row[value.name] ?? null);
}

/** One row by its key, as the journal and the kept rows read it. */
export function readRow(db: Db, name: TableName, key: string): Record<string, unknown> | null {
  return (statementsOf(db, name).read.get({ key }) as Record<string, unknown> | undefined) ?? null;
}

function writeRow(db: Db, name: TableName, row: Record<string, unknown>): void {
  touch(db, name, String(row[keyOf(name)]));
  statementsOf(db, name).write.run(row);
}

function deleteRow(db: Db, name: TableName, key: string): void {
  touch(db, name, key);
  db.delete(SQL_TABLES[name] as SQLiteTable)
    .where(eq(keyColumn(name), key))
    .run();
}

const canonical = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(canonical)
    : value !== null && typeof value === "object"
      ? Object.fromEntries(
          Object.entries(value)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([k, v]) => [k, canonical(v)]),
        )
      : value;
const sameRow = (a: Record<string, unknown> | null, b: Record<string, unknown> | null): boolean =>
  a === null || b === null ? a === b : JSON.stringify(canonical(a)) === JSON.stringify(canonical(b));
