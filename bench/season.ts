import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import { isMainThread, parentPort, Worker, workerData } from "node:worker_threads";
import { seattleRecord } from "../core/fixtures/open-record";
import { akmedon, LETTER, type Said, UNSEEN, WHOLE } from "../standins/season/akmedon";
import { clairvoyant } from "../standins/season/clairvoyant";
import { byThePacket, daily, everySecond, everyThird, keen, weekly } from "../standins/season/habits";
import { brierOf, carriedOn, missedBy, reliability, sureAndTrue, worstSaid } from "../standins/season/reckoning";
import { runSeason, type SeasonScore } from "../standins/season/season";
import { CLIMATES, layOut, recordedClimate, type TrialClimate } from "../standins/season/trial-garden";

/** The season trial: whole years lived through by rules of thumb, by Akmedon, and with foresight. */

const ROOT = join(dirname(fileURLToPath(import.meta.url)), "..", "..");
const record = (): string => readFileSync(join(ROOT, "node_modules", "vega-datasets", "data", "weather.csv"), "utf8");
const climates = (): TrialClimate[] => [
  ...CLIMATES,
  recordedClimate("Seattle 2013 to 2015, an open record", 47.6, 8, seattleRecord(record())),
];
const SEEDS = Number(process.env.SEASONS ?? 12);

type Task = { climate: string; seed: number; only: string | null };
type Scored = { decider: string; score: SeasonScore };
type Done = Task & { runs: Scored[]; looked: Said[]; unseen: Said[]; seconds: number };

function live(task: Task): Done {
  const from = performance.now();
  const climate = climates().find((c) => c.id === task.climate)!;
  const season = layOut(climate, task.seed, task.only);
  const looked: Said[] = [];
  const unseen: Said[] = [];
  const deciders = [
    weekly,
    everyThird,
    everySecond,
    daily,
    byThePacket,
    keen,
    akmedon(WHOLE, looked),
    akmedon(UNSEEN, unseen),
    akmedon(LETTER),
    () => clairvoyant(season),
  ];
  const runs = deciders.map((make) => {
    const decider = make();
    return { decider: decider.name, score: runSeason(season, decider).score };
  });
  return { ...task, runs, looked, unseen, seconds: (performance.now() - from) / 1000 };
}

const fixed = (x: number, places = 0): string => x.toFixed(places).replace("-", "−");
const mean = <T>(of: readonly T[], value: (x: T) => number): number =>
  of.reduce((s, x) => s + value(x), 0) / Math.max(1, of.length);

/** Kilos lost in the bed to what a pick in time would have saved, and over-age ones picked. */
const spoiltOf = (s: SeasonScore): number => s.kg.over + s.kg.lost.age + s.kg.lost.frost + s.kg.lost.animals;

function table(done: readonly Done[]): string {
  const names = done[0]!.runs.map((r) => r.decider);
  const rows = names.map((name, k) => {
    const of = done.map((d) => d.runs[k]!.score);
    return [
      name.startsWith("Akmedon") ? `**${name}**` : name,
      fixed(mean(of, (s) => s.net)),
      fixed(mean(of, (s) => s.worth)),
      fixed(mean(of, (s) => s.minutes / 60)),
      fixed(mean(of, (s) => s.rounds)),
      fixed(mean(of, (s) => s.kg.prime)),
      fixed(mean(of, (s) => s.kg.unripe)),
      fixed(
        mean(of, (s) => s.kg.over),
        1,
      ),
      fixed(
        mean(of, (s) => s.kg.lost.frost),
        1,
      ),
      fixed(
        mean(of, (s) => s.kg.lost.age),
        1,
      ),
      fixed(
        mean(of, (s) => s.kg.lost.animals + s.kg.lost.rain + s.kg.lost.gale),
        1,
      ),
      fixed(mean(of, (s) => s.looks)),
      fixed(mean(of, (s) => s.lookMinutes)),
      fixed(mean(of, (s) => s.daysOut)),
    ];
  });
  const head = [
    "who decides",
    "net",
    "worth",
    "hours",
    "rounds",
    "kg prime",
    "kg unripe",
    "kg over-age",
    "lost: frost",
    "age",
    "wind, rain, animals",
    "looks",
    "minutes looking",
    "days out",
  ];
  const line = (cells: readonly string[]) => `| ${cells.join(" | ")} |`;
  return [line(head), line(head.map((_, i) => (i === 0 ? "---" : "---:"))), ...rows.map(line)].join("\n");
}

