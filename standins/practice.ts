import type { Crop, Cue } from "#core/handbook/crop";
import type { Reading } from "#core/planting/check";
import { NEARLY_FROM, PAST_FROM, READY_FROM } from "#core/planting/stage-grid";
import { look } from "./living-garden";
import { chance } from "./random";

export const PRACTICE_ANSWERS = ["not-yet", "nearly", "ready", "past"] as const;
export type PracticeAnswer = (typeof PRACTICE_ANSWERS)[number];

/** A simulated plant put before a gardener: what it shows, and the truth behind. */
export type PracticePlant = { cropId: string; readings: Reading[]; stage: number; truth: PracticeAnswer };

/** What a stage is called in practice. */
export const answerFor = (stage: number): PracticeAnswer =>
  stage >= PAST_FROM ? "past" : stage >= READY_FROM ? "ready" : stage >= NEARLY_FROM ? "nearly" : "not-yet";

/**
 * A plant to practise on: a crop of those given, at a hidden stage, showing two or three of its cues to an honest,
 * imperfect eye. The same seed gives the same plant.
 * @param crops crops to choose from, at least one
 */
export function practicePlant(crops: readonly Crop[], seed: number): PracticePlant {
  const luck = chance(seed);
  for (let i = 0; i < 8; i++) luck.next();
  const crop = crops[Math.floor(luck.next() * crops.length)]!;
  const answer = PRACTICE_ANSWERS[Math.floor(luck.next() * PRACTICE_ANSWERS.length)]!;
  const [low, high] = { "not-yet": [0.25, 0.7], nearly: [0.8, 0.97], ready: [1.08, 1.7], past: [1.95, 2] }[answer] as [
    number,
    number,
  ];
  const stage = luck.between(low, high);
  const telling = (c: Cue) => c.kind !== "event" && c.kind !== "count";
  const shown = crop.cues
    .filter(telling)
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, 3);
  return {
    cropId: crop.id,
    stage,
    truth: answerFor(stage),
    readings: shown.flatMap((cue): Reading[] => {
      const reading = look(seenBy(cue, crop), stage, 6, luck);
      return reading ? [reading] : [];
    }),
  };
}

/** Decisive cues first. */
const rank = (c: Cue): number => (c.role === "decisive" ? 0 : 1) + (c.reliability === "high" ? 0 : 0.5);

/** The cue as the crop's first school sees it: that is the school practice speaks of. */
function seenBy(cue: Cue, crop: Crop): Cue {
  const view = crop.schools[0]!.cues[cue.id];
  if (!view) return cue;
  if ("marks" in cue && view.landmarks) return { ...cue, marks: view.landmarks };
  if (cue.kind === "choice" && view.optionAt)
    return { ...cue, options: cue.options.map((o) => ({ ...o, at: view.optionAt?.[o.id] ?? o.at })) };
  return cue;
}
