import { z } from "zod";
import { localTimeSchema } from "../calendar/schemas";
import { photosSchema } from "../garden/photos";
import { BY_PRODUCTS } from "../handbook/storage";

export const EXTENTS = ["some", "all-ready", "final"] as const;
export const GRADES = [
  "sound",
  "eat-first",
  "bolted",
  "small",
  "damaged",
  "pest-eaten",
  "green-to-ripen",
  "blush-to-ripen",
  "half-to-ripen",
  "nearly-ripe",
  "seed",
  "animals",
  "compost",
] as const;
export type Grade = (typeof GRADES)[number];

/** What is eaten first, at once: it neither cures nor keeps as the sound does (common practice). */
const SOON: readonly Grade[] = ["eat-first", "bolted", "small", "damaged", "pest-eaten"];
export const isSoon = (grade: Grade): boolean => SOON.includes(grade);
/** Fruit picked before it is ripe, to ripen indoors, by how much colour it has. */
const UNRIPE: readonly Grade[] = ["green-to-ripen", "blush-to-ripen", "half-to-ripen", "nearly-ripe"];
export const isUnripe = (grade: Grade): boolean => UNRIPE.includes(grade);
/** Too little colour for what ripens indoors only from half coloured on (common practice: peppers). */
const UNDER_HALF: readonly Grade[] = ["green-to-ripen", "blush-to-ripen"];
/** The grades that a crop can have: nothing is picked to ripen that does not ripen well off the plant. */
export function gradesFor(crop: { climacteric: boolean; indoors: "any" | "half" | "no" | null }): Grade[] {
  const indoors = crop.indoors ?? (crop.climacteric ? "any" : "no");
  return GRADES.filter((g) => indoors === "any" || !(indoors === "half" ? UNDER_HALF : UNRIPE).includes(g));
}

/** Where a part of a pick goes; empty: nobody said. */
export const WAYS = ["", "kitchen", "snacked", "store", "preserve", "give", "seed", "animals", "compost"] as const;
export type Way = (typeof WAYS)[number];
/** Shares of a row as they are told, for a choice. */
export const ROW_SHARES = [0.25, 0.33, 0.5, 0.67, 0.75, 0.9] as const;

/** What of the plant was taken: the crop itself, or something else that came with the same pull. */
export const PARTS = ["crop", ...BY_PRODUCTS] as const;
export type PickPart = (typeof PARTS)[number];
export const PURPOSES = ["harvest", "thinning", "test", "strip", "clearing"] as const;
export const CONDITIONS = ["", "cool", "hot", "wet"] as const;
/** A part of a pick told apart when it was sorted: what it is worth, where it goes and how much of it there is. */
export const partSchema = z
  .object({
    grade: z.enum(GRADES),
    way: z.enum(WAYS),
    massG: z.number().min(0).max(5_000_000).nullable(),
    count: z.number().int("whole pieces").min(0).max(1_000_000).nullable(),
    note: z.string().max(200).default(""),
  })
  .refine((p) => p.massG !== null || p.count !== null, "give a weight or a count");
export type SortedPart = z.infer<typeof partSchema>;

/** How a pick was weighed a second time. */
export const AGAINS = ["", "tops-off", "dried"] as const;

/** Empties of one type that stood on the scale with the crop. */
export const tareItemSchema = z.object({
  name: z.string().trim().min(1).max(40),
  tareG: z.number().min(0, "not below zero").max(50_000),
  count: z.number().int().min(1).max(500),
});
export type TareItem = z.infer<typeof tareItemSchema>;

/** A container type with its own tare, ready to choose at the scale. */
export const containerSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1).max(40),
  tareG: z.number().min(0).max(50_000),
  /** what one holds, and how many there are; null: nobody said */
  litres: z.number().positive("more than nothing").max(1000, "at most 1,000 litres").nullable().default(null),
  atHand: z.number().int("a whole number").min(0).max(1000).nullable().default(null),
});
export type Container = z.infer<typeof containerSchema>;

