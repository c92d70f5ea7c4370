import { type Day, daysBetween } from "../calendar/day";
import { growingYear, inGrowingYear } from "../calendar/hemisphere";
import type { Planting } from "../garden/planting";
import { PERENNIALS, type PerennialRule } from "../handbook/bed-after";
import type { Crop } from "../handbook/crop";

/** How a crop that stands for years does this year. */
export type PerennialYear = {
  /** years it has stood: 0 in the one of its start */
  age: number;
  /** season years in which it is first cropped a little, and in full */
  firstLightYear: number;
  firstCropYear: number;
  young: boolean;
  /** picked now, it would pay with later years: nothing is taken before its first light crop */
  spared: boolean;
  /** share of a full crop that it brings at its age */
  bears: number;
  lastDay: Day | null;
  lastWhy: string;
  /** its season is over for this year */
  over: boolean;
  tasks: { id: string; words: string; why: string; from: Day; to: Day; state: "now" | "soon" | "later" | "past" }[];
  old: boolean;
  otherwise: string;
};
const SOON_DAYS = 21;

/** Share of a full crop in the first light year; from there it rises evenly to the first full one (common practice: a third to a half). */
const LIGHT_SHARE = 0.4;
/** Before its first light year what is not spared may bear a little all the same (own estimate). */
const BEFORE_SHARE = 0.1;

const RULES = new Map(PERENNIALS.map((r) => [r.crop, r]));

/**
 * First harvest years, what it bears while young, the season's last day, renewal and tasks of a planting that stands for
 * years, by the handbook (common practice and published advice, marked there).
 * @returns null where the handbook has no rule for its crop
 */
export function perennialYear(
  planting: Planting,
  crop: Pick<Crop, "like">,
  today: Day,
  latitudeDeg: number,
): PerennialYear | null {
  const rule: PerennialRule | undefined = RULES.get(crop.like);
  if (!rule) return null;
  const year = growingYear(today, latitudeDeg);
  const started = growingYear(planting.startedOn, latitudeDeg);
  const by = planting.startedHow === "sown" ? "sown" : "planted";
  const firstLightYear = started + rule.firstLight[by];
  const firstCropYear = started + rule.firstCrop[by];
  const lastDay = rule.lastDay ? inGrowingYear(year, rule.lastDay, latitudeDeg) : null;
  return {
    age: year - started,
    firstLightYear,
    firstCropYear,
    young: year < firstCropYear,
    spared: rule.spared && year < firstLightYear,
    bears: bearsIn(year, firstLightYear, firstCropYear, rule.spared),
    lastDay,
    lastWhy: rule.lastWhy,
    over: lastDay !== null && today > lastDay,
    tasks: rule.tasks.map((t, i) => {
      const from = inGrowingYear(year, t.from, latitudeDeg);
      // a span over New Year ends in the next one
      const to = inGrowingYear(t.to < t.from ? year + 1 : year, t.to, latitudeDeg);
      const state =
        today > to ? "past" : today >= from ? "now" : daysBetween(today, from) <= SOON_DAYS ? "soon" : "later";
      return { id: `perennial ${planting.id} ${i} ${year}`, words: t.words, why: t.why, from, to, state };
    }),
    old: year - started >= rule.renewYears,
    otherwise: rule.otherwise,
  };
}

function bearsIn(year: number, light: number, full: number, spared: boolean): number {
  if (year >= full) return 1;
  if (year < light) return spared ? 0 : BEFORE_SHARE;
  return LIGHT_SHARE + ((1 - LIGHT_SHARE) * (year - light)) / (full - light);
}
