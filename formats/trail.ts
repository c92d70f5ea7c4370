import { TABLES, type TableName } from "./tables";

/** A row of a table before and after a change, as the journal keeps it. */
export type TrailEntry = {
  table: string;
  key: string;
  before: Record<string, unknown> | null;
  after: Record<string, unknown> | null;
};

const LONGEST = 60;

const say = (value: unknown): string => {
  if (value === null || value === undefined || value === "") return "nothing";
  if (typeof value === "boolean") return value ? "yes" : "no";
  const text = typeof value === "object" ? JSON.stringify(value) : String(value);
  return text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text;
};
/** "netG" as "net, g"; "startedOn" as "started on". */
const fieldName = (name: string): string =>
  name.replace(/G$/, ", g").replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
const nameOf = (row: Record<string, unknown>, key: string): string =>
  [row.name, row.kind, row.at, row.day].find((x): x is string => typeof x === "string" && x !== "") ?? key;

/** What a change did to one row, in words: added, removed, or field by field from what to what. */
export function sayEntry(entry: TrailEntry): { what: string; fields: string[] } {
  const holds = TABLES[entry.table as TableName]?.one ?? entry.table;
  const { before, after } = entry;
  if (!before && !after) return { what: `${holds} ${entry.key}`, fields: [] };
  if (!before) return { what: `${holds} ${nameOf(after!, entry.key)}: added`, fields: [] };
  if (!after) return { what: `${holds} ${nameOf(before, entry.key)}: removed`, fields: [] };
  const fields = Object.keys(after)
    .filter((k) => JSON.stringify(after[k]) !== JSON.stringify(before[k]))
    .map((k) => `${fieldName(k)}: ${say(before[k])} → ${say(after[k])}`);
  return { what: `${holds} ${nameOf(after, entry.key)}: changed`, fields };
}
