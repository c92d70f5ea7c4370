import { Box, chakra, Table } from "@chakra-ui/react";
import { type ClipboardEvent, type KeyboardEvent, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { Button } from "../ui/ui";

export const GRID_COLUMNS = ["date", "time", "what", "weight", "count", "extent", "grade", "by", "note"] as const;
type GridColumn = (typeof GRID_COLUMNS)[number];
const NAMES: Record<GridColumn, string> = {
  date: "Day",
  time: "Time",
  what: "What",
  weight: "Weight, net",
  count: "Pieces",
  extent: "How much",
  grade: "Grade",
  by: "Who",
  note: "Note",
};
const WIDTHS: Record<GridColumn, string> = {
  date: "8.6em",
  time: "5em",
  what: "16em",
  weight: "8em",
  count: "4.5em",
  extent: "9em",
  grade: "8em",
  by: "7em",
  note: "12em",
};
export type GridRow = Record<GridColumn, string>;

export type GridFault = { row: number; column: string | null; message: string };

/**
 * Rows with anything in them beside the day and the hand it is copied from. A name alone counts, unless the round
 * brought it: that line was not picked.
 */
export const isFilled = (r: GridRow, brought: readonly string[] = []): boolean =>
  [r.weight, r.count, r.note].some((x) => x.trim() !== "") || (r.what.trim() !== "" && !brought.includes(r.what));

type Props = {
  rows: readonly GridRow[];
  onRows: (rows: GridRow[]) => void;
  blank: GridRow;
  options: Partial<Record<GridColumn, readonly string[]>>;
  faults: readonly GridFault[];
  /** names that stand there without having been typed */
  brought: readonly string[];
};

/**
 * A sheet of picks filled in by keyboard: Tab and the arrows go from cell to cell, Enter goes down, Ctrl+D takes what
 * stands above, and cells copied from a spreadsheet are pasted as they lie.
 */
export function PicksGrid({ rows, onRows, blank, options, faults, brought }: Props) {
  const table = useRef<HTMLTableElement>(null);
  const [at, setAt] = useState<[number, number] | null>(null);
  const go = (row: number, column: number) =>
    table.current?.querySelector<HTMLInputElement>(`[data-cell="${row}-${column}"]`)?.focus();
  const next = (above: GridRow): GridRow => ({ ...blank, date: above.date, by: above.by });
  const set = (row: number, change: Partial<GridRow>) =>
    onRows(rows.map((r, i) => (i === row ? { ...r, ...change } : r)));
  const down = (row: number, column: number) => {
    // the next key may come at once: the line it belongs to must be there by then
    if (row + 1 === rows.length) flushSync(() => onRows([...rows, next(rows[row]!)]));
    go(row + 1, column);
  };
  const press = (e: KeyboardEvent<HTMLInputElement>, row: number, column: number) => {
    const name = GRID_COLUMNS[column]!;
    if (e.key === "Enter") {
      e.preventDefault();
      down(row, column);
    } else if (e.key === "ArrowDown" && row + 1 < rows.length) {
      e.preventDefault();
      go(row + 1, column);
    } else if (e.key === "ArrowUp" && row > 0) {
      e.preventDefault();
      go(row - 1, column);
    } else if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === "d" && row > 0) {
      e.preventDefault();
      set(row, { [name]: rows[row - 1]![name] });
    }
  };
  const paste = (e: ClipboardEvent<HTMLInputElement>, row: number, column: number) => {
    const text = e.clipboardData.getData("text/plain").replace(/\r?\n$/, "");
    if (!/[\t\n]/.test(text)) return;
    e.preventDefault();
    const cells = text.split(/\r?\n/).map((line) => line.split("\t"));
    const all = [...rows];
    cells.forEach((line, i) => {
      const known = all[row + i] ?? next(all.at(-1)!);
      const change = Object.fromEntries(
        line.flatMap((value, k) => {
          const name = GRID_COLUMNS[column + k];
          return name ? [[name, value.trim()]] : [];
        }),
      );
      all[row + i] = { ...known, ...change };
    });
    onRows(all);
  };
  // faults count only rows with something in them, as the table that was sent did
  const filled = rows.flatMap((r, i) => (isFilled(r, brought) ? [i] : []));
  const faultOf = (row: number) => faults.find((f) => filled[f.row] === row);
  return (
    <Box overflowX="auto" position="relative" borderWidth="1px" borderColor="rule" bg="sheet">
      {Object.entries(options).map(([name, list]) => (
        <datalist key={name} id={`grid-${name}`}>
          {list.map((x) => (
            <option key={x} value={x} />
          ))}
        </datalist>
      ))}
      <Table.Root
        native
        ref={table}
        borderCollapse="collapse"
        width="100%"
        css={{
          "& th": { textAlign: "left", padding: "0.5rem", fontWeight: 600, whiteSpace: "nowrap" },
          "& td": {
            borderTop: "1px solid var(--ak-colors-rule-soft)",
            borderRight: "1px solid var(--ak-colors-rule-soft)",
          },
          "& input": { width: "100%", minHeight: "48px", padding: "0 0.5rem", background: "transparent", border: 0 },
          "& input[aria-invalid]": { background: "var(--ak-colors-madder-tint)" },
          "& .fault": { color: "var(--ak-colors-madder)", fontWeight: 600, padding: "0.3rem 0.5rem" },
        }}
      >
        <thead>
          <tr>
            <th>
              <chakra.span srOnly>Row</chakra.span>
            </th>
            {GRID_COLUMNS.map((c) => (
              <th key={c} style={{ minWidth: WIDTHS[c] }}>
                {NAMES[c]}
              </th>
            ))}
            <th>
              <chakra.span srOnly>Take out</chakra.span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r, i) => {
            const fault = faultOf(i);
            return [
              <tr key={`row-${i}`} data-at={at?.[0] === i || undefined}>
                <chakra.td color="inkSoft" px="2" fontSize="sm">
                  {i + 1}
                </chakra.td>
                {GRID_COLUMNS.map((c, k) => (
                  <td key={c}>
                    <input
                      data-cell={`${i}-${k}`}
                      aria-label={`${NAMES[c]}, row ${i + 1}`}
                      aria-invalid={fault && (fault.column === c || fault.column === null) ? true : undefined}
                      list={options[c] ? `grid-${c}` : undefined}
                      value={r[c]}
                      autoComplete="off"
                      onFocus={() => setAt([i, k])}
                      onChange={(e) => set(i, { [c]: e.target.value })}
                      onKeyDown={(e) => press(e, i, k)}
                      onPaste={(e) => paste(e, i, k)}
                    />
                  </td>
                ))}
                <td>
                  <Button
                    type="button"
                    variant="quiet"
                    size="sm"
                    tabIndex={-1}
                    aria-label={`Take row ${i + 1} out`}
                    onClick={() => onRows(rows.length > 1 ? rows.filter((_, k) => k !== i) : [blank])}
                  >
                    ×
                  </Button>
                </td>
              </tr>,
              fault && (
                <tr key={`fault-${i}`}>
                  <td />
                  <td colSpan={GRID_COLUMNS.length + 1} className="fault" role="alert">
                    {fault.message}
                  </td>
                </tr>
              ),
            ];
          })}
        </tbody>
      </Table.Root>
    </Box>
  );
}
