// npm run bench:soak: a garden is lived in for some minutes beside big imports, plans and backups; how long anybody waits
// and how much memory it takes. Writes bench/soak.md. MINUTES=20 unless told otherwise.
import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { Agent, get } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { build, bundleCommand, install, MEMORY_GIVEN_BACK, NODE_FLAGS, root } from "./ready.mjs";

install();
build();
const MINUTES = Number(process.env.MINUTES ?? 20);
const data = join(mkdtempSync(join(tmpdir(), "akmedon-soak-")), "garden");
const env = { ...MEMORY_GIVEN_BACK, ...process.env, AKMEDON_ROOT: root, NODE_ENV: "production" };
const server = spawn(process.execPath, [...NODE_FLAGS, bundleCommand(), "demo", "--data", data, "--port", "0"], {
  env,
});
const address = await new Promise((resolve) => {
  let said = "";
  server.stdout.on("data", (chunk) => {
    said += chunk;
    const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
    if (found) resolve(found[0]);
  });
});
const post = async (path, fields) => {
  const form = new FormData();
  for (const [k, v] of Object.entries(fields)) form.set(k, v);
  const response = await fetch(address + path, {
    method: "POST",
    body: form,
    headers: { Origin: address },
    redirect: "manual",
  });
  await response.text();
  return response.status;
};
const resident = () =>
  Number(execFileSync("ps", ["-o", "rss=", "-p", String(server.pid)], { encoding: "utf8" }).trim()) / 1024;
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
// the server gets going by itself before anybody comes (cli/warm-up.ts)
await wait(8000);
const until = performance.now() + MINUTES * 60_000;
const going = () => performance.now() < until;

/** Somebody in the garden: page after page, a pick now and then; how long each took. */
const VIEWS = [
  "/",
  "/walk",
  "/rounds",
  "/picks",
  "/keep",
  "/season",
  "/plot",
  "/weather",
  "/walk/tom-wall",
  "/handbook/peach",
];
/** What is picked, one after the other: hundreds of picks of one planting at the same minute are in no log. */
const PICKED = ["tom-wall", "kale-curly", "cou-lower", "tom-tunnel", "bean-brook", "car-bunch", "kale-palm"];
let picked = 0;
const waits = [];
const slow = new Map();
let faults = 0;
const faulty = new Map();
const fault = (what) => {
  faults += 1;
  faulty.set(what, (faulty.get(what) ?? 0) + 1);
};
/** What the host of this machine has given to others so far, by processor, ms (the eighth figure of /proc/stat; Linux). */
const taken = () => {
  try {
    return readFileSync("/proc/stat", "utf8")
      .split("\n")
      .filter((line) => /^cpu\d/.test(line))
      .map((line) => 10 * Number(line.split(" ")[8]));
  } catch {
    return [0];
  }
};
/** How late this process was woken, and when, ms: whatever holds up one that only waits holds up the server too. */
const woken = [];
const BEAT_MS = 10;
let due = performance.now() + BEAT_MS;
setInterval(() => {
  const now = performance.now();
  if (now - due > BEAT_MS / 2) woken.push({ now, late: now - due });
  due = now + BEAT_MS;
}, BEAT_MS).unref();
/** How long the thread that answers has been at work so far, ms (Linux). */
const atWork = () => {
  try {
    return Number(readFileSync(`/proc/${server.pid}/task/${server.pid}/schedstat`, "utf8").split(" ")[0]) / 1e6;
  } catch {
    return Number.NaN;
  }
};
const lateSince = (begun) => woken.filter((w) => w.now > begun).reduce((sum, w) => sum + w.late, 0);
const agent = new Agent({ keepAlive: true });
/**
 * A page opened: ms to its first byte. It comes compressed, as to any browser, and is not looked into: whoever opens it
 * sits at another machine and takes nothing from this one.
 */
const opened = (path) =>
  new Promise((resolve, reject) => {
    const begun = performance.now();
    get(address + path, { agent, headers: { "accept-encoding": "gzip" } }, (response) => {
      response.once("readable", () => {
        const first = performance.now() - begun;
        response.resume();
        response.once("end", () => resolve({ first, status: response.statusCode }));
      });
    }).once("error", reject);
  });