function bands(cases: readonly Said[]): string {
  return [
    "| said | how often | mean said | came true |",
    "| --- | ---: | ---: | ---: |",
    ...reliability(cases)
      .filter((b) => b.count > 0)
      .map(
        (b) =>
          `| ${fixed(100 * b.from)} to ${fixed(100 * b.to)} % | ${b.count} | ${fixed(100 * b.said, 1)} % | ${fixed(100 * b.came, 1)} % |`,
      ),
  ].join("\n");
}

function summary(done: readonly Done[]): { rows: string; aims: string } {
  const of = (name: string) => {
    const k = done[0]!.runs.findIndex((r) => r.decider === name);
    return done.map((d) => d.runs[k]!.score);
  };
  const net = (name: string) => mean(of(name), (s) => s.net);
  const rhythms = done[0]!.runs.slice(0, 4).map((r) => r.decider);
  const best = rhythms.reduce((a, b) => (net(b) > net(a) ? b : a));
  const ours = net(WHOLE.name);
  const share = (a: number, b: number) => `${fixed((100 * a) / b, 1)} %`;
  const spoilt = (name: string) => mean(of(name), spoiltOf);
  const hours = (name: string) => mean(of(name), (s) => s.minutes / 60);
  const rows: [string, string, string][] = [
    ["net worth of the clairvoyant's", share(ours, net("the clairvoyant")), "95 %"],
    [`net worth of the best fixed rhythm's (${best})`, share(ours, net(best)), "108 %"],
    [
      "kilos spoilt (over-age, frost, age, animals) of the weekly round's",
      share(spoilt(WHOLE.name), spoilt("a round every Saturday")),
      "70 %",
    ],
    ["hours of the keen gardener's", share(hours(WHOLE.name), hours("the keen gardener")), "100 %"],
    ["net worth of the keen gardener's", share(ours, net("the keen gardener")), "over 100 %"],
    [
      "nobody ever looking: net worth of the weekly round's",
      share(net(UNSEEN.name), net("a round every Saturday")),
      "100 %",
    ],
  ];
  return {
    rows: ["| measure | now | aim |", "| --- | ---: | ---: |", ...rows.map((r) => `| ${r.join(" | ")} |`)].join("\n"),
    aims: "",
  };
}

