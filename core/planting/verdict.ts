import type { Crop, TakenWay } from "../handbook/crop";
import type { StageChances } from "./stage-grid";

export const VERDICTS = [
  "not-yet",
  "nearly",
  "test-one",
  "pick-some",
  "pick-all",
  "past-prime",
  "leave-for-seed",
] as const;
export type Verdict = (typeof VERDICTS)[number];

/** What a reading means by itself: well short of the school's mark, nearly there, right for it, or beyond use. */
export type Meaning = "short" | "nearly" | "right" | "past";

/** What the last look showed, as far as it can still be relied on. */
export type Seen = {
  /** decisive readings of today or yesterday, each by what it means */
  decisive: readonly Meaning[];
  /** whether something past use was seen since the last pick */
  past: boolean;
  /** whether a test dig or taste was made at this look */
  tested: boolean;
  /** whether today's look says something else than the one of a few days ago: another plant is looked at then */
  overturns: boolean;
};
export const UNSEEN: Seen = { decisive: [], past: false, tested: false, overturns: false };

/** Chance of being ready from which it is taken by the clock, an older look and supporting signs. */
export const PICK_FROM = 0.5;
/** Chance from which a test would tell, and chance of being near from which it is nearly ready. */
const TEST_FROM = 0.3;
const NEAR = 0.5;
/** Chance of being past use from which that is said, once it was seen. */
const PAST_SEEN = 0.15;

/** What taking means where a crop is taken so. */
export const takeOf = (way: TakenWay): Verdict => (way === "all-at-once" ? "pick-all" : "pick-some");

/**
 * The verdict: what costs least, given how the crop is taken. A decisive sign that says no keeps it in the bed, one that
 * says yes takes it out; where two disagree one piece is tested. Past its prime is only said of what somebody has seen.
 * @param enough whether a handful has come since it was picked: the first piece alone is not worth the way
 */
export function verdictOf(
  chances: StageChances,
  way: TakenWay,
  crop: Pick<Crop, "cues">,
  seen: Seen = UNSEEN,
  enough = true,
): Verdict {
  const { nearly, ready, past } = chances;
  const ripe = ready + past;
  const take = takeOf(way);
  const says = (meaning: Meaning) => seen.decisive.includes(meaning);
  if (seen.past && past >= PAST_SEEN) return "past-prime";
  const no = says("short") || says("nearly");
  const yes = says("right") || says("past");
  const canTest = !seen.tested && crop.cues.some((c) => c.usesUp);
  if (no) {
    if (canTest && (yes ? ripe >= TEST_FROM : seen.overturns)) return "test-one";
    if (seen.overturns) return "nearly";
    return says("short") && !yes && nearly + ripe < NEAR ? "not-yet" : "nearly";
  }
  if (yes || (enough && ripe >= PICK_FROM)) return take;
  if (canTest && ripe >= TEST_FROM) return "test-one";
  return nearly + ripe >= NEAR ? "nearly" : "not-yet";
}

/** Whether a verdict calls for picking now. */
export const isPick = (verdict: Verdict): boolean =>
  verdict === "pick-some" || verdict === "pick-all" || verdict === "past-prime";