let beside = "nothing";
async function gardener() {
  for (let n = 0; going(); n++) {
    const path = VIEWS[n % VIEWS.length];
    const before = taken();
    const worked = atWork();
    const begun = performance.now();
    const { first, status } = await opened(path);
    if (status !== 200) fault(`${path}: ${status}, beside ${beside}`);
    const stood = first > 200 ? Math.max(lateSince(begun), ...taken().map((t, k) => t - before[k])) : 0;
    const work = first > 200 ? atWork() - worked : 0;
    waits.push({ ms: first, own: first - stood, stood, work, beside, path });
    if (first > 200) slow.set(`${beside}, ${path}`, Math.max(first, slow.get(`${beside}, ${path}`) ?? 0));
    if (n % 20 === 19) {
      const status = await post("/picks/new", {
        plantingId: PICKED[picked++ % PICKED.length],
        gross: `${1 + (n % 90) / 100} kg`,
        at: `2026-10-06T${String(8 + (picked % 7)).padStart(2, "0")}:${String(picked % 60).padStart(2, "0")}`,
        extent: "some",
        grade: "sound",
      });
      if (status >= 400) fault(`a pick logged: ${status}, beside ${beside}`);
    }
    await wait(40);
  }
}
/** The big works, one after the other, with pauses in which nothing else goes on. */
const table = [
  "date,time,kind,bed,weight",
  ...Array.from({ length: 5000 }, (_, i) => {
    const day = String(1 + (i % 28)).padStart(2, "0");
    return `2026-09-${day},${String(6 + (i % 14)).padStart(2, "0")}:${String(i % 60).padStart(2, "0")},red slicer,South wall,${100 + i} g`;
  }),
].join("\n");
/** Thirty years of a station's record, other ones each time, so that all of them are written. */
const thirtyYears = (n) =>
  [
    "date,tmin,tmax,rain,gust",
    ...Array.from({ length: 10950 }, (_, i) => {
      const day = new Date(Date.UTC(1990, 0, 1 + i)).toISOString().slice(0, 10);
      return `${day},${((i * 7) % 15) - 3 + (n % 10) / 10},${12 + ((i * 5) % 17)},${(i * 3) % 9},${5 + (i % 12)}`;
    }),
  ].join("\n");
async function works() {
  const all = [
    ["an import looked at", () => post("/picks/import", { table, intent: "check", token: "soak" })],
    ["thirty years of weather", (n) => post("/weather", { intent: "import", what: "record", text: thirtyYears(n) })],
    ["a plan", () => post("/rounds", { intent: "plan" })],
    ["a backup", () => post("/settings/backups", { intent: "make" })],
    ["the zip taken", () => fetch(`${address}/out/garden.zip`).then((r) => r.arrayBuffer())],
    ["the log as CSV", () => fetch(`${address}/out/picks.csv`).then((r) => r.text())],
  ];
  for (let n = 0; going(); n++) {
    const [name, run] = all[n % all.length];
    beside = name;
    const status = await run(n);
    if (typeof status === "number" && status >= 400) fault(`${name}: ${status}`);
    beside = "nothing";
    await wait(4000);
  }
}
const memory = [];
async function watching() {
  while (going()) {
    memory.push(resident());
    await wait(5000);
  }
}
await Promise.all([gardener(), works(), watching()]);
server.kill("SIGTERM");
const quantile = (xs, q) => [...xs].sort((a, b) => a - b)[Math.min(xs.length - 1, Math.floor(q * xs.length))] ?? 0;
const ms = (x) => `${Math.round(x)} ms`;
const besides = [...new Set(waits.map((w) => w.beside))];
const half = Math.floor(memory.length / 2);
const mean = (xs) => xs.reduce((s, x) => s + x, 0) / Math.max(1, xs.length);
const lines = [
  "# Lived in for a while",
  "",
  `Made by \`npm run bench:soak\`: ${MINUTES} minutes on a shared two-core machine. One gardener goes from page to page and logs`,
  "picks, while imports, plans, backups and archives are made beside. Time to first byte. Last column: less what the host gave",
  "to other machines meanwhile (steal in /proc/stat, of the processor that lost most), or by how much a process that only",
  "waits was woken too late.",
  "",
  "| beside | pages | median | p95 | longest | over 200 ms | of our own |",
  "|---|---:|---:|---:|---:|---:|---:|",
  ...besides.map((b) => {
    const xs = waits.filter((w) => w.beside === b).map((w) => w.ms);
    return `| ${b} | ${xs.length} | ${ms(quantile(xs, 0.5))} | ${ms(quantile(xs, 0.95))} | ${ms(Math.max(...xs))} | ${xs.filter((x) => x > 200).length} | ${waits.filter((w) => w.beside === b && w.own > 200).length} |`;
  }),
  "",
  `Answers with a fault: ${faults}${faults > 0 ? ` (${[...faulty].map(([what, n]) => `${n} × ${what}`).join("; ")})` : ""}. Memory: ${Math.round(mean(memory.slice(0, half)))} MB in the first half, ${Math.round(mean(memory.slice(half)))} MB in the second, at most ${Math.round(Math.max(...memory))} MB.`,
  "",
  ...(waits.some((w) => w.own > 200)
    ? [
        "Those of our own:",
        "",
        ...waits
          .filter((w) => w.own > 200)
          .map(
            (w) =>
              `- ${w.beside}, ${w.path}: ${ms(w.ms)}, the machine's of it ${ms(w.stood)}; the thread that answers was at work for ${ms(w.work)}`,
          ),
        "",
      ]
    : []),
  ...(slow.size > 0
    ? [
        "The longest waits:",
        "",
        ...[...slow]
          .sort((a, b) => b[1] - a[1])
          .slice(0, 8)
          .map(([what, t]) => `- ${what}: ${ms(t)}`),
        "",
      ]
    : []),
];
writeFileSync(join(root, "bench", "soak.md"), lines.join("\n"));
console.log(lines.join("\n"));
process.exit(faults > 0 ? 1 : 0);
