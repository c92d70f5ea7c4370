import { addDays, type Day } from "#core/calendar/day";
import type { Bed } from "#core/garden/bed";
import type { Garden } from "#core/garden/garden";
import type { Planting } from "#core/garden/planting";
import { cropOf } from "#core/handbook/index";
import { placeWith } from "#core/household/place";
import type { Check } from "#core/planting/check";
import type { Container, PickRecord as Picked } from "#core/weighing/pick";
import type { Archive } from "#formats/archive";
import { type BedThermometer, simulatedThermometer } from "./bed-thermometer";
import { demoLots, demoPlaceReadings } from "./demo-lots";
import { demoBeds, demoPlantings } from "./demo-plot";
import { harvest, recentChecks } from "./demo-season";
import { grow } from "./living-garden";
import { chance } from "./random";
import { type Episode, simulatedDesk, type WeatherDesk } from "./weather-desk";

/** The demo's day: the first frost is three nights off, a gale is due tomorrow, a trip begins on Saturday. */
export const DEMO_NOW = "2026-10-06T15:30";
const TODAY = DEMO_NOW.slice(0, 10);

const garden: Garden = {
  id: "garden",
  name: "Wrenfold Garth",
  place: "Wrenfold, above the Ossel brook (an invented place)",
  latitudeDeg: 52.41,
  longitudeDeg: -2.68,
  elevationM: 148,
  timeZone: "Europe/London",
  units: "metric",
  coins: "uk",
  plotWidthM: 18,
  plotLengthM: 13,
  pinnedNow: DEMO_NOW,
  hourWorth: 1.8,
  roundMinutes: 12,
  lineMinutes: 3,
  pickers: 1,
  eaters: 3,
  orderByHand: false,
  undoYears: 3,
};

/** Issues of the desk that the garden has kept: enough to know how good it is. */
const FORECASTS_KEPT = 21;

/** The spell that the scenario tells: a gale with rain, then a clear, still cold night. Day, low, high, rain, wind, gust, cloud, humidity. */
const SPELL = `
2026-10-04  8.1 15.2  1.2  3.1  7.4  70 84
2026-10-05  7.4 14.8  0.0  2.4  6.2  45 78
2026-10-06  6.2 14.1  0.0  3.4  8.0  55 76
2026-10-07  8.8 12.9 14.5 11.4 23.4 100 90
2026-10-08  4.9 10.8  1.0  5.2 11.3  35 72
2026-10-09 -0.8 10.1  0.0  0.9  3.0   5 80
2026-10-10  2.4 11.4  0.0  1.2  3.6  15 82
2026-10-11  3.4 12.6  0.0  2.2  5.4  50 80`;
const episodes: Episode[] = SPELL.trim()
  .split("\n")
  .map((line) => {
    const [day, ...numbers] = line.trim().split(/\s+/);
    const [tempMinC, tempMaxC, rainMm, windMs, gustMs, cloudPct, humidityPct] = numbers.map(Number) as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    return { day: day!, tempMinC, tempMaxC, rainMm, windMs, gustMs, cloudPct, humidityPct };
  });

/** The demo's simulated station and forecast desk. */
export const demoDesk = (): WeatherDesk =>
  simulatedDesk(20261006, "2023-01-01", { meanC: 10.1, swingC: 6.6, daySpanC: 9.4 }, episodes);

/** Thermometers that stand in the demo's beds, by bed; each bed is a little other than it was said to be. */
export const demoThermometers = (beds: readonly Bed[]): BedThermometer[] =>
  [
    { id: "hedge", hiddenC: -0.5 },
    { id: "wall", hiddenC: 0.4 },
  ].flatMap(({ id, hiddenC }, i) => {
    const bed = beds.find((b) => b.id === id);
    return bed ? [simulatedThermometer(bed, hiddenC, 90 + i)] : [];
  });

/** Mornings on which the demo's thermometers were read so far. */
const MORNINGS_READ = 9;

/**
 * The demo garden, grown by a seeded script: a station record of nearly four years, last season's and this season's
 * picks and checks made by simulated plants and gardeners, today's forecast, windows and a trip.
 */
