import { Box, chakra, Flex } from "@chakra-ui/react";
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  type OnChangeFn,
  type RowSelectionState,
  useReactTable,
} from "@tanstack/react-table";
import { Camera } from "lucide-react";
import { Link } from "react-router";
import { sayDate } from "#core/calendar/day";
import { sayMass, type UnitSystem } from "#core/units/mass";
import type { Group } from "#core/weighing/pick-log";
import { COLUMN_NAMES, type Column } from "./log-columns";
import type { PickSort } from "./picks.server";

/** A row of the log as the loader shapes it: what is shown in each column, and how. */
export type LogRow = {
  id: string;
  at: string;
  kind: string;
  crop: string;
  bed: string;
  by: string;
  odd: boolean;
  /** photos it has */
  photos: number;
  cells: Partial<Record<Column, string>>;
};
const NUMBERS: readonly Column[] = ["gross", "tare", "net", "pieces", "each", "minutes", "age"];
const SORTS: Partial<Record<Column, PickSort>> = {
  when: "at",
  kind: "kind",
  crop: "crop",
  bed: "bed",
  net: "net",
  who: "by",
};

const LogTable = chakra("table", {
  base: {
    width: "100%",
    borderCollapse: "collapse",
    "& tbody tr": { borderTop: "1px solid var(--ak-colors-rule-soft)" },
    "& tbody tr:hover": { background: "var(--ak-colors-tint)" },
    "& th": { paddingRight: "1rem", paddingBottom: "0.5rem", fontWeight: 600, textAlign: "left", whiteSpace: "nowrap" },
    "& th a": { color: "inherit", textDecoration: "none" },
    "& td": { padding: "0.6rem 1rem 0.6rem 0", verticalAlign: "baseline" },
    "& td a": { color: "var(--ak-colors-moss)", textDecoration: "underline", textUnderlineOffset: "3px" },
    "& .when": { whiteSpace: "nowrap" },
    "& small, & .plain": { color: "var(--ak-colors-ink-soft)" },
    "& .kind": { fontWeight: 650 },
    "& .odd": { color: "var(--ak-colors-madder)" },
    "& .number": { textAlign: "right", whiteSpace: "nowrap", fontVariantNumeric: "tabular-nums" },
    "& .note": { maxWidth: "26ch" },
    "& input[type=checkbox]": { width: "20px", height: "20px", accentColor: "var(--ak-colors-moss)" },
    "& .choose": { display: "flex", alignItems: "center", minWidth: "32px", minHeight: "40px", margin: "-10px 0" },
    "& tr > :first-of-type:has(input)": { width: "40px", paddingRight: "0.5rem", verticalAlign: "middle" },
    "& tr[data-chosen]": { background: "var(--ak-colors-moss-tint)" },
  },
});

type Props = {
  rows: readonly LogRow[];
  columns: readonly Column[];
  sort: PickSort;
  down: boolean;
  /** address of the same log, sorted otherwise */
  sorted: (by: PickSort) => string;
  /** ids of the rows that are chosen */
  chosen: RowSelectionState;
  onChoose: OnChangeFn<RowSelectionState>;
};

const has = createColumnHelper<LogRow>();
/** Every column of the log; which of them are seen, the address says. */
const COLUMNS = [
  has.display({
    id: "chosen",
    header: ({ table }) => (
      <input
        type="checkbox"
        aria-label="Choose all on this page"
        checked={table.getIsAllPageRowsSelected()}
        onChange={table.getToggleAllPageRowsSelectedHandler()}
      />
    ),
    cell: ({ row }) => (
      <label className="choose">
        <input
          type="checkbox"
          name="pick"
          value={row.id}
          aria-label={`Choose ${row.original.kind}, ${sayDate(row.original.at.slice(0, 10))}`}
          checked={row.getIsSelected()}
          onChange={row.getToggleSelectedHandler()}
        />
      </label>
    ),
  }),
  ...(Object.keys(COLUMN_NAMES) as Column[]).map((c) =>
    has.accessor((r) => r.cells[c] ?? "", {
      id: c,
      header: COLUMN_NAMES[c],
      enableSorting: SORTS[c] !== undefined,
      cell: ({ row: { original: r }, getValue }) =>
        c === "when" ? (
          <>
            <Link to={`/picks/${r.id}`}>{sayDate(r.at.slice(0, 10))}</Link> <small>{r.at.slice(11)}</small>
            {r.photos > 0 && <PhotoMark photos={r.photos} />}
          </>
        ) : (
          getValue()
        ),
    }),
  ),
];
const lookOf = (r: LogRow, id: string): string =>
  NUMBERS.includes(id as Column)
    ? "number"
    : id === "when" || id === "kind" || id === "note"
      ? id
      : id === "grade"
        ? r.odd
          ? "odd"
          : "plain"
        : "";

