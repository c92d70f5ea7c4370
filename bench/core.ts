import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { addDays } from "../core/calendar/day";
import { check, situation } from "../core/fixtures/garden";
import { generated } from "../core/fixtures/problem";
import { orderSweeps, targetSweeps, unseenSweep } from "../core/fixtures/sweeps";
import { CROPS } from "../core/handbook/index";
import { lotsNow } from "../core/keeping/lot";
import { stockOf } from "../core/keeping/stock";
import { firstToUse } from "../core/keeping/use-first";
import { outlookOf } from "../core/planning/outlook";
import { plan } from "../core/planning/solver/optimise";
import { answersOf } from "../core/planting/cue-kinds/index";
import { judge } from "../core/planting/judge";
import { restoreArchive } from "../db/archive";
import { saveGarden, saveWeather, snapshotOf } from "../db/garden";
import { openGarden } from "../db/open";
import { previewColumns, readByColumns } from "../formats/weather-columns";
import { readWeatherCsv, writeWeatherCsv } from "../formats/weather-csv";
import { DEMO_NOW, demoGarden } from "../standins/demo-garden";
import { frostTrial } from "../standins/frost-trial";
import { brier, reliability, trial } from "../standins/trial";
import { simulatedDesk } from "../standins/weather-desk";

const median = (xs: number[]): number => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)]!;
const timed = (times: number, work: () => void): number[] =>
  Array.from({ length: times }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });

// the filter: 200 plantings of 120 days each
const plantings = Array.from({ length: 200 }, (_, i) => ({
  ...situation({ cropId: CROPS[i % CROPS.length]!.id, age: 120 }),
  weighReadings: false,
}));
const filter = timed(7, () => {
  for (const p of plantings) judge(p);
});

// replay: 300 plantings with 60 readings each, every verdict of the season worked out anew
const replayed = Array.from({ length: 300 }, (_, i) => {
  const crop = CROPS[i % CROPS.length]!;
  const input = situation({ cropId: crop.id, age: 120 });
  const cues = crop.cues.filter((c) => c.kind !== "event");
  const checks = Array.from({ length: 60 }, (_, k) => {
    const cue = cues[k % cues.length]!;
    const answers = answersOf(cue, { school: input.school, plants: 6 });
    return check(addDays(input.today, -2 * (59 - k)), [{ cueId: cue.id, value: answers[(i + k) % answers.length]! }], {
      id: `c${k}`,
    });
  });
  return { ...input, checks, weighReadings: false };
});
const replay = timed(7, () => {
  for (const p of replayed) judge(p);
});

// how well the chances mean what they say
const cases = trial(
  CROPS.filter((c) => !c.days.yearly && c.family !== "Amaryllidaceae"),
  840,
  1000,
);

// the planner: 30 plantings, 14 days, 2 windows a day, minutes tight
const gaps: number[] = [];
const planner = Array.from({ length: 10 }, (_, seed) => {
  const problem = generated(seed + 1, 30, 14, 2);
  const [ms] = timed(1, () => {
    gaps.push(plan(problem).gap);
  });
  return ms!;
});

const demo = demoGarden();
const snapshot = { ...demo, forecast: demo.forecasts.at(-1)! };
const outlook = timed(9, () => {
  outlookOf(snapshot, DEMO_NOW, true);
});

// frost: 1,000 nights at three leads from a source too warm by 1.5 K whose ensemble is half as wide as it should be
const frost = [1, 2, 5].map((lead) => {
  const nights = frostTrial(1000, lead, { biasC: 1.5, narrow: 0.5 }, 7);
  return {
    lead,
    ensemble: brier(nights, (n) => n.ensemble),
    single: brier(nights, (n) => n.single),
    raw: brier(nights, (n) => n.raw),
    assumed: brier(nights, (n) => n.assumed),
    reliability: reliability(
      nights.map((n) => ({ filter: n.ensemble, truth: n.truth })),
      10,
    ),
  };
});

// a station's files: 20 years by day, 3 years by hour
const twenty = simulatedDesk(3, "2003-01-01", { meanC: 10, swingC: 8, daySpanC: 9 }).record("2003-01-01", "2022-12-31");
const dailyText = writeWeatherCsv(twenty);
const hourlyText = [
  "Time,Outdoor temperature °C,Rain mm",
  ...twenty.slice(0, 1096).flatMap((w) =>
    Array.from({ length: 24 }, (_, h) => {
      const temp = w.tempMinC + ((w.tempMaxC - w.tempMinC) * (1 - Math.cos((2 * Math.PI * (h - 3)) / 24))) / 2;
      return `${w.day} ${String(h).padStart(2, "0")}:00,${temp.toFixed(1)},${(w.rainMm / 24).toFixed(2)}`;
    }),
  ),
].join("\n");
const must = <T>(read: { ok: true; value: T } | { ok: false }): T => {
  if (!read.ok) throw new Error("the bench's own file was refused");
  return read.value;
};
const dailyFile = timed(5, () => must(readWeatherCsv(dailyText)));
const hourlyFile = timed(5, () => must(readByColumns(hourlyText, must(previewColumns(hourlyText)).columns)));