/** A logged harvest. Gross is null when only counted; `entered` keeps the weight as it was typed. */
export const pickSchema = z
  .object({
    id: z.string().min(1).max(40),
    plantingId: z.string().min(1).max(40),
    roundId: z.string().max(40).nullable(),
    at: localTimeSchema,
    by: z.string().max(60),
    method: z.string().max(60),
    extent: z.enum(EXTENTS),
    count: z.number().int("whole pieces").min(0).max(1_000_000).nullable(),
    grossG: z.number().min(0).max(5_000_000).nullable(),
    entered: z.string().max(60),
    tare: z.array(tareItemSchema).max(20),
    topsOn: z.boolean(),
    grade: z.enum(GRADES),
    estimated: z.boolean(),
    note: z.string().max(500),
    part: z.enum(PARTS).default("crop"),
    purpose: z.enum(PURPOSES).default("harvest"),
    condition: z.enum(CONDITIONS).default(""),
    /** minutes it took; null: nobody looked at the clock */
    minutes: z.number().positive("more than nothing").max(1440, "at most a day").nullable().default(null),
    /** what was left on the plant, or of it */
    left: z.string().max(120).default(""),
    /** where it went, apart from the parts told apart in `sorted` */
    way: z.enum(WAYS).default(""),
    sorted: z.array(partSchema).max(12).default([]),
    /** its weight when it stood on the scale a second time, and what had been done to it */
    againG: z.number().positive("more than nothing").max(5_000_000).nullable().default(null),
    againHow: z.enum(AGAINS).default(""),
    /** share of the whole row or patch that is cleared with this pick, above 0 and below 1; null: nobody said */
    rowDone: z.number().gt(0, "more than nothing").lt(1, "less than all of it").nullable().default(null),
    photos: photosSchema,
  })
  .superRefine((p, ctx) => {
    const netG = p.grossG === null ? null : p.grossG - tareOf(p.tare);
    const partsG = p.sorted.reduce((sum, x) => sum + (x.massG ?? 0), 0);
    const pieces = p.sorted.reduce((sum, x) => sum + (x.count ?? 0), 0);
    if (netG !== null && partsG > 0 && partsG > netG + 0.005)
      ctx.addIssue({ code: "custom", path: ["sorted"], message: "the parts weigh more than the whole pick" });
    if (p.count !== null && pieces > p.count)
      ctx.addIssue({ code: "custom", path: ["sorted"], message: "more pieces in the parts than in the whole pick" });
    if (p.againG !== null && p.grossG === null)
      ctx.addIssue({ code: "custom", path: ["againG"], message: "it was only counted the first time" });
    if (p.againG !== null && netG !== null && p.againG > netG)
      ctx.addIssue({ code: "custom", path: ["againG"], message: "more than it weighed the first time" });
    if (p.grossG === null && p.count === null)
      ctx.addIssue({ code: "custom", path: ["gross"], message: "give a weight or a count" });
    if (p.grossG !== null && tareOf(p.tare) > p.grossG)
      ctx.addIssue({
        code: "custom",
        path: ["gross"],
        message: "the empty containers weigh more than the whole load: check the weight and the containers",
      });
  });
export type PickRecord = z.infer<typeof pickSchema>;

/** A pick with nothing said yet; what is known is laid over it. */
export const blankPick = (over: Partial<PickRecord> = {}): PickRecord => ({
  id: "",
  plantingId: "",
  roundId: null,
  at: "2000-01-01T12:00",
  by: "",
  method: "",
  extent: "some",
  count: null,
  grossG: null,
  entered: "",
  tare: [],
  topsOn: false,
  grade: "sound",
  estimated: false,
  note: "",
  part: "crop",
  purpose: "harvest",
  condition: "",
  minutes: null,
  left: "",
  way: "",
  sorted: [],
  againG: null,
  againHow: "",
  rowDone: null,
  photos: [],
  ...over,
});

/** A way of looking at the log that was kept under a name: the query of its address. */
export const viewSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1, "give it a name").max(60),
  query: z.string().max(500),
});
export type View = z.infer<typeof viewSchema>;

/** Whether a pick is of the crop itself, and not of its tops or flowers. */
export const isCrop = (p: PickRecord): boolean => p.part === "crop";

/** Sum of the empties, g, to a hundredth. */
export const tareOf = (tare: readonly TareItem[]): number =>
  Math.round(tare.reduce((sum, t) => sum + t.tareG * t.count, 0) * 100) / 100;
