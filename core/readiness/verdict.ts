import type { Crop } from "../handbook/crop";
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

export const VERDICT_WORDS: Record<Verdict, string> = {
  "not-yet": "Not yet",
  nearly: "Nearly",
  "test-one": "Test one",
  "pick-some": "Pick some",
  "pick-all": "Pick all",
  "past-prime": "Past its prime",
  "leave-for-seed": "Leave for seed",
};

/** Chance of being ready, or past, from which the verdict is to pick. */
export const PICK_FROM = 0.6;

/**
 * The verdict on four chances. Crops taken in one lift say "pick all", those picked again and again "pick some";
 * where it hangs in the balance and a test dig or taste would tell, "test one".
 */
export function verdictOf(chances: StageChances, crop: Pick<Crop, "habit" | "cues">): Verdict {
  const { nearly, ready, past } = chances;
  if (past > 0.5) return "past-prime";
  if (ready + past >= PICK_FROM) return crop.habit === "once-over" ? "pick-all" : "pick-some";
  const canTest = crop.cues.some((c) => c.usesUp);
  if (canTest && ready + past >= 0.35) return "test-one";
  return nearly + ready + past >= 0.5 ? "nearly" : "not-yet";
}

/** Whether a verdict calls for picking now. */
export const isPick = (verdict: Verdict): boolean =>
  verdict === "pick-some" || verdict === "pick-all" || verdict === "past-prime";