// and from the file into the garden: read, checked, written with what it takes to undo it; then what Today reads
const folder = mkdtempSync(join(tmpdir(), "akmedon-bench-"));
const garden = openGarden(folder);
restoreArchive(garden, demo, DEMO_NOW);
const [dailyIn] = timed(1, () => saveWeather(garden, must(readWeatherCsv(dailyText)), DEMO_NOW, "twenty years"));
const [hourlyIn] = timed(1, () =>
  saveWeather(
    garden,
    must(readByColumns(hourlyText, must(previewColumns(hourlyText)).columns)),
    DEMO_NOW,
    "three years",
  ),
);
const [todayFirst] = timed(1, () => snapshotOf(garden));
const todays = Array.from({ length: 9 }, (_, k) => {
  saveGarden(garden, { ...demo.garden, hourWorth: 1 + k / 10 });
  return timed(1, () => snapshotOf(garden))[0]!;
});
garden.$client.close();
rmSync(folder, { recursive: true, force: true });

// a year's lots: 2,000, half of them moved, used from or given, with two thermometers read twice a day
const lotCrops = CROPS.filter((c) => c.after.days[1] < 400);
const places = demo.places;
const lotSeeds = Array.from({ length: 2000 }, (_, i) => {
  const crop = lotCrops[i % lotCrops.length]!;
  return {
    id: `lot${i}`,
    part: "crop" as const,
    grade: i % 11 === 0 ? ("eat-first" as const) : ("sound" as const),
    way: "" as const,
    massG: 500 + (i % 40) * 100,
    count: null,
    estimated: false,
    note: "",
    pickId: `lot${i}`,
    plantingId: "p",
    cropId: crop.id,
    kind: crop.name,
    bed: "bed",
    pickedAt: `${addDays("2026-10-05", -Math.floor((i * 365) / 2000))}T10:00`,
    placeId: places[i % places.length]!.id,
  };
});
const lotEvents = lotSeeds
  .filter((_, i) => i % 2 === 0)
  .map((s, i) => ({
    id: `ev${i}`,
    lotId: s.id,
    at: "2026-10-05T12:00",
    kind: (["use", "give", "move"] as const)[i % 3]!,
    massG: i % 3 === 2 ? null : 200,
    placeId: i % 3 === 2 ? "cellar" : null,
    toLot: null,
    who: "",
    cause: "",
    ready: null,
    how: null,
    outG: null,
    until: null,
    note: "",
  }));
const lotReadings = Array.from({ length: 730 }, (_, i) => ({
  id: `re${i}`,
  placeId: i % 2 ? "cellar" : "loft",
  at: `${addDays("2026-10-05", -Math.floor(i / 2))}T08:00`,
  tempC: 8 + (i % 7),
  humidityPct: 80,
}));
const cropById = new Map(CROPS.map((c) => [c.id, c]));
let inHouse = 0;
const useList = timed(15, () => {
  const lots = lotsNow(lotSeeds, lotEvents).values();
  const stock = stockOf(lots, (id) => cropById.get(id) ?? null, places, lotReadings, "2026-10-06");
  inHouse = firstToUse(stock).length;
});

console.log(
  JSON.stringify({
    useListMs: { median: median(useList), first: useList[0], inHouse },
    intoGardenMs: { daily: dailyIn, hourly: hourlyIn },
    todayReadsMs: { first: todayFirst, median: median(todays) },
    filterMs: { median: median(filter), first: filter[0] },
    replayMs: { median: median(replay), first: replay[0] },
    brier: {
      filter: brier(cases, (c) => c.filter),
      warmth: brier(cases, (c) => c.warmth),
      packet: brier(cases, (c) => c.packet),
      lastLook: brier(cases, (c) => c.lastLook),
      count: cases.length,
      crops: new Set(cases.map((c) => c.cropId)).size,
    },
    reliability: reliability(cases, 10),
    sweeps: [...targetSweeps(), ...orderSweeps(), unseenSweep()].map(({ name, all, fit }) => ({ name, all, fit })),
    frost,
    dailyFileMs: { median: median(dailyFile), first: dailyFile[0] },
    hourlyFileMs: { median: median(hourlyFile), first: hourlyFile[0] },
    plannerMs: { median: median(planner), worst: Math.max(...planner) },
    plannerGap: { median: median(gaps), worst: Math.max(...gaps) },
    outlookMs: { median: median(outlook), first: outlook[0] },
  }),
);
