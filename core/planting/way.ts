import type { Crop, Evenness, School, TakenWay } from "../handbook/crop";

/** Usual way of taking a crop by its habit, for a gardener's own crop that does not say (common practice). */
const WAY_BY_HABIT: Record<Crop["habit"], TakenWay> = {
  "once-over": "all-at-once",
  repeat: "as-they-come",
  "leaf-by-leaf": "as-they-come",
  "cut-again": "all-at-once",
  "lift-as-needed": "as-needed",
  "main-then-side": "one-by-one",
  perennial: "as-they-come",
};

/** How a crop is taken by a school: the school's own way, else the crop's, else what its habit suggests. */
export const wayOf = (crop: Pick<Crop, "pieces" | "habit">, school: Pick<School, "way">): TakenWay =>
  school.way ?? crop.pieces?.way ?? WAY_BY_HABIT[crop.habit];

/** Whether a cut of it grows again from the same plants, so that its clock begins anew: cut herbs and cut leaves. */
export const growsAgain = (crop: Pick<Crop, "habit" | "pieces">, way: TakenWay): boolean =>
  way === "all-at-once" && (crop.habit === "cut-again" || crop.habit === "leaf-by-leaf" || crop.habit === "perennial");

/** Whether it is cleared along its row, so that what is left of it stands there to be seen: each plant gives all at once. */
export const clearedByRow = (crop: Pick<Crop, "habit" | "pieces">, way: TakenWay): boolean =>
  (way === "all-at-once" && !growsAgain(crop, way)) || way === "as-needed" || crop.pieces?.perPlant[1] === 1;

const EVENNESS_BY_HABIT: Record<Crop["habit"], Evenness> = {
  "once-over": "even",
  repeat: "weeks",
  "leaf-by-leaf": "weeks",
  "cut-again": "very-even",
  "lift-as-needed": "uneven",
  "main-then-side": "uneven",
  perennial: "weeks",
};

/** How evenly its pieces become ready. */
export const evennessOf = (crop: Pick<Crop, "pieces" | "habit">): Evenness =>
  crop.pieces?.evenness ?? EVENNESS_BY_HABIT[crop.habit];

/**
 * Warm days over which the pieces of one planting become ready, from the first to the last. Between one in ten and nine
 * in ten lie: very even 4 days, even 5 to 10, uneven 11 to 25 (own estimate); what bears for weeks is spread over its
 * season.
 */
export const RIPENS_OVER: Record<Evenness, number> = { "very-even": 4, even: 9, uneven: 21, weeks: 55 };

/** Plants to reckon with where nobody counted them. */
const USUAL_PLANTS = 12;

/** Pieces that a planting brings in all by the handbook. */
export const piecesOf = (planting: { plants: number | null }, crop: Pick<Crop, "pieces">): number =>
  (planting.plants ?? USUAL_PLANTS) * (crop.pieces ? (crop.pieces.perPlant[0] + crop.pieces.perPlant[1]) / 2 : 1);
