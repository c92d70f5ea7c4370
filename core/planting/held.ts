import type { Day } from "../calendar/day";
import type { Treatment } from "../garden/treatment";

/** Why nothing may be taken from a planting, whatever its stage. Its words stand in `words.ts`. */
export type Held =
  /** it stands for years and gathers strength; it is kept for seed; the last pick ended its season */
  | { why: "resting" | "for-seed" | "ended" }
  /** the gardener's own days of picking have not begun, or are over */
  | { why: "not-begun" | "over"; day: Day }
  /** what stands for years is spared until a year */
  | { why: "too-young"; untilYear: number }
  /** what stands for years is left after its last day, for a reason that the handbook says */
  | { why: "season-over"; lastWhy: string }
  /** a spray's, a feed's or manure's wait, or skins still setting */
  | { why: "treated"; treatment: Treatment }
  /** the gardener wishes it so */
  | { why: "not-before"; day: Day };
