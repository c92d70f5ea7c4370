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
/** A special case of a verdict that wants words of its own. */
export type Call = { id: (typeof CALLS)[number]; words: string };

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
  if (verdict === "leave-for-seed")
    return { id: "leave-for-seed", words: "Kept for seed: pick nothing from it, look when it rattles dry." };
  if (seen === "bolting")
    return { id: "bolting", words: "It is bolting: take it now while it is good, or leave some for seed." };
  if (seen === "diseased")
    return { id: "diseased", words: "Diseased: lift or pick early, small or not, and keep it apart." };
  if (seen === "take-bitten") return { id: "take-bitten", words: "Animals have found it: take what is ready today." };
  if (crop.habit === "repeat" && crop.nature === "sizes" && (overCount > 0 || chances.past > 0.35))
    return {
      id: "strip-over-age",
      words: "Take the over-age ones too, even for compost: left on, they slow the plant.",
    };
  if (crop.thins && verdict === "pick-some" && chances.past < 0.35)
    return { id: "thin-biggest", words: "Take the biggest; the others fill the room they leave." };
  return null;
}

/** What is to be done where something presses from outside. */
const TAKE_WORDS: Record<Need["kind"], string> = {
  "before-frost": "take all that is of any use, unripe too",
  "before-heat": "take what is near ready; it will not grow on in it",
  "before-rain": "take what is ready before it comes",
  "before-gale": "take what is ready before it comes",
  "before-absence": "take what is nearly ready too",
  "bed-wanted": "clear it",
  "stands-still": "what is there is as good as it gets",
};

/** The verdict's words where something outside the planting decided. "The bed is wanted on Friday: clear it." is one. */
export const callOfNeed = (need: Need | null): Call | null =>
  need && { id: need.kind, words: `${need.words[0]!.toUpperCase()}${need.words.slice(1)}: ${TAKE_WORDS[need.kind]}.` };
