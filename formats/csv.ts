import Papa from "papaparse";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";

export type Table = { headings: string[]; rows: { line: number; cells: string[] }[] };

/**
 * Reads CSV after RFC 4180, and what people really send: LF or CRLF, a byte-order mark, comma, semicolon or tab.
 * Every row must have as many fields as the heading.
 * @param mostRows refuses longer files
 */
export function readTable(text: string, mostRows = 200_000): ReadResult<Table> {
  if (text.includes("\u0000"))
    return {
      ok: false,
      errors: [{ row: null, column: null, message: "this is not a text file; save the sheet as CSV" }],
    };
  const source = text.replace(/^\uFEFF/, "");
  if (source.trim() === "") return { ok: false, errors: [{ row: null, column: null, message: "the file is empty" }] };
  const heading = source.slice(0, source.search(/\r|\n|$/));
  const delimiter = [",", ";", "\t"].sort((a, b) => heading.split(b).length - heading.split(a).length)[0]!;
  const parsed = Papa.parse<string[]>(source, { delimiter });
  const quote = parsed.errors.find((e) => e.type === "Quotes");
  if (quote)
    return {
      ok: false,
      errors: [
        { row: lineOf(source, quote.index ?? 0), column: null, message: "a quotation mark is opened and never closed" },
      ],
    };
  const [head, ...rest] = numbered(parsed.data);
  const first = head?.cells;
  const headings = (first ?? []).map((h) => h.trim());
  const errors: LocatedError[] = [];
  const seen = new Set<string>();
  for (const h of headings) {
    if (h !== "" && seen.has(h.toLowerCase()))
      errors.push({ row: head!.line, column: h, message: "this heading stands twice" });
    seen.add(h.toLowerCase());
  }
  if (rest.length > mostRows)
    errors.push({ row: null, column: null, message: `more than ${mostRows} rows; split the file` });
  const rows = rest.slice(0, mostRows);
  for (const row of rows) {
    if (errors.length >= MOST_ERRORS) break;
    if (row.cells.length !== headings.length)
      errors.push({
        row: row.line,
        column: null,
        message: `${row.cells.length} fields where the heading has ${headings.length}; is a comma inside a text not in quotation marks?`,
      });
  }
  return errors.length > 0 ? { ok: false, errors } : { ok: true, value: { headings, rows }, notes: [] };
}

/** The line of a text on which a place in it lies, from 1. */
const lineOf = (text: string, at: number): number => (text.slice(0, at).match(/\r\n|\r|\n/g)?.length ?? 0) + 1;

/** Rows that hold anything, each with the line of the file on which it begins: blank lines and line breaks in quotes count. */
function numbered(data: readonly string[][]): Table["rows"] {
  const rows: Table["rows"] = [];
  let line = 1;
  for (const cells of data) {
    if (cells.some((c) => c.trim() !== "")) rows.push({ line, cells });
    line += 1 + cells.reduce((sum, c) => sum + (c.match(/\r\n|\r|\n/g)?.length ?? 0), 0);
  }
  return rows;
}

/**
 * Writes CSV after RFC 4180 with CRLF. Text that a spreadsheet would take for a formula is prefixed with an apostrophe
 * (OWASP, CSV injection); numbers stay numbers.
 */
export function writeTable(
  headings: readonly string[],
  rows: readonly (readonly (string | number | boolean | null)[])[],
): string {
  const cell = (value: string | number | boolean | null): string => {
    if (value === null) return "";
    if (typeof value !== "string") return String(value);
    const safe = /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
    return /[",\r\n;]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
  };
  return [headings, ...rows].map((row) => `${row.map(cell).join(",")}\r\n`).join("");
}
