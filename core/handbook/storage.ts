import { z } from "zod";
import type { Crop } from "./crop";
import { source } from "./sources";
import storage from "./storage.json";

/** What of a plant may be picked beside the crop itself. */
export const BY_PRODUCTS = ["tops", "greens", "flowers", "seed-heads", "side-shoots", "scapes"] as const;
export type ByProductPart = (typeof BY_PRODUCTS)[number];

const pair = z.tuple([z.number(), z.number()]);

/**
 * Conditions in which produce keeps, and how long: USDA Agriculture Handbook 66 (rev. 2016, summary table by
 * M. Cantwell), lowest safe temperatures from its chapter on chilling injury (C. Y. Wang), freezing points from
 * Whiteman (USDA Marketing Research Report 196). All from memory, to be verified.
 */
const storageSchema = z.object({
  source,
  note: z.string(),
  rows: z.array(
    z.object({
      name: z.string(),
      crops: z.array(z.string()),
      tempC: pair,
      humidityPct: pair,
      days: pair,
      made: z.string(),
      sensitive: z.string(),
    }),
  ),
  safeC: z.record(z.string(), z.number()),
  safeGreenTomatoC: z.number(),
  freezeF: z.record(z.string(), z.number()),
  /** what rests: it ages little faster in the warm, and then by this Q10 */
  dormant: z.array(z.string()),
  dormantNote: z.string(),
  dormantQ10: z.number(),
  freezeSource: source,
  /** what comes with the crop: it keeps like a row of the table, for a time of its own */
  byPart: z.record(z.enum(BY_PRODUCTS), z.object({ like: z.string(), days: pair, note: z.string() })),
});
export const STORAGE = storageSchema.parse(storage);
export type StorageRow = (typeof STORAGE.rows)[number];

/** How a crop keeps: the best conditions, the life in them, what harms it. Temperatures in °C, life in days. */
export type KeepingFacts = {
  tempC: readonly [number, number];
  humidityPct: readonly [number, number];
  days: readonly [number, number];
  /** below it it is chilled; null: cold does no harm until it freezes */
  safeC: number | null;
  freezesC: number;
  /** gives off much of the ripening gas */
  givesGas: boolean;
  /** 0 hardly, 1 some, 2 much harmed by it */
  gasHarm: 0 | 1 | 2;
  fridge: Crop["after"]["fridge"];
  /** rests in store: ages by a small Q10 in the warm */
  rests: boolean;
  /** how fast dry air harms it: leaves and roots wilt, skins hold */
  wilts: "soon" | "slowly";
  /** the row of the published table it is taken from; null: the handbook's own entry of the crop */
  row: string | null;
};

/** Parts whose skin holds the water in. */
const SKINNED: readonly Crop["parts"][number][] = ["fruit", "bulb", "tuber", "seed"];
const USUAL_FREEZING_F = 30.9;
const rowByCrop = new Map(STORAGE.rows.flatMap((row) => row.crops.map((id) => [id, row] as const)));
const GREEN_TOMATO = STORAGE.rows.find((r) => r.name === "tomato, mature green")!;

/**
 * How a crop keeps, by the published table where it has a row of it, else by the handbook's entry. An own crop keeps as
 * its gardener says.
 * @param green picked unripe, to ripen indoors
 */
export function keepingFactsOf(crop: Crop, green = false): KeepingFacts {
  const own = crop.after.source === "own";
  const row = own ? undefined : green && crop.colours ? GREEN_TOMATO : rowByCrop.get(crop.like);
  const greenTomato = row === GREEN_TOMATO;
  const from = row ?? {
    tempC: crop.after.tempC,
    humidityPct: crop.after.humidityPct,
    days: crop.after.days,
    made: crop.ethylene === "producer" || crop.ethylene === "both" ? "H" : "L",
    sensitive: crop.ethylene === "sensitive" || crop.ethylene === "both" ? "H" : "L",
  };
  return {
    tempC: from.tempC,
    humidityPct: from.humidityPct,
    // a life the handbook knows more narrowly within the published range is that of the gardener's own type
    days: within(crop.after.days, from.days) && !greenTomato ? crop.after.days : from.days,
    safeC: greenTomato ? STORAGE.safeGreenTomatoC : (STORAGE.safeC[crop.like] ?? crop.weather.chillC),
    freezesC: ((STORAGE.freezeF[crop.like] ?? USUAL_FREEZING_F) - 32) / 1.8,
    givesGas: from.made.endsWith("H"),
    gasHarm: from.sensitive.includes("H") ? 2 : from.sensitive.includes("M") ? 1 : 0,
    fridge: crop.after.fridge,
    rests: STORAGE.dormant.includes(crop.like),
    wilts: SKINNED.includes(crop.parts[0]!) ? "slowly" : "soon",
    row: row?.name ?? null,
  };
}

/** How what came with a crop keeps: leaves, shoots, scapes, flowers, seed heads. */
export function partFactsOf(part: ByProductPart): KeepingFacts {
  const { like, days } = STORAGE.byPart[part];
  const row = STORAGE.rows.find((r) => r.name === like);
  if (!row) throw new RangeError(`the table of storage has no row “${like}”`);
  return {
    ...{ tempC: row.tempC, humidityPct: row.humidityPct, days, safeC: null, givesGas: false, row: null },
    freezesC: (USUAL_FREEZING_F - 32) / 1.8,
    gasHarm: row.sensitive.includes("H") ? 2 : row.sensitive.includes("M") ? 1 : 0,
    fridge: part === "seed-heads" ? "no" : "yes",
    rests: part === "seed-heads",
    wilts: part === "seed-heads" ? "slowly" : "soon",
  };
}

const within = (inner: readonly [number, number], outer: readonly [number, number]): boolean =>
  inner[0] >= outer[0] && inner[1] <= outer[1];
