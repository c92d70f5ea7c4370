// npm run bench:log: a garden of 20 seasons and 100,000 picks behind the real server; prints a table and writes it to
// bench/log.md. Figures are of one run on one machine, which may be shared and noisy: read ratios, not digits.
import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { build, bundleBench, bundleCommand, install, MEMORY_GIVEN_BACK, NODE_FLAGS, root } from "./ready.mjs";

install();
build();
const command = bundleCommand();
const dir = mkdtempSync(join(tmpdir(), "akmedon-bench-"));
const data = join(dir, "garden");
const file = bundleBench("log");
const env = { ...MEMORY_GIVEN_BACK, ...process.env, AKMEDON_ROOT: root, NODE_ENV: "production" };
const made = JSON.parse(execFileSync(process.execPath, [file, data], { encoding: "utf8", env }));

const server = spawn(process.execPath, [...NODE_FLAGS, command, "serve", "--data", data, "--port", "0"], { env });
server.stderr.pipe(process.stderr);
const address = await new Promise((resolve) => {
  let said = "";
  server.stdout.on("data", (chunk) => {
    said += chunk;
    const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
    if (found) resolve(found[0]);
  });
});
const quantile = (xs, q) => [...xs].sort((a, b) => a - b)[Math.min(xs.length - 1, Math.floor(q * xs.length))];
const ms = (x) => (x < 10 ? x.toFixed(1) : Math.round(x));

/** The first calls of a view, before its code is warm, are not counted. */
const UNCOUNTED = 5;

/** Time to the whole page and to its first byte, ms. */
async function get(path) {
  const begun = performance.now();
  const response = await fetch(address + path);
  const reader = response.body.getReader();
  await reader.read();
  const first = performance.now() - begun;
  let bytes = 0;
  for (;;) {
    const part = await reader.read();
    if (part.done) break;
    bytes += part.value.length;
  }
  if (!response.ok) throw new Error(`${path}: ${response.status}`);
  return { first, whole: performance.now() - begun, bytes };
}
async function times(paths, n) {
  const out = [];
  for (let i = 0; i < n + UNCOUNTED; i++) out.push(await get(paths[i % paths.length]));
  return out.slice(UNCOUNTED);
}
const post = async (path, fields) => {
  const form = new FormData();
  for (const [k, v] of Object.entries(fields)) form.set(k, v);
  const begun = performance.now();
  const response = await fetch(address + path, {
    method: "POST",
    body: form,
    headers: { Origin: address },
    redirect: "manual",
  });
  await response.text();
  if (response.status >= 400) throw new Error(`${path}: ${response.status}`);
  return performance.now() - begun;
};
let picked = 0;
const logPick = () =>
  post("/picks/new", {
    plantingId: "tom-wall",
    gross: `${1 + picked++ / 100} kg`,
    at: "2026-10-06T15:20",
    extent: "some",
    grade: "sound",
  });
/** A view asked for the first time after a pick, when nothing that was worked out before holds any more. */
async function afterPicks(paths, n) {
  const out = [];
  for (let i = 0; i < n; i++) {
    await logPick();
    out.push(await get(paths[i % paths.length]));
  }
  return out;
}
const resident = () =>
  Number(execFileSync("ps", ["-o", "rss=", "-p", String(server.pid)], { encoding: "utf8" }).trim()) / 1024;
const cold = await get("/");
const atFirst = resident();
// whoever asks for the whole log before it is read has to wait for that
const coldLog = await get("/picks");
const rows = [];
const figures = (list) => {
  const whole = list.map((t) => t.whole);
  return `${ms(quantile(whole, 0.5))} ms | ${ms(quantile(whole, 0.95))} ms`;
};
const row = (what, list, aim, fresh = null) =>
  rows.push(`| ${what} | ${figures(list)} | ${aim} | ${fresh ? figures(fresh) : " | "} |`);