export function demoGarden(): Archive {
  const desk = demoDesk();
  const luck = chance(4711);
  const weather = desk.record("2023-01-01", addDays(TODAY, -1));
  const containers: Container[] = [
    { id: "crate", name: "slatted crate", tareG: 1590, litres: 30, atHand: 4 },
    { id: "basket", name: "willow basket", tareG: 640, litres: 12, atHand: 2 },
    { id: "bucket", name: "bucket", tareG: 410, litres: 10, atHand: 3 },
    { id: "bowl", name: "enamel bowl", tareG: 300, litres: 3, atHand: 2 },
    { id: "tray", name: "flat tray", tareG: 520, litres: 8, atHand: 3 },
  ];
  const checks: Check[] = [];
  const picks: Picked[] = [];
  const plantings: Planting[] = [];
  const beds = demoBeds();
  for (const { planting: p, pace, over } of demoPlantings()) {
    const living = grow(p, cropOf(p.cropId), weather, pace);
    const end = over ? endOf(p) : TODAY;
    const made = harvest(p, beds.find((b) => b.id === p.bedId)!, living, TODAY, end, over, luck);
    picks.push(...made);
    const last = made.at(-1);
    plantings.push(over ? { ...p, endedOn: last ? last.at.slice(0, 10) : end } : p);
    if (!over) checks.push(...recentChecks(p, TODAY, living, made, luck));
  }
  return {
    format: "akmedon-garden",
    version: 1,
    garden,
    people: [
      { id: "ilse", name: "Ilse", role: "gardener" },
      { id: "tam", name: "Tam", role: "gardener" },
      { id: "bram", name: "Bram from next door", role: "neighbour" },
    ],
    beds,
    plantings,
    containers,
    windows: [1, 2, 3, 4, 5]
      .map((d) => ({ id: `evening-${d}`, weekday: d, startsAt: "17:15", minutes: 75 }))
      .concat([
        { id: "wed", weekday: 3, startsAt: "08:00", minutes: 45 },
        { id: "sat", weekday: 6, startsAt: "09:00", minutes: 150 },
        { id: "sun", weekday: 0, startsAt: "10:00", minutes: 120 },
      ]),
    trips: [
      {
        id: "coast",
        name: "Five days at the coast",
        fromDay: "2026-10-10",
        toDay: "2026-10-14",
        standIn: "Bram from next door",
        standInMinutes: 40,
      },
    ],
    checks: checks.sort((a, b) => (a.at < b.at ? -1 : 1)),
    rounds: [],
    plans: [],
    roundLines: [],
    picks: picks.sort((a, b) => (a.at < b.at ? -1 : 1)),
    weather,
    forecasts: Array.from({ length: FORECASTS_KEPT }, (_, k) => k - FORECASTS_KEPT + 1).map((ago) => ({
      id: `issued-${addDays(TODAY, ago)}`,
      ...desk.forecast(addDays(TODAY, ago), 14),
    })),
    ownCrops: [],
    practice: [],
    bedReadings: demoThermometers(beds).flatMap((t) => weather.slice(-MORNINGS_READ).map((w) => t.readOn(w))),
    covers: [],
    placeReadings: demoPlaceReadings(TODAY),
    lessons: [
      {
        id: "squash-frost",
        at: "2025-10-19T19:00",
        words: "Two blue storers froze on the vine in the low bed.",
        next: "Bring them in at the first clear night of October.",
        cropId: "winter-squash",
        plantingId: null,
        bedId: null,
        remindOn: "2026-09-25",
        state: "kept",
      },
    ],
    ...demoHousehold(),
    ...demoSeedBox(),
  };
}

/** What the demo's household likes, where it keeps things, and what it did to its plants. */
const demoHousehold = (): Pick<
  Archive,
  "datedWindows" | "tastes" | "places" | "treatments" | "pickWishes" | "weighings" | "views" | "lotEvents"
> => ({
  datedWindows: [],
  tastes: [
    { id: "kale", liking: 0.8, weeklyG: 300, sparedG: 400 },
    { id: "courgette", liking: 0.7, weeklyG: 900, sparedG: 1500 },
    { id: "tomato", liking: 1.5, weeklyG: 2500, sparedG: 6000 },
  ],
  places: [
    placeWith({ id: "fridge", name: "kitchen refrigerator", kind: "fridge", litres: 120, takenLitres: 85 }),
    placeWith({ id: "counter", name: "kitchen counter", kind: "counter", litres: 40, takenLitres: 10 }),
    placeWith({
      id: "loft",
      name: "shed rafters",
      kind: "airy",
      litres: 160,
      takenLitres: 50,
      tempMinC: 8,
      tempMaxC: 18,
      humidityMin: 60,
      humidityMax: 75,
      light: "dim",
      air: "moving",
    }),
    placeWith({
      id: "cellar",
      name: "cellar shelf",
      kind: "cellar",
      litres: 220,
      takenLitres: 45,
      tempMinC: 7,
      tempMaxC: 11,
      humidityMin: 78,
      humidityMax: 90,
    }),
    placeWith({ id: "freezer", name: "freezer", kind: "freezer", litres: 90, takenLitres: 40, roomIn: "kilos" }),
  ],
  treatments: [
    {
      id: "soap",
      plantingId: "kale-hedge",
      day: addDays(TODAY, -2),
      kind: "spray",
      product: "soft soap",
      waitDays: 4,
      note: "",
    },
  ],
  pickWishes: [],
  weighings: [
    { id: "bucket-of-beans", cropId: "runner-bean", day: "2026-08-22", what: "litre", amount: 10, massG: 3600 },
  ],
  lotEvents: demoLots(),
  views: [{ id: "tomatoes", name: "This year’s tomatoes by week", query: "crop=tomato&year=2026&group=week" }],
});

