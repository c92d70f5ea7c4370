import type { Day } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop, Cue, School, TakenWay } from "../handbook/crop";
import type { Climate } from "../weather/climate";
import type { WeatherDay } from "../weather/daily";
import type { Conflict } from "./agreement";
import type { ReadingWorth } from "./best-reading";
import type { Call } from "./call";
import type { Check } from "./check";
import type { Clock, Regime } from "./clock";
import type { DayChances, Evidence } from "./conclude";
import type { CueContext } from "./cue-kinds";
import type { Held } from "./held";
import type { Marked } from "./marked";
import type { Misled } from "./misled";
import type { Need } from "./needs";
import type { PickMark } from "./signs-seen";
import type { DayStep } from "./stage-filter";
import type { Stage, StageChances } from "./stage-grid";
import type { Verdict } from "./verdict";

/** All that a planting is judged by. */
export type JudgeInput = {
  today: Day;
  planting: Planting;
  bed: Bed;
  crop: Crop;
  school: School;
  checks: readonly Check[];
  picks: readonly PickMark[];
  /** every day from the start (or earlier) to at least `horizonDays` past today: record, forecast, usual year */
  weather: readonly WeatherDay[];
  climate: Climate;
  latitudeDeg: number;
  horizonDays: number;
  /** whether to weigh what each reading would tell; the walk needs it, the lanes do not */
  weighReadings?: boolean;
  /** whether to keep the chances of every day from the start; the planting's own page needs it */
  track?: boolean;
  /** pieces that a day of reference warmth brings by what is known of the planting; null: by the handbook's yield */
  piecesPerDay?: number | null;
  /** why nothing may be taken from it today though its season goes on (a spray's wait, a date of the gardener's); absent: it may */
  held?: Held | null;
  /** what presses on it from outside, by its chances on the coming days; absent: nothing does */
  pressing?: (days: readonly DayChances[]) => Need[];
};

/** What a planting is and wants on one day. */
export type Judgement = {
  chances: StageChances;
  meanStage: number;
  verdict: Verdict;
  /** what is special about the verdict */
  call: Call | null;
  /** cues that the last days' weather makes lie today */
  misled: Misled[];
  /** today's readings against each other or against the last look; null when they agree */
  conflict: Conflict | null;
  /** whether there was a look within the last days, before today */
  recentLook: boolean;
  /** over-age pieces counted at the last look */
  overCount: number;
  /** plants or pieces used up by test digs and tastes */
  usedUp: number;
  /** how it is taken by its school */
  way: TakenWay;
  /** days of reference warmth since its first pieces were ready, as far as is known: how much of its flush is over */
  borneDays: number;
  /** whether all its pieces have had their time: nothing more is to come */
  flushOver: boolean;
  /** why nothing may be taken from it at all, whatever its stage: kept for seed, its season over; null: it may */
  barred: Held | null;
  /** why nothing may be taken today: the above, a spray's wait, or a date of the gardener's; null: it may */
  held: Held | null;
  /** a school that goes by the date, and its date has come */
  dateDue: boolean;
  /** pieces marked at the last look that still stand as marked */
  marked: Marked[];
  /** what presses on it from outside, most urgent first */
  needs: Need[];
  /** days until a handful has come since it was picked; 0: it has */
  enoughIn: number;
  /** advice of an override cue seen in the last week, when it decides */
  override: { cue: Cue; advice: string } | null;
  evidence: Evidence[];
  /** every reading of the season with what it meant, also those that a pick has answered since; for looking back */
  looked: Evidence[];
  clock: Clock;
  warmthSoFarDd: number;
  daysSinceStart: number;
  regime: Regime;
  /** chances of each day from the start to today; empty unless asked for */
  track: DayChances[];
  /** chances of today and each coming day, if nothing is picked */
  days: DayChances[];
  /** the same if it is certain that there is something there: what masses are reckoned by */
  belief: DayChances[];
  lookAgain: Day;
  /** the distribution before today's readings, and after them; the coming days' steps, so that a screen can go on from here */
  prior: Stage;
  stage: Stage;
  steps: DayStep[];
  context: CueContext;
  /** readings in order of what they would tell for the time they take */
  worth: ReadingWorth[];
};