row("the log, latest first, any page", await times(["/picks", "/picks?page=2", "/picks?page=900"], 60), "120 ms");
const asked = [
  "crop=tomato",
  "year=2014&grade=eat-first",
  "q=after+rain",
  "who=Tam&from=2015-06-01&to=2018-09-01",
  "figure=estimated",
];
// what a filter asks of the server: its data alone, as the page fetches it
row(
  "a filter, data only",
  await times(
    asked.map((q) => `/picks.data?${q}`),
    60,
  ),
  "60 ms",
);
row(
  "drawn together by kind, week, grade",
  await times(
    ["kind", "week", "grade"].map((g) => `/picks?group=${g}`),
    30,
  ),
  "",
);
row("calendar of a month", await times(["/picks/calendar?month=2014-07", "/picks/calendar?month=2020-08"], 30), "");
row("season sheet", await times(["/picks/sheet?year=2014", "/picks/sheet?year=2020"], 30), "");
for (const [what, paths] of [
  ["season: what it gave", ["/season?year=2014", "/season?year=2020&by=bed"]],
  ["season: all of them", ["/season?year=all&by=kind"]],
  ["season: compare", ["/season/compare?crop=tomato", "/season/compare?crop=kale&split=sun"]],
  ["season: compare ways of picking", ["/season/compare?crop=kale&split=method"]],
  ["season: rhythm", ["/season/rhythm"]],
  ["season: gluts and gaps", ["/season/weeks?year=2014", "/season/weeks?year=2020"]],
  ["season: beds after", ["/season/beds"]],
  ["season: sowings", ["/season/sowings?all=yes", "/season/sowings?bed=tunnel"]],
  ["season: seed box", ["/season/seeds"]],
  ["season: next year", ["/season/next"]],
  ["season: lessons", ["/season/lessons"]],
  ["season: report", ["/season/report?year=2014"]],
])
  row(what, await times(paths, 60), "200 ms", await afterPicks(paths, 12));
row("Today", await times(["/"], 60), "", await afterPicks(["/"], 12));

const logged = [];
const after = [];
for (let i = 0; i < 12; i++) {
  logged.push({ whole: await logPick() });
  after.push(await get("/picks"));
}
row("a pick logged", logged, "");
row("the log just after it", after, "120 ms");

const csv = await get("/out/picks.csv");
const json = await get("/out/picks.json");
const table = [
  "date,time,kind,bed,weight",
  ...Array.from({ length: 20_000 }, (_, i) => {
    const day = String(1 + (i % 28)).padStart(2, "0");
    return `2026-09-${day},${String(6 + (i % 14)).padStart(2, "0")}:${String(i % 60).padStart(2, "0")},red slicer,South wall,${100 + i} g`;
  }),
].join("\n");
let steps = 0;
let busy = true;
const watching = (async () => {
  const seen = new Set();
  while (busy) {
    const { done } = await (await fetch(`${address}/progress/bench`)).json();
    if (done !== null) seen.add(done);
    await new Promise((r) => setTimeout(r, 30));
  }
  steps = seen.size;
})();
const looked = await post("/picks/import", { table, intent: "check", token: "bench" });
const brought = await post("/picks/import", { table, intent: "import", token: "bench" });
busy = false;
await watching;
const afterAll = resident();
server.kill("SIGTERM");

const lines = [
  "# The log of 20 seasons",
  "",
  `One run of \`npm run bench:log\` on a shared two-core machine: ${made.picks.toLocaleString("en")} picks of ${made.plantings} plantings behind the real server.`,
  "",
  "| what | median | p95 | aim | first after a pick: median | p95 |",
  "|---|---|---|---|---|---|",
  ...rows,
  "",
  "| what | measured | aim |",
  "|---|---|---|",
  `| first page after the start: Today | ${ms(cold.whole)} ms | 1 s |`,
  `| the log right after it, everything read | ${ms(coldLog.whole)} ms | |`,
  `| resident after the first page | ${Math.round(atFirst)} MB | |`,
  `| 20,000 rows of CSV looked at | ${ms(looked)} ms | |`,
  `| 20,000 rows of CSV read, checked and written, with their undo | ${ms(brought)} ms | 5 s |`,
  `| different words of progress while both went on | ${steps} | more than one |`,
  `| the whole log as CSV | first byte ${ms(csv.first)} ms, ${(csv.bytes / 1e6).toFixed(1)} MB in ${ms(csv.whole)} ms | streamed |`,
  `| the whole log as JSON | first byte ${ms(json.first)} ms, ${(json.bytes / 1e6).toFixed(1)} MB in ${ms(json.whole)} ms | streamed |`,
  `| resident after all of it | ${Math.round(afterAll)} MB | 400 MB |`,
  "",
];
writeFileSync(join(root, "bench", "log.md"), lines.join("\n"));
console.log(lines.join("\n"));
process.exit(0);
