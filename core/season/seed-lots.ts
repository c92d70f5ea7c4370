import { z } from "zod";
import { type Day, daysBetween } from "../calendar/day";
import { daySchema } from "../calendar/schemas";
import { groupBy } from "../group-by";
import type { Crop } from "../handbook/crop";

export const SEED_UNITS = ["seeds", "g", "sets"] as const;
export type SeedUnit = (typeof SEED_UNITS)[number];

/** A packet, jar or box of seed: where it came from, its year, what is left, and how it sprouted when it was tried. */
export const seedLotSchema = z
  .object({
    id: z.string().min(1).max(40),
    cropId: z.string().min(1).max(60),
    kind: z.string().trim().max(60, "at most 60 letters"),
    source: z.string().trim().max(80, "at most 80 letters"),
    /** year in which the seed was grown or packed */
    year: z.number("a year").int("a whole year").min(1950, "1950 or later").max(2200),
    left: z.number("how many are left").min(0, "0 or more").max(1_000_000),
    unit: z.enum(SEED_UNITS),
    /** what the packet cost, in the garden's own money, and how many were in it; null: nobody noted it */
    price: z.number("a sum of money").min(0, "0 or more").max(100_000).nullable().default(null),
    packed: z.number("how many were in it").positive("more than nothing").max(1_000_000).nullable().default(null),
    /** a germination test: when, how many were laid out, how many sprouted */
    testedOn: daySchema.nullable(),
    tested: z.number("a whole number").int("whole seeds").min(1, "at least one").max(10_000).nullable(),
    sprouted: z.number("a whole number").int("whole seeds").min(0, "0 or more").max(10_000).nullable(),
    note: z.string().trim().max(500),
  })
  .superRefine((s, ctx) => {
    const say = (path: string, message: string) => ctx.addIssue({ code: "custom", path: [path], message });
    const told = [s.testedOn, s.tested, s.sprouted].filter((x) => x !== null).length;
    if (told !== 0 && told !== 3) say("tested", "a test needs its day, how many were laid out and how many sprouted");
    if (s.tested !== null && s.sprouted !== null && s.sprouted > s.tested) say("sprouted", "more than were laid out");
  });
export type SeedLot = z.infer<typeof seedLotSchema>;

/**
 * Years for which well-kept seed is usually good, by crop and where it is not named by family (after the tables in
 * Knott's Handbook for Vegetable Growers; from memory).
 */
const GOOD_YEARS: Record<string, number> = {
  "bulb-onion": 1,
  leek: 2,
  "spring-onion": 1,
  chives: 1,
  parsnip: 1,
  parsley: 1,
  "sweet-corn": 2,
  okra: 2,
  "pepper-sweet": 2,
  chilli: 2,
  carrot: 3,
  spinach: 3,
  celery: 3,
  celeriac: 3,
  tomato: 4,
  aubergine: 4,
  beetroot: 4,
  chard: 4,
  cucumber: 5,
  "melon-netted": 5,
};
const FAMILY_YEARS: Record<string, number> = {
  Amaryllidaceae: 1,
  Apiaceae: 2,
  Fabaceae: 3,
  Brassicaceae: 4,
  Amaranthaceae: 4,
  Solanaceae: 3,
  Cucurbitaceae: 4,
  Asteraceae: 5,
  Poaceae: 2,
};
/** Nothing said: as most. */
const OTHERWISE_YEARS = 3;
/** Good fresh seed comes up in so many of a hundred (own estimate); past its years it loses this share of itself a year. */
const FRESH = 0.85;
const LOST_A_YEAR = 0.3;
/** How firmly the estimate is believed, in seeds, beside a test. */
const BELIEF = 8;
/** A test older than this tells little: it ages with the seed, days. */
const TEST_HOLDS_DAYS = 400;

/**
 * What a plant costs in seed: the packet by what was in it, and by the share that comes up.
 * @returns null where price or number is not known, or seed is weighed
 */
export function costAPlant(lot: Pick<SeedLot, "price" | "packed" | "unit">, share: number): number | null {
  if (lot.price === null || lot.packed === null || lot.unit === "g") return null;
  return lot.price / lot.packed / Math.max(0.05, share);
}

/** Years that seed of a crop usually keeps. */
export const goodYears = (crop: Pick<Crop, "like" | "family">): number =>
  GOOD_YEARS[crop.like] ?? FAMILY_YEARS[crop.family] ?? OTHERWISE_YEARS;

export type Germination = {
  /** share that is expected to come up */
  share: number;
  /** shape parameters of the beta distribution it is believed to have */
  alpha: number;
  beta: number;
  /** how many of a test that still holds came up; both 0 where there was none */
  tested: number;
  sprouted: number;
  /** years past its usual life */
  pastYears: number;
};

