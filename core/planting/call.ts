import type { Crop, Cue } from "../handbook/crop";
import { NEEDS, type Need } from "./needs";
import type { StageChances } from "./stage-grid";
import type { Verdict } from "./verdict";

export const CALLS = [
  "thin-biggest",
  "bolting",
  "diseased",
  "strip-over-age",
  "leave-for-seed",
  "take-bitten",
  ...NEEDS,
] as const;
/** A special case of a verdict that wants words of its own (`words.ts`), with the need that made it one. */
export type Call = { id: (typeof CALLS)[number]; need?: Need };

/**
 * What is special about a verdict, if anything: the biggest are to be thinned out, it bolts, it is diseased, over-age
 * pieces hold the plant up, animals are first, or it is kept for seed. All common practice, no source.
 * @param override the sign that decided, if one did
 * @param overCount over-age pieces counted at the last look, 0 when not counted
 */
export function callOf(
  verdict: Verdict,
  chances: StageChances,
  crop: Pick<Crop, "thins" | "habit" | "nature">,
  override: Cue | null,
  overCount: number,
): Call | null {
  const seen = override?.kind === "event" ? override.call : null;
  if (verdict === "leave-for-seed") return { id: "leave-for-seed" };
  if (seen === "bolting" || seen === "diseased" || seen === "take-bitten") return { id: seen };
  if (crop.habit === "repeat" && crop.nature === "sizes" && (overCount > 0 || chances.past > 0.35))
    return { id: "strip-over-age" };
  if (crop.thins && verdict === "pick-some" && chances.past < 0.35) return { id: "thin-biggest" };
  return null;
}

/** The verdict's call where something outside the planting decided. */
export const callOfNeed = (need: Need | null): Call | null => need && { id: need.kind, need };
