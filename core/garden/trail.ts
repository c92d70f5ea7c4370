/** A row of a table before and after a change, as the journal keeps it. */
export type TrailEntry = {
  table: string;
  key: string;
  before: Record<string, unknown> | null;
  after: Record<string, unknown> | null;
};

/** Tables by what they hold. */
const HOLDS: Record<string, string> = {
  garden: "the garden",
  people: "person",
  containers: "container",
  windows: "window",
  datedWindows: "dated window",
  tastes: "liking",
  places: "place",
  trips: "trip",
  beds: "bed",
  plantings: "planting",
  checks: "check",
  rounds: "round",
  roundLines: "line of a round",
  picks: "pick",
  treatments: "treatment",
  pickWishes: "wish",
  placeReadings: "reading of a place",
  lotEvents: "what befell a lot",
  lessons: "lesson",
  bedLosses: "loss in the bed",
  ticks: "step ticked off",
  ownJobs: "job",
  jobMarks: "job done or left out",
  dishes: "dish",
  seedLots: "seed",
  planned: "next year’s planting",
  weighings: "own weighing",
  views: "kept view",
  weatherDays: "weather of",
  forecasts: "forecast",
  bedReadings: "thermometer reading",
  covers: "cover",
  plans: "plan",
  ownCrops: "own crop",
  practice: "practice",
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
  const holds = HOLDS[entry.table] ?? entry.table;
  const { before, after } = entry;
  if (!before && !after) return { what: `${holds} ${entry.key}`, fields: [] };
  if (!before) return { what: `${holds} ${nameOf(after!, entry.key)}: added`, fields: [] };
  if (!after) return { what: `${holds} ${nameOf(before, entry.key)}: removed`, fields: [] };
  const fields = Object.keys(after)
    .filter((k) => JSON.stringify(after[k]) !== JSON.stringify(before[k]))
    .map((k) => `${fieldName(k)}: ${say(before[k])} → ${say(after[k])}`);
  return { what: `${holds} ${nameOf(after, entry.key)}: changed`, fields };
}