/** Net worth by decider as bars, each climate a group; the clairvoyant as the line above. */
function picture(done: readonly Done[]): string {
  const ids = [...new Set(done.map((d) => d.climate))];
  const names = done[0]!.runs.map((r) => r.decider);
  const tint = [
    "#b9ad93",
    "#a89c80",
    "#978b6d",
    "#857a5b",
    "#c7bda7",
    "#6f7f4d",
    "#9a3b2c",
    "#c98a5c",
    "#d9b08c",
    "#2f4a3a",
  ];
  const top = Math.max(...done.flatMap((d) => d.runs.map((r) => r.score.net)));
  const width = 940;
  const group = (width - 60) / ids.length;
  const bar = (group - 24) / names.length;
  const y = (v: number) => 300 - (260 * Math.max(0, v)) / top;
  const parts = ids.flatMap((id, g) => {
    const of = done.filter((d) => d.climate === id);
    const x0 = 50 + g * group;
    return [
      ...names.map((_, k) => {
        const v = mean(of, (d) => d.runs[k]!.score.net);
        return `<rect x="${fixed(x0 + k * bar, 1)}" y="${fixed(y(v), 1)}" width="${fixed(bar - 2, 1)}" height="${fixed(300 - y(v), 1)}" fill="${tint[k]}"/>`;
      }),
      `<text x="${fixed(x0, 1)}" y="318" font-size="12" fill="#333">${id}</text>`,
    ];
  });
  const legend = names.map(
    (n, k) =>
      `<rect x="${50 + (k % 5) * 178}" y="${336 + Math.floor(k / 5) * 20}" width="12" height="12" fill="${tint[k]}"/><text x="${68 + (k % 5) * 178}" y="${346 + Math.floor(k / 5) * 20}" font-size="11" fill="#333">${n}</text>`,
  );
  const grid = [0, 0.25, 0.5, 0.75, 1].map(
    (s) =>
      `<line x1="46" x2="${width}" y1="${fixed(y(s * top), 1)}" y2="${fixed(y(s * top), 1)}" stroke="#ddd"/><text x="40" y="${fixed(y(s * top) + 4, 1)}" font-size="11" text-anchor="end" fill="#555">${fixed(s * top)}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} 384" font-family="sans-serif"><title>Net worth of a season by who decides, kilos of potatoes</title><rect width="${width}" height="384" fill="#fffdf7"/>${grid.join("")}${parts.join("")}${legend.join("")}</svg>\n`;
}

function report(done: readonly Done[]): string {
  const looked = done.flatMap((d) => d.looked.map((s) => ({ ...s, climate: d.climate, seed: d.seed })));
  const unseen = done.flatMap((d) => d.unseen);
  const fresh = looked.filter((s) => s.daysSinceLook !== null && s.daysSinceLook <= 4);
  const stale = looked.filter((s) => s.daysSinceLook !== null && s.daysSinceLook >= 14);
  const ids = [...new Set(done.map((d) => d.climate))];
  const calibration: [string, Said[]][] = [
    ["looked at within four days", fresh],
    ["looked at two weeks ago or more", stale],
    ["nobody ever looking", unseen],
  ];
  return `# The season trial

Made by \`npm run bench:season\`. ${done.length} seasons of twenty-three plantings each, lived through by equations of their own
(\`standins/season/\`): no equation, landmark or pace is shared with the core. Everybody has the same evenings (an hour, on
Saturdays two and a half; one in eight falls through; nine days away), the same price of an hour, the same eyes. Worth is
in kilos of potatoes, by the true state of every piece, as far as three people eat, keep or give it away; net is worth
less the hours. The clairvoyant's season is the best of some twenty laid out with foresight: a bound from below of what
could be had at most.

${summary(done).rows}

![Net worth by who decides](season.svg)

## All seasons

${table(done)}

${ids.map((id) => `## ${id[0]!.toUpperCase()}${id.slice(1)}\n\n${table(done.filter((d) => d.climate === id))}`).join("\n\n")}

## Did its chances come true?

Chance that there is something to take (ready or past), every third day, against the truth: half the pieces ripe for
what is lifted at once, a first ripe piece for what is picked piece by piece.

| when | said | missed by, points | Brier | packet's dates | last look carried on | 'more than 9 in 10' came true |
| --- | ---: | ---: | ---: | ---: | ---: | ---: |
${calibration
  .map(
    ([name, of]) =>
      `| ${name} | ${of.length} | ${fixed(missedBy(reliability(of)), 1)} | ${fixed(
        brierOf(of, (c) => c.chance),
        3,
      )} | ${fixed(
        brierOf(of, (c) => c.packet),
        3,
      )} | ${fixed(brierOf(of, carriedOn), 3)} | ${fixed(100 * sureAndTrue(of))} % |`,
  )
  .join("\n")}

${calibration.map(([name, of]) => `### ${name[0]!.toUpperCase()}${name.slice(1)}\n\n${bands(of)}`).join("\n\n")}

## The five worst situations

${worstSaid(looked, 5)
  .map(
    (c) =>
      `- **${c.cropId}**, ${c.day}, ${c.climate}, season ${c.seed}: said ${fixed(100 * c.chance)} % likely something to take (“${c.verdict}”)${c.daysSinceLook === null ? ", nobody had looked" : `, last look ${c.daysSinceLook} days before`}; true: ${c.ripe} of ${c.there} ripe. Replay: \`npm run bench:season -- --seed ${c.seed} --crop ${c.cropId} --climate "${c.climate}"\``,
  )
  .join("\n")}
`;
}

/** One season told day by day: what was said, what was true, what was done. */
function replay(seed: number, crop: string, climateId: string): void {
  const climate = climates().find((c) => c.id.startsWith(climateId)) ?? CLIMATES[0]!;
  const season = layOut(climate, seed, crop);
  const said: Said[] = [];
  const run = runSeason(season, akmedon(WHOLE, said)());
  const deeds = new Map(run.deeds.map((d) => [d.day, d]));
  const days = [...new Set([...said.map((s) => s.day), ...deeds.keys()])].sort();
  console.log(`${crop}, ${climate.id}, season ${seed}, ${season.plantings[0]!.planting.plants} plants\n`);
  for (const day of days) {
    const s = said.find((x) => x.day === day);
    const d = deeds.get(day);
    console.log(
      `${day}  ${s ? `${fixed(100 * s.chance).padStart(3)} % ${s.verdict.padEnd(12)} true: ${s.ripe} of ${s.there} ripe, look ${s.daysSinceLook ?? "never"}` : ""}${d ? `  picked ${d.pieces}, ${fixed(d.massG)} g (${fixed(d.unripeG)} unripe, ${fixed(d.overG)} over-age) as “${d.take}”` : ""}`,
    );
  }
  console.log(`\nlost: ${JSON.stringify(run.score.kg.lost)}; net ${fixed(run.score.net, 1)}`);
}

async function main(): Promise<void> {
  const { values } = parseArgs({
    options: {
      seed: { type: "string" },
      crop: { type: "string" },
      climate: { type: "string" },
      out: { type: "string" },
    },
  });
  if (values.seed && values.crop) return replay(Number(values.seed), values.crop, values.climate ?? "");
  const tasks: Task[] = climates().flatMap((c) =>
    Array.from({ length: c.years ? c.years.length : SEEDS }, (_, k) => ({ climate: c.id, seed: k + 1, only: null })),
  );
  const done: Done[] = [];
  const from = performance.now();
  const left = [...tasks];
  await Promise.all(
    [0, 1].map(
      () =>
        new Promise<void>((resolve, reject) => {
          const worker = new Worker(fileURLToPath(import.meta.url), { workerData: "season" });
          const next = () => {
            const task = left.shift();
            if (task) worker.postMessage(task);
            else void worker.terminate().then(() => resolve());
          };
          worker.on("message", (d: Done) => {
            done.push(d);
            const seconds = (performance.now() - from) / 1000;
            const rest = (seconds / done.length) * (tasks.length - done.length);
            process.stderr.write(`${done.length} of ${tasks.length} seasons, about ${Math.ceil(rest / 60)} min left\n`);
            next();
          });
          worker.on("error", reject);
          next();
        }),
    ),
  );
  const order = new Map(tasks.map((t, i) => [`${t.climate} ${t.seed}`, i]));
  done.sort((a, b) => order.get(`${a.climate} ${a.seed}`)! - order.get(`${b.climate} ${b.seed}`)!);
  const folder = values.out ?? join(ROOT, "bench");
  writeFileSync(join(folder, "season.md"), report(done));
  writeFileSync(join(folder, "season.svg"), picture(done));
  const { rows } = summary(done);
  console.log(`${rows}\n\n${table(done)}`);
}

if (isMainThread) await main();
else if (workerData === "season") parentPort!.on("message", (task: Task) => parentPort!.postMessage(live(task)));
