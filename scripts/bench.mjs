// npm run bench: how fast, how big, how near to the best. Prints a table and writes it to bench/results.md.
// Figures are of one run on one machine, which may be shared and noisy: read ratios, not digits.
import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { chromium as browserOf } from "playwright-core";
import { gardenOfSixty } from "./garden-of-sixty.mjs";
import { build, bundleBench, bundleCommand, chromium, install, NODE_FLAGS, root } from "./ready.mjs";

install();
build();
const command = bundleCommand();
const dir = mkdtempSync(join(tmpdir(), "akmedon-bench-"));
const quantile = (xs, q) => [...xs].sort((a, b) => a - b)[Math.min(xs.length - 1, Math.floor(q * xs.length))];
const ms = (x) => (x < 10 ? x.toFixed(1) : Math.round(x));

const file = bundleBench("core");
const core = JSON.parse(
  execFileSync(process.execPath, [file], { encoding: "utf8", env: { ...process.env, NODE_ENV: "production" } }),
);

const env = { ...process.env, AKMEDON_ROOT: root, NODE_ENV: "production" };
/** Serves a garden; its address once it answers. */
function serve(verb, data) {
  const server = spawn(process.execPath, [...NODE_FLAGS, command, verb, "--data", data, "--port", "0"], { env });
  return new Promise((resolve) => {
    let said = "";
    server.stdout.on("data", (chunk) => {
      said += chunk;
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
      if (found) resolve({ server, address: found[0] });
    });
  });
}

/** Times to the first byte of a page, ms, once it is warm; and the whole page. */
async function firstBytes(page) {
  const times = [];
  let html = "";
  for (let i = 0; i < 45; i++) {
    const begun = performance.now();
    const reader = (await fetch(page)).body.getReader();
    let part = await reader.read();
    if (i >= 5) times.push(performance.now() - begun);
    for (; !part.done; part = await reader.read()) if (i === 0) html += Buffer.from(part.value).toString();
  }
  return { times, html };
}

const from = performance.now();
const { server, address } = await serve("demo", join(dir, "garden"));
const startMs = performance.now() - from;

const views = [
  "/",
  "/walk",
  "/walk/tom-wall",
  "/walk/practice",
  "/rounds",
  "/picks",
  "/picks/new",
  "/picks/calendar",
  "/keep",
  "/keep/lots/on-26-1",
  "/keep/places",
  "/plot",
  "/plot/beds/wall",
  "/plot/plantings/tom-wall",
  "/weather",
  "/weather/record",
  "/handbook",
  "/handbook/tomato",
  "/settings",
  "/out/picks.csv",
];
const rows = [];
for (const view of views) {
  const { times, html } = await firstBytes(address + view);
  rows.push({ view, html });
  const row = rows.at(-1);
  const scripts = new Set([...row.html.matchAll(/\/assets\/[\w.-]+\.js/g)].map((m) => m[0]));
  for (const script of [...scripts])
    for (const m of readFileSync(join(root, "build", "client", script), "utf8").matchAll(/from"\.\/([\w.-]+\.js)"/g))
      scripts.add(`/assets/${m[1]}`);
  row.p50 = quantile(times, 0.5);
  row.p95 = quantile(times, 0.95);
  row.scriptKB =
    [...scripts]
      .filter((s) => !s.includes("manifest"))
      .reduce((sum, s) => sum + gzipSync(readFileSync(join(root, "build", "client", s))).length, 0) / 1000;
  row.htmlKB = gzipSync(row.html).length / 1000;
}
// the pages that a large garden is felt in
const large = await serve("serve", gardenOfSixty(command, join(dir, "garden"), dir, env));
const largeRows = [];
for (const view of ["/", "/walk", "/jobs", "/rounds", "/plot"]) {
  const { times } = await firstBytes(large.address + view);
  largeRows.push({ view, p50: quantile(times, 0.5), p95: quantile(times, 0.95) });
}
large.server.kill();
// in the browser: from a tap on a reading to the new verdict drawn
const browser = await browserOf.launch({ executablePath: chromium(), args: ["--no-sandbox", "--disable-gpu"] });
const phone = await browser.newPage({ viewport: { width: 390, height: 844 } });
await phone.goto(`${address}/walk/tom-wall`, { waitUntil: "networkidle" });
const taps = await phone.evaluate(async () => {
  const tiles = [...document.querySelectorAll("input[name=cue-colour]")];
  const times = [];
  for (let i = 0; i < 24; i++) {
    const begun = performance.now();
    tiles[i % tiles.length].click();
    await new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn, 0)));
    times.push(performance.now() - begun);
  }
  return times;
});
await browser.close();

const node = execFileSync("ps", ["-o", "rss=", "-p", String(server.pid)], { encoding: "utf8" });
const residentMB = Number(node.trim()) / 1024;
server.kill("SIGTERM");