/** The log as a table, sorted and cut to its columns by the address; rows are chosen to be changed together. */
export function PicksTable({ rows, columns, sort, down, sorted, chosen, onChoose }: Props) {
  const table = useReactTable({
    data: rows as LogRow[],
    columns: COLUMNS,
    getRowId: (r) => r.id,
    getCoreRowModel: getCoreRowModel(),
    // the server sorts, over all pages
    manualSorting: true,
    onRowSelectionChange: onChoose,
    state: {
      rowSelection: chosen,
      sorting: [{ id: Object.keys(SORTS).find((c) => SORTS[c as Column] === sort) ?? "when", desc: down }],
      columnVisibility: Object.fromEntries(
        (Object.keys(COLUMN_NAMES) as Column[]).map((c) => [c, columns.includes(c)] as const),
      ),
    },
  });
  return (
    <LogTable>
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map(({ id, column, getContext }) => {
              const by = SORTS[id as Column];
              const way = column.getIsSorted();
              const name = flexRender(column.columnDef.header, getContext());
              return (
                <th
                  key={id}
                  className={NUMBERS.includes(id as Column) ? "number" : undefined}
                  aria-sort={by ? (way ? (way === "desc" ? "descending" : "ascending") : "none") : undefined}
                >
                  {by ? (
                    <Link to={sorted(by)} preventScrollReset>
                      {name}
                      {way ? (way === "desc" ? " ↓" : " ↑") : ""}
                    </Link>
                  ) : (
                    name
                  )}
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((r) => (
          <tr key={r.id} data-chosen={r.getIsSelected() || undefined}>
            {r.getVisibleCells().map((c) => (
              <td key={c.id} className={lookOf(r.original, c.column.id)}>
                {flexRender(c.column.columnDef.cell, c.getContext())}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </LogTable>
  );
}

/** Says that a pick has photos. */
const PhotoMark = ({ photos }: { photos: number }) => (
  <>
    {" "}
    <Camera
      size={15}
      role="img"
      aria-label={photos === 1 ? "1 photo" : `${photos} photos`}
      style={{ display: "inline" }}
    />
  </>
);

/** A list of plain elements under one style: sixty rows of styled ones cost the server more than all the rest. */
const List = chakra("ul", {
  base: {
    listStyle: "none",
    "& li": {
      display: "flex",
      justifyContent: "space-between",
      gap: "0.75rem",
      padding: "0.6rem 0",
      minHeight: "56px",
      borderTop: "1px solid var(--ak-colors-rule-soft)",
    },
    "& a": {
      color: "var(--ak-colors-moss)",
      fontWeight: 650,
      textDecoration: "underline",
      textUnderlineOffset: "3px",
    },
    "& small": { display: "block", color: "var(--ak-colors-ink-soft)" },
    "& b": { fontWeight: 600, whiteSpace: "nowrap" },
  },
});

/** The log on a phone: a pick a line. */
export function PicksList({ rows }: { rows: readonly LogRow[] }) {
  return (
    <List>
      {rows.map((r) => (
        <li key={r.id}>
          <span>
            <Link to={`/picks/${r.id}`}>{r.kind}</Link>
            {r.photos > 0 && <PhotoMark photos={r.photos} />}
            <small>{[sayDate(r.at.slice(0, 10)), r.bed, r.by].filter(Boolean).join(", ")}</small>
          </span>
          <b>{r.cells.net}</b>
        </li>
      ))}
    </List>
  );
}

/** Picks drawn together: a bar a group, weighed and estimated told apart. */
export function PickGroups({ groups, units }: { groups: readonly Group[]; units: UnitSystem }) {
  const most = Math.max(1, ...groups.map((g) => g.totals.weighedG + g.totals.estimatedG));
  const any = (of: (g: Group) => number) => groups.some((g) => of(g) > 0);
  const columns: [string, (g: Group) => string, boolean][] = [
    ["Picks", (g) => String(g.totals.picks), true],
    ["Weighed", (g) => sayMass(g.totals.weighedG, units), true],
    ["Estimated", (g) => about(g.totals.estimatedG, units), any((g) => g.totals.estimatedG)],
    ["Beside it", (g) => about(g.totals.besideG, units), any((g) => g.totals.besideG)],
    ["Pieces", (g) => (g.totals.pieces > 0 ? String(g.totals.pieces) : ""), any((g) => g.totals.pieces)],
    [
      "Minutes",
      (g) => (g.totals.minutes > 0 ? String(Math.round(g.totals.minutes)) : ""),
      any((g) => g.totals.minutes),
    ],
  ];
  const shown = columns.filter(([, , on]) => on);
  return (
    <Box overflowX="auto" mb="8" role="region" aria-label="Picks summed up" tabIndex={0}>
      <LogTable>
        <thead>
          <tr>
            <th>Of</th>
            <th>Share</th>
            {shown.map(([name]) => (
              <th key={name} className="number">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {groups.map((g) => (
            <tr key={g.key}>
              <td className="kind">{g.name}</td>
              <td style={{ width: "30%", minWidth: 90 }}>
                <Flex h="12px" aria-hidden="true">
                  <Box bg="moss" style={{ width: `${(100 * g.totals.weighedG) / most}%` }} />
                  <Box
                    borderWidth="1.5px"
                    borderColor="moss"
                    style={{ width: `${(100 * g.totals.estimatedG) / most}%` }}
                    display={g.totals.estimatedG > 0 ? "block" : "none"}
                  />
                </Flex>
              </td>
              {shown.map(([name, words]) => (
                <td key={name} className="number">
                  {words(g)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </LogTable>
    </Box>
  );
}
const about = (g: number, units: UnitSystem): string => (g > 0 ? `about ${sayMass(g, units)}` : "");
