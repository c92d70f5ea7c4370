import { z } from "zod";
import { localTimeSchema } from "../calendar/schemas";
import { isTimeZone } from "../calendar/zone";
import { COINS } from "../units/reference-objects";

/** Breaks in a line, which would break calendars and headings, become spaces. */
const onOneLine = (text: string): string => text.replace(/\s*[\r\n\u2028\u2029]+\s*/g, " ").trim();

/** The garden itself: where it lies and how its household reckons. */
export const gardenSchema = z.object({
  id: z.literal("garden"),
  name: z.string().trim().min(1, "give the garden a name").max(60).overwrite(onOneLine),
  place: z.string().trim().max(120).overwrite(onOneLine),
  latitudeDeg: z.number().min(-66, "between −66 and 66").max(66, "between −66 and 66"),
  longitudeDeg: z.number().min(-180).max(180),
  elevationM: z.number().min(-400).max(5000),
  timeZone: z.string().refine(isTimeZone, "not a time zone: write it as Europe/London"),
  units: z.enum(["metric", "us"]),
  /** whose coins stand as sizes on a walk */
  coins: z.enum(COINS).default("none"),
  /** plot size for the drawing, m */
  plotWidthM: z.number().min(1).max(1000),
  plotLengthM: z.number().min(1).max(1000),
  /** the demo's clock stands still here; null: the real clock */
  pinnedNow: localTimeSchema.nullable(),
  /** what an hour of the gardener's time is worth, in kilos of potatoes */
  hourWorth: z.number().min(0).max(100),
  roundMinutes: z.number().min(0).max(120),
  lineMinutes: z.number().min(0).max(60),
  /** people who usually go picking together, and who eat from the garden */
  pickers: z.number().int("a whole number").min(1, "at least one").max(12, "at most 12").default(1),
  /** whether rounds go by the beds’ own order, as the gardener has put them, and not by the shortest way */
  orderByHand: z.boolean().default(false),
  /** years for which a change can be taken back; 0: for ever */
  undoYears: z.number().int("a whole number").min(0).max(50, "at most 50").default(3),
  eaters: z.number().int("a whole number").min(1, "at least one").max(40, "at most 40").default(2),
});
export type Garden = z.infer<typeof gardenSchema>;

export const personSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1).max(60),
  role: z.enum(["gardener", "neighbour"]),
});
export type Person = z.infer<typeof personSchema>;

/** A garden before anyone has said anything about it. */
export const newGarden = (timeZone: string): Garden => ({
  id: "garden",
  name: "My garden",
  place: "",
  latitudeDeg: 52,
  longitudeDeg: 0,
  elevationM: 50,
  timeZone,
  units: "metric",
  coins: "none",
  plotWidthM: 12,
  plotLengthM: 10,
  pinnedNow: null,
  hourWorth: 1.8,
  roundMinutes: 12,
  lineMinutes: 3,
  pickers: 1,
  eaters: 2,
  orderByHand: false,
  undoYears: 3,
});