const lines = [
  "# Bench",
  "",
  "One run of `npm run bench` on a shared two-core machine; medians move by half from run to run.",
  "",
  "| what | measured | aim |",
  "|---|---|---|",
  `| 200 plantings filtered over 120 days | ${ms(core.filterMs.median)} ms median, ${ms(core.filterMs.first)} ms the first time | 200 ms |`,
  `| 300 plantings with 60 readings each, worked out anew | ${ms(core.replayMs.median)} ms median, ${ms(core.replayMs.first)} ms the first time | 400 ms |`,
  `| a tap on a reading to the new verdict drawn, 390 x 844 | ${ms(quantile(taps, 0.5))} ms median, ${ms(quantile(taps, 0.95))} ms p95 | 100 ms |`,
  `| plan of 30 plantings, 14 days, 2 windows, minutes tight | ${ms(core.plannerMs.median)} ms median, ${ms(core.plannerMs.worst)} ms worst of 10 | 500 ms |`,
  `| proven gap of those plans | ${(100 * core.plannerGap.median).toFixed(2)} % median, ${(100 * core.plannerGap.worst).toFixed(2)} % worst | |`,
  `| outlook of the demo garden (16 plantings, judged and supplied) | ${ms(core.outlookMs.median)} ms median, ${ms(core.outlookMs.first)} ms the first time | |`,
  `| 20 years of daily weather read from CSV and checked | ${ms(core.dailyFileMs.median)} ms median, ${ms(core.dailyFileMs.first)} ms the first time | 3 s with the next |`,
  `| 3 years of hourly weather, columns found, folded into days | ${ms(core.hourlyFileMs.median)} ms median, ${ms(core.hourlyFileMs.first)} ms the first time | |`,
  `| both, from file into the garden with their undo | ${ms(core.intoGardenMs.daily)} and ${ms(core.intoGardenMs.hourly)} ms | 3 s |`,
  `| what Today reads from a garden with that record, after a change | ${ms(core.todayReadsMs.median)} ms median, ${ms(core.todayReadsMs.first)} ms just after the import | 20 ms |`,
  `| what to use first of a year's 2,000 lots, ${core.useListMs.inHouse} still in the house | ${ms(core.useListMs.median)} ms median, ${ms(core.useListMs.first)} ms the first time | 50 ms |`,
  `| start, demo garden grown and planned included | ${ms(startMs)} ms | |`,
  `| resident after ${45 * views.length} pages | ${Math.round(residentMB)} MB | 300 MB |`,
  "",
  "## Every crop, every school",
  "",
  "Every decisive cue of every school of the handbook, read at 0.7, 1 and 1.4 of the usual days:",
  "",
  "| asked | fits | share |",
  "|---|---|---|",
  ...core.sweeps.map((s) => `| ${s.name} | ${s.fit} of ${s.all} | ${((100 * s.fit) / s.all).toFixed(1)} % |`),
  "",
  "## Does a chance mean what it says?",
  "",
  `${core.brier.count} simulated plantings of ${core.brier.crops} crops that grow by other equations than the filter's, at a pace it does not know, judged around ripening after two looks. Brier score, smaller is better:`,
  "",
  "| by | Brier score | filter against it |",
  "|---|---|---|",
  `| the filter with its two looks | ${core.brier.filter.toFixed(4)} | |`,
  ...[
    ["the last look alone", core.brier.lastLook],
    ["the packet's dates alone", core.brier.packet],
    ["warmth alone, nobody looking", core.brier.warmth],
  ].map(([name, b]) => `| ${name} | ${b.toFixed(4)} | ${Math.round(100 * (1 - core.brier.filter / b))} % better |`),
  "",
  "| chance said | came true | plantings |",
  "|---|---|---|",
  ...core.reliability.map(
    (r) => `| ${Math.round(100 * r.said)} % | ${r.count ? `${Math.round(100 * r.came)} %` : ""} | ${r.count} |`,
  ),
  "",
  "1,000 simulated nights, frost chances from a source too warm by 1.5 K whose ensemble of 20 is half as wide as it should be. Brier score:",
  "",
  "| days ahead | its members, put right by what it has taught | its single forecast, put right | its members as they come | an error nobody measured |",
  "|---|---|---|---|---|",
  ...core.frost.map(
    (f) =>
      `| ${f.lead} | ${f.ensemble.toFixed(4)} | ${f.single.toFixed(4)} | ${f.raw.toFixed(4)} | ${f.assumed.toFixed(4)} |`,
  ),
  "",
  ...core.frost.flatMap((f) => [
    `| chance of frost said by the ensemble, ${f.lead === 1 ? "a day" : `${f.lead} days`} ahead | came true | nights |`,
    "|---|---|---|",
    ...f.reliability.map(
      (r) => `| ${Math.round(100 * r.said)} % | ${r.count ? `${Math.round(100 * r.came)} %` : ""} | ${r.count} |`,
    ),
    "",
  ]),
  "| view | first byte p50 | p95 (aim 80 ms) | script, gzip (aim 300 kB) | page, gzip |",
  "|---|---|---|---|---|",
  ...rows.map(
    (r) =>
      `| \`${r.view}\` | ${ms(r.p50)} ms | ${ms(r.p95)} ms | ${r.scriptKB.toFixed(0)} kB | ${r.htmlKB.toFixed(0)} kB |`,
  ),
  "",
  "| view of a garden of 60 plantings and 20 repeated jobs | first byte p50 | p95 (aim 80 ms) |",
  "|---|---|---|",
  ...largeRows.map((r) => `| \`${r.view}\` | ${ms(r.p50)} ms | ${ms(r.p95)} ms |`),
  "",
];
writeFileSync(join(root, "bench", "results.md"), lines.join("\n"));
console.log(lines.join("\n"));
process.exit(0);
