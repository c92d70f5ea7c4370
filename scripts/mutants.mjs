// npm run mutants [FOLDER …]: changes one line after the other on purpose and sees whether the folder's own tests notice.
// Writes bench/mutants.md. SHARE=1 tries every line; without it a tenth of them, drawn by a fixed seed, which takes about
// half an hour on two cores. What was tried before is not tried again while neither it nor a test of its folder changed.
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { install, root } from "./ready.mjs";

const FOLDERS = [
  "core/planting",
  "core/planning",
  "core/keeping",
  "core/weighing",
  "core/season",
  "core/weather",
  "core/handbook",
  "core/calendar",
  "core/units",
  "core/jobs",
  "formats",
  "db",
];
const SHARE = Number(process.env.SHARE ?? 0.1);
/** Lines are drawn in runs of so many: a statement is seldom longer. */
const RUN = 12;
const SOURCE = /(?<!\.test|\.d)\.ts$/;

const filesIn = (folder) =>
  readdirSync(join(root, folder), { recursive: true, encoding: "utf8" })
    .filter((f) => SOURCE.test(f) && !f.includes("migrations") && !f.includes("fixtures"))
    .map((f) => `${folder}/${f}`)
    .sort();
/** Whether a run of lines is drawn: the same on every machine, and as long as its lines stay where they are. */
const drawn = (file, at) => createHash("sha256").update(`${file}:${at}`).digest().readUInt32BE(0) / 0xffffffff < SHARE;
function linesOf(folder) {
  return filesIn(folder).flatMap((file) => {
    const count = readFileSync(join(root, file), "utf8").split("\n").length;
    return Array.from({ length: Math.ceil(count / RUN) }, (_, k) => k * RUN + 1)
      .filter((at) => drawn(file, at))
      .map((at) => `${file}:${at}-${Math.min(count, at + RUN - 1)}`);
  });
}

/** Stryker keeps its findings by the code alone: where a test has changed since, they no longer hold. */
function forgetWhereTestsChanged(folder, name) {
  const tests = readdirSync(join(root, folder), { recursive: true, encoding: "utf8" }).filter((f) =>
    /\.test\.ts$/.test(f),
  );
  const hash = createHash("sha256");
  for (const file of tests.sort()) hash.update(readFileSync(join(root, folder, file)));
  const [mark, now] = [join(root, "build", "mutants", `${name}.tests`), hash.digest("hex")];
  if (existsSync(mark) && readFileSync(mark, "utf8") === now) return;
  rmSync(join(root, "build", "mutants", `${name}.json`), { force: true });
  writeFileSync(mark, now);
}

/** The share of lines by which a folder was last tried. */
const shareFile = (name) => join(root, "build", "mutants", `${name}.share`);

install();
mkdirSync(join(root, "build", "mutants"), { recursive: true });
const asked = process.argv.slice(2);
const rows = [];
const survivors = [];
for (const folder of FOLDERS) {
  const name = folder.replaceAll("/", "-");
  const report = join(root, "build", "mutants", `report-${name}.json`);
  if (asked.length === 0 || asked.includes(folder)) {
    console.log(`\n— ${folder}`);
    forgetWhereTestsChanged(folder, name);
    spawnSync(join(root, "node_modules", ".bin", "stryker"), ["run"], {
      cwd: root,
      stdio: "inherit",
      env: { ...process.env, MUTANTS_FOLDER: folder, MUTANTS_LINES: linesOf(folder).join(",") },
    });
  }
  if (asked.length === 0 || asked.includes(folder)) writeFileSync(shareFile(name), String(SHARE));
  if (!existsSync(report)) continue;
  const { files } = JSON.parse(readFileSync(report, "utf8"));
  const all = Object.entries(files).flatMap(([file, { mutants }]) => mutants.map((m) => ({ file, ...m })));
  const count = (...states) => all.filter((m) => states.includes(m.status)).length;
  const noticed = count("Killed", "Timeout");
  const unnoticed = count("Survived", "NoCoverage");
  const share = existsSync(shareFile(name)) ? Number(readFileSync(shareFile(name), "utf8")) : SHARE;
  rows.push({
    folder,
    share,
    noticed,
    survived: count("Survived"),
    uncovered: count("NoCoverage"),
    all: noticed + unnoticed,
  });
  survivors.push(...all.filter((m) => m.status === "Survived" || m.status === "NoCoverage"));
}
const percent = (n, of) => (of === 0 ? "–" : `${Math.round((100 * n) / of)} %`);
/** Half the width of the interval that holds the score of all lines in 95 of 100 drawings. */
const doubt = (share, n, of) =>
  share >= 1 || of === 0 ? "" : ` ± ${Math.round(196 * Math.sqrt(((n / of) * (1 - n / of)) / of))}`;
const worst = [...(Map.groupBy?.(survivors, (m) => m.file) ?? groupBy(survivors, (m) => m.file))]
  .sort((a, b) => b[1].length - a[1].length)
  .slice(0, 25);
/** Why some of them may live: written by hand below this heading, and kept. */
const REASONS = "## Why some live";
const before = join(root, "bench", "mutants.md");
const written = existsSync(before) ? readFileSync(before, "utf8") : "";
const reasons = written.includes(REASONS) ? written.slice(written.indexOf(REASONS)) : `${REASONS}\n`;
writeFileSync(
  before,
  [
    "# Changes put in on purpose",
    "",
    "Made by `npm run mutants` (Stryker; lines drawn by a fixed seed, or all of them): one change at a time,",
    "and only the folder's own unit tests are asked. Texts are left as they are; tests of other folders, of the running",
    "application and of the browser notice many of those that live here.",
    "",
    "| folder | of its lines | changes | noticed | score | not noticed | reached by no test of the folder |",
    "|---|---:|---:|---:|---:|---:|---:|",
    ...rows.map(
      (r) =>
        `| ${r.folder} | ${percent(r.share, 1)} | ${r.all} | ${r.noticed} | ${percent(r.noticed, r.all)}${doubt(r.share, r.noticed, r.all)} | ${r.survived} | ${r.uncovered} |`,
    ),
    "",
    "## Where most were not noticed",
    "",
    ...worst.map(
      ([file, list]) =>
        `- \`${file}\`: ${list.length}, lines ${[...new Set(list.map((m) => m.location.start.line))].join(", ")}`,
    ),
    "",
    reasons,
  ].join("\n"),
);
console.log("\nbench/mutants.md is written.");

function groupBy(list, key) {
  const groups = new Map();
  for (const item of list) groups.set(key(item), [...(groups.get(key(item)) ?? []), item]);
  return groups;
}
