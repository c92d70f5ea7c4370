import { z } from "zod";
import type { Day } from "../calendar/day";
import { daySchema, localTimeSchema } from "../calendar/schemas";
import { roundMass } from "../units/mass";
import type { LotPart } from "../weighing/lots";
import type { Grade, PickPart, Way } from "../weighing/pick";
import { PRESERVED, type Preserved } from "./blanching";

export const LOT_EVENTS = ["move", "use", "give", "lose", "check", "split", "merge", "preserve", "date"] as const;
export type LotEventKind = (typeof LOT_EVENTS)[number];
export const LOSS_CAUSES = [
  "rotten",
  "sprouted",
  "shrivelled",
  "mould",
  "frozen",
  "eaten by animals",
  "other",
] as const;

/** What a look notes that found nothing wrong. */
export const STILL_SOUND = "still sound";

/** What a test of curing or ripeness found. */
export const TESTED = ["ready", "not-yet"] as const;

/** Something that befell a lot after it was picked. */
export const lotEventSchema = z
  .object({
    id: z.string().min(1).max(40),
    lotId: z.string().min(1).max(60),
    at: localTimeSchema,
    kind: z.enum(LOT_EVENTS),
    /** how much of it; null: all that was left */
    massG: z.number().positive("more than nothing").max(5_000_000).nullable(),
    /** where it went: the place moved to, or of the part set apart */
    placeId: z.string().max(40).nullable(),
    /** the lot that a part became, or that it was laid together with */
    toLot: z.string().max(60).nullable(),
    who: z.string().max(60),
    cause: z.string().max(60),
    /** whether a test of curing or ripeness passed; null: it was not tried */
    ready: z.enum(TESTED).nullable(),
    how: z.enum(PRESERVED).nullable(),
    /** what came out of putting by, g */
    outG: z.number().positive("more than nothing").max(5_000_000).nullable(),
    /** the last day on which the gardener takes it to be good; null with a date: the handbook's keeping holds again */
    until: daySchema.nullable().default(null),
    note: z.string().max(500),
  })
  .superRefine((e, ctx) => {
    const lacks = (path: string, message: string) => ctx.addIssue({ code: "custom", path: [path], message });
    if ((e.kind === "split" || e.kind === "merge" || e.kind === "preserve") && !e.toLot) lacks("toLot", "which lot");
    if (e.kind === "split" && e.massG === null) lacks("massG", "how much is set apart");
    if (e.kind === "move" && !e.placeId) lacks("placeId", "choose a place");
    if (e.kind === "preserve" && !e.how) lacks("how", "say how it was put by");
    if (e.kind === "merge" && e.toLot === e.lotId) lacks("toLot", "another lot");
  });
export type LotEvent = z.infer<typeof lotEventSchema>;

/** The pick that a lot is of, by their ids: what was set apart from a lot carries its id on. */
export const pickOfLot = (lotId: string): string => lotId.split(".")[0]!;

/** A part of a pick as the fold begins with it: what it is, where it comes from. */
export type LotSeed = LotPart & {
  /** what of the plant it is: the crop itself, or something that came with it */
  part: PickPart;
  pickId: string;
  plantingId: string;
  cropId: string;
  kind: string;
  bed: string;
  pickedAt: string;
  /** where it is laid when nobody says otherwise */
  placeId: string | null;
};

export type Stay = { placeId: string | null; from: Day };
/** A lot as it is now, with the way it took. Masses in g. */
export type Lot = {
  id: string;
  pickId: string;
  plantingId: string;
  cropId: string;
  kind: string;
  bed: string;
  part: PickPart;
  grade: Grade;
  way: Way;
  note: string;
  pickedAt: string;
  startG: number;
  leftG: number;
  /** mass of one piece of it, g, where its pieces were counted */
  pieceG: number | null;
  estimated: boolean;
  /** places it lay in, oldest first */
  stays: Stay[];
  /** whether anybody has said where it lies */
  placed: boolean;
  preserved: Preserved | null;
  /** when it was put by */
  preservedOn: Day | null;
  /** the last day on which the gardener takes it to be good, whatever the handbook says; null: nobody said */
  useBy: Day | null;
  from: string | null;
  events: LotEvent[];
  /** of what was used, what was put by, g */
  putByG: number;
  used: { useG: number; giveG: number; loseG: number; apartG: number; broughtG: number };
};

/** Ways that end with the basket: nothing of it is kept. */
const GONE_AT_ONCE: readonly Way[] = ["snacked", "give", "animals", "compost"];

const beginning = (s: LotSeed): Lot => {
  const gone = GONE_AT_ONCE.includes(s.way);
  return {
    id: s.id,
    pickId: s.pickId,
    plantingId: s.plantingId,
    cropId: s.cropId,
    kind: s.kind,
    bed: s.bed,
    part: s.part,
    grade: s.grade,
    way: s.way,
    note: s.note,
    pickedAt: s.pickedAt,
    startG: s.massG,
    leftG: gone ? 0 : s.massG,
    pieceG: s.count !== null && s.count > 0 && s.massG > 0 ? s.massG / s.count : null,
    estimated: s.estimated,
    stays: [{ placeId: s.placeId, from: s.pickedAt.slice(0, 10) }],
    placed: false,
    preserved: null,
    preservedOn: null,
    useBy: null,
    from: null,
    events: [],
    putByG: 0,
    used: {
      useG: gone && s.way === "snacked" ? s.massG : 0,
      giveG: gone && s.way === "give" ? s.massG : 0,
      loseG: gone && (s.way === "animals" || s.way === "compost") ? s.massG : 0,
      apartG: 0,
      broughtG: 0,
    },
  };
};