/**
 * How much of a seed lot is expected to come up: the usual for its age, and a test weighed with it as Bayes has it
 * (beta prior, binomial count; Gelman et al., Bayesian Data Analysis, ch. 2). Bulbs, cloves and tubers are taken as sound.
 */
export function germinationOf(lot: SeedLot, crop: Pick<Crop, "like" | "family">, today: Day): Germination {
  const age = Math.max(0, Number(today.slice(0, 4)) - lot.year);
  const past = lot.unit === "sets" ? 0 : Math.max(0, age - goodYears(crop));
  const share = Math.max(0.05, (lot.unit === "sets" ? 0.95 : FRESH) * (1 - LOST_A_YEAR) ** past);
  const fresh = lot.testedOn !== null && daysBetween(lot.testedOn, today) <= TEST_HOLDS_DAYS;
  const tested = fresh ? (lot.tested ?? 0) : 0;
  const sprouted = fresh ? (lot.sprouted ?? 0) : 0;
  const alpha = BELIEF * share + sprouted;
  const beta = BELIEF * (1 - share) + tested - sprouted;
  return { share: alpha / (alpha + beta), alpha, beta, tested, sprouted, pastYears: past };
}

/** Seeds sown for one plant wanted, beyond what does not come up: some are thinned, some are eaten (own choice). */
const SPARE = 1.5;
/** Seeds in a gram by crop (common practice, rounded; from memory); nobody says for the others. */
const PER_GRAM: Record<string, number> = {
  carrot: 800,
  "bulb-onion": 250,
  leek: 350,
  lettuce: 800,
  "lettuce-loose-leaf": 800,
  "lettuce-head": 800,
  beetroot: 55,
  chard: 55,
  spinach: 90,
  radish: 110,
  turnip: 400,
  kale: 280,
  cabbage: 280,
  calabrese: 300,
  cauliflower: 300,
  parsnip: 220,
  parsley: 600,
  tomato: 300,
  "pepper-sweet": 150,
  cucumber: 35,
  courgette: 7,
  "winter-squash": 5,
  "pea-shelling": 4,
  "pea-snap": 4,
  "french-bean-bush": 3,
  "french-bean-climbing": 3,
  "runner-bean": 1,
  "broad-bean": 0.7,
  "sweet-corn": 5,
};

export type SeedNeed = {
  cropId: string;
  kind: string;
  plants: number;
  /** seeds or sets that must be at hand */
  wanted: number;
  /** of them that come up from what is there, in plants */
  coversPlants: number;
  /** seeds or sets to order; 0: enough */
  order: number;
  sets: boolean;
  /** first day on which any of them is to be sown */
  firstOn: Day;
};
/** What of next year's plot is to be started when. */
export type ToSow = { cropId: string; kind: string; plants: number; startOn: Day; sets: boolean };

/**
 * What to have and what to order for the plants of a plan, by crop and kind, in the order of sowing: seed at hand counts
 * as the plants that are expected to come up of it. Seed weighed in grams counts where the seeds in a gram are known.
 */
export function seedNeeds(
  plan: readonly ToSow[],
  lots: readonly SeedLot[],
  cropOf: (cropId: string) => Pick<Crop, "like" | "family"> | null,
  today: Day,
): SeedNeed[] {
  return [...groupBy(plan, (p) => `${p.cropId} ${p.kind.toLowerCase()}`).values()]
    .map((list): SeedNeed => {
      const { cropId, kind, sets } = list[0]!;
      const crop = cropOf(cropId) ?? { like: "", family: "" };
      const plants = list.reduce((s, p) => s + p.plants, 0);
      const spare = sets ? 1 : SPARE;
      const have = lots.filter(
        (l) => l.cropId === cropId && (kind === "" || l.kind.toLowerCase() === kind.toLowerCase()),
      );
      const covers = have.reduce((s, l) => {
        const seeds = l.unit === "g" ? l.left * (PER_GRAM[crop.like] ?? 0) : l.left;
        return s + (seeds * germinationOf(l, crop, today).share) / spare;
      }, 0);
      const share = sets ? 0.95 : FRESH;
      return {
        cropId,
        kind,
        plants,
        sets,
        wanted: Math.ceil((plants * spare) / share),
        coversPlants: Math.floor(covers),
        order: covers >= plants ? 0 : Math.ceil(((plants - covers) * spare) / share),
        firstOn: list.map((p) => p.startOn).sort()[0]!,
      };
    })
    .sort((a, b) => (a.firstOn === b.firstOn ? (a.cropId < b.cropId ? -1 : 1) : a.firstOn < b.firstOn ? -1 : 1));
}