/** The demo's seed box, its own dishes, and nothing planned yet for next year. */
const demoSeedBox = (): Pick<
  Archive,
  "bedLosses" | "ticks" | "ownJobs" | "jobMarks" | "dishes" | "seedLots" | "planned"
> => {
  const seed = (
    id: string,
    cropId: string,
    kind: string,
    year: number,
    left: number,
    over: Partial<Archive["seedLots"][number]> = {},
  ): Archive["seedLots"][number] => ({
    id,
    cropId,
    kind,
    source: "",
    year,
    left,
    price: null,
    packed: null,
    unit: "seeds",
    testedOn: null,
    tested: null,
    sprouted: null,
    note: "",
    ...over,
  });
  return {
    ticks: [],
    ownJobs: [
      {
        ...{ id: "j-shed", words: "Drain the hose and bring it in", plantingId: null, bedId: null, lotId: null },
        ...{ startOn: "2026-10-08", everyDays: null, times: null, untilOn: null, onFrost: false, dryLeaves: false },
        ...{ minutes: 10, note: "last year it split" },
      },
      {
        ...{ id: "j-comfrey", words: "Feed with comfrey water", plantingId: "tom-wall", bedId: null, lotId: null },
        ...{ startOn: "2026-09-22", everyDays: 14, times: 6, untilOn: "2026-10-20", onFrost: false, dryLeaves: false },
        ...{ minutes: 6, note: "" },
      },
    ],
    jobMarks: [
      { id: "m-comfrey", jobId: "j-comfrey", of: "", day: "2026-09-23", at: "2026-09-23T18:10", what: "done" },
    ],
    planned: [],
    bedLosses: [
      { id: "l-squash", plantingId: "squash-25", day: "2025-10-19", cause: "frost", massG: 3200, note: "two, low bed" },
      { id: "l-cou", plantingId: "cou-lower", day: "2026-08-13", cause: "too late", massG: 900, note: "a marrow" },
      { id: "l-kale", plantingId: "kale-hedge", day: "2026-09-24", cause: "animals", massG: 400, note: "pigeons" },
    ],
    dishes: [
      {
        id: "courgette-cakes",
        name: "Courgette cakes",
        cropIds: ["courgette", "bulb-onion"],
        note: "Grate, salt, press well; green notebook, page 12.",
      },
      {
        id: "green-chutney",
        name: "Green tomato chutney",
        cropIds: ["tomato", "bulb-onion"],
        note: "From a tested recipe only; half the batch keeps us.",
      },
      { id: "bean-soup", name: "Bean and kale soup", cropIds: ["french-bean-climbing", "kale", "carrot"], note: "" },
    ],
    seedLots: [
      seed("s-carrot", "carrot", "storage orange", 2025, 1.5, { unit: "g", source: "seed swap at the mill" }),
      seed("s-carrot-early", "carrot", "early sweet", 2022, 400, {
        testedOn: "2026-02-20",
        tested: 20,
        sprouted: 9,
        source: "bought",
      }),
      seed("s-bean", "french-bean-climbing", "purple pole", 2026, 60, { source: "own" }),
      seed("s-tom", "tomato", "red slicer", 2024, 14, { source: "bought" }),
      seed("s-tom-o", "tomato", "orange slicer", 2025, 9, { source: "own" }),
      seed("s-kale", "kale", "red frill", 2023, 120, { source: "own", note: "from the two tallest" }),
      seed("s-let", "lettuce-loose-leaf", "oak leaf", 2026, 300, { source: "bought" }),
    ],
  };
};

/** When a crop that is over was cleared at the latest. */
const endOf = (p: Planting): Day =>
  p.startedOn < "2024-09-01" ? "2024-11-20" : p.startedOn < "2025-09-01" ? "2025-11-20" : "2026-09-20";
