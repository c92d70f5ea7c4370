/** Something wrong in a file, where it stands, in words that say how to mend it. Row 1 is the heading. */
export type LocatedError = { row: number | null; column: string | null; message: string };
export type ReadResult<T> = { ok: true; value: T; notes: string[] } | { ok: false; errors: LocatedError[] };

/** "row 14, column tmin: …" */
export function sayError(e: LocatedError): string {
  const where = [e.row === null ? null : `row ${e.row}`, e.column === null ? null : `column ${e.column}`]
    .filter(Boolean)
    .join(", ");
  return where ? `${where}: ${e.message}` : e.message;
}

/** At most this many errors are shown of one file. */
export const MOST_ERRORS = 50;