/**
 * Lots as they are now: what picks began, with everything that befell them since, in the order of time, within a minute
 * in the order of their ids. No mass is made
 * or lost: what a lot began with and was brought is what is left, used, given, lost and set apart. More than is left
 * is never taken. What was put by begins anew with the weight that came out.
 */
export function lotsNow(seeds: readonly LotSeed[], events: readonly LotEvent[]): Map<string, Lot> {
  const lots = new Map<string, Lot>();
  for (const s of seeds) lots.set(s.id, beginning(s));
  const inTime = [...events].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1));
  for (const e of inTime) {
    const lot = lots.get(e.lotId);
    if (!lot) continue;
    lot.events.push(e);
    const takenG = e.massG === null ? lot.leftG : Math.min(e.massG, lot.leftG);
    const take = (as: keyof Lot["used"]) => {
      lot.leftG = roundMass(lot.leftG - takenG);
      lot.used[as] = roundMass(lot.used[as] + takenG);
    };
    const day = e.at.slice(0, 10);
    if (e.kind === "move") {
      lot.stays.push({ placeId: e.placeId, from: day });
      lot.placed = true;
    } else if (e.kind === "date") lot.useBy = e.until;
    else if (e.kind === "use") take("useG");
    else if (e.kind === "give") take("giveG");
    else if (e.kind === "lose") take("loseG");
    else if (e.kind === "split" && e.toLot && !lots.has(e.toLot)) {
      take("apartG");
      lots.set(e.toLot, {
        ...lot,
        id: e.toLot,
        startG: takenG,
        leftG: takenG,
        note: e.note,
        from: lot.id,
        putByG: 0,
        stays: e.placeId ? [...lot.stays, { placeId: e.placeId, from: day }] : [...lot.stays],
        placed: lot.placed || e.placeId !== null,
        events: [],
        used: { useG: 0, giveG: 0, loseG: 0, apartG: 0, broughtG: 0 },
      });
    } else if (e.kind === "merge") {
      const into = e.toLot ? lots.get(e.toLot) : undefined;
      if (!into || into === lot || into.cropId !== lot.cropId || into.part !== lot.part) continue;
      take("apartG");
      into.leftG = roundMass(into.leftG + takenG);
      into.used.broughtG = roundMass(into.used.broughtG + takenG);
      into.estimated ||= lot.estimated;
      // pieces of both are counted on, or of neither
      if (into.pieceG !== null && into.leftG > 0)
        into.pieceG =
          lot.pieceG === null ? null : into.leftG / ((into.leftG - takenG) / into.pieceG + takenG / lot.pieceG);
      into.events.push(e);
    } else if (e.kind === "preserve" && e.toLot && e.how && !lots.has(e.toLot)) {
      take("useG");
      lot.putByG = roundMass(lot.putByG + takenG);
      lots.set(e.toLot, {
        ...lot,
        id: e.toLot,
        putByG: 0,
        startG: e.outG ?? takenG,
        leftG: e.outG ?? takenG,
        estimated: lot.estimated || e.outG === null,
        from: lot.id,
        stays: [{ placeId: e.placeId, from: day }],
        placed: e.placeId !== null,
        pieceG: null,
        preserved: e.how,
        preservedOn: day,
        useBy: null,
        note: e.note,
        events: [],
        used: { useG: 0, giveG: 0, loseG: 0, apartG: 0, broughtG: 0 },
      });
    }
  }
  return lots;
}

/** Pieces that are left of a lot by its own count; null: they were never counted, or it was put by. */
export const piecesLeft = (lot: Pick<Lot, "leftG" | "pieceG">): number | null =>
  lot.pieceG === null ? null : Math.round(lot.leftG / lot.pieceG);

/**
 * Grams of a number of pieces of a lot, typed as "6 pieces"; by its own count, or where it was not counted by the usual
 * mass of one. @returns null when no number of pieces was typed
 */
export function massOfPieces(text: string, lot: Pick<Lot, "pieceG">, usualPieceG: number): number | null {
  const found = /^(\d{1,5})\s*(?:pieces?|pcs?\.?|x|heads?|bulbs?|fruits?)$/i.exec(text.trim());
  return found ? roundMass(Number(found[1]) * (lot.pieceG ?? usualPieceG)) : null;
}

/** The last day on which somebody looked at it and found it sound; null: nobody said so. */
export const soundOn = (lot: Pick<Lot, "events">): Day | null =>
  lot.events.findLast((e) => e.kind === "check" && e.note === STILL_SOUND)?.at.slice(0, 10) ?? null;

/** Where a lot lies now. */
export const placeOf = (lot: Lot): string | null => lot.stays.at(-1)!.placeId;
