import { cautionsAt } from "../handbook/cautions";
import type { Crop } from "../handbook/crop";
import { fahrenheitFromCelsius } from "../units/convert";
import { decimals, type UnitSystem } from "../units/mass";
import { sayTemp } from "../units/say";
import type { Grade } from "../weighing/pick";
import { GRADE_WORDS } from "../weighing/words";
import { cautionPlaceOf, type Preserved } from "./blanching";
import type { LotEventKind } from "./lot";
import { RIPENS_FROM_C, RIPENS_TO_C, wrongTemp } from "./ripening";
import type { AgeingWhy, Warning } from "./shelf-life";

export const LOT_EVENT_WORDS: Record<LotEventKind, string> = {
  move: "moved",
  use: "used",
  give: "given away",
  lose: "lost",
  check: "looked at",
  split: "a part set apart",
  merge: "laid together with another",
  preserve: "put by",
  date: "given a date of its own",
};

export const PRESERVED_WORDS: Record<Preserved, string> = {
  frozen: "frozen",
  dried: "dried",
  fermented: "fermented",
  jam: "made into jam",
  canned: "canned in jars",
  pickled: "pickled",
  cooked: "cooked",
};

/** What is said where amounts and times for putting by are shown. */
export const PRESERVING_CAUTION =
  "Times and amounts here help to plan. They are not a tested recipe. For anything that will stand in a jar follow a current tested procedure for that food, jar, altitude and equipment exactly: acid and pressure are not to be guessed. When in doubt, freeze it or throw it out.";

/** Cautions of a crop at the step: what the handbook says of it there, deferring to tested procedures. */
export function preservingCautions(crop: Pick<Crop, "hazards" | "cautions">, how: Preserved): string[] {
  const all = cautionsAt(crop, cautionPlaceOf(how)).map((c) => c.say);
  return how === "fermented"
    ? [...all, "Weigh the salt by a tested recipe; throw out what smells or looks wrong."]
    : all;
}

/** "0 to 4 °C" */
function sayTemps([low, high]: readonly [number, number], units: UnitSystem): string {
  if (low === high) return sayTemp(low, units);
  const from = decimals(units === "us" ? fahrenheitFromCelsius(low) : low, 0);
  return `${from} to ${sayTemp(high, units)}`;
}

/** Why a lot ages faster in a place than in the best air for it. */
export function sayAgeing(why: AgeingWhy, units: UnitSystem): string {
  switch (why.what) {
    case "freezes":
      return `it freezes at ${sayTemp(why.tempC, units, 1)}`;
    case "warm":
      return `warmer than the ${sayTemps(why.bestC, units)} it keeps best at`;
    case "chilled":
      return `below ${sayTemp(why.tempC, units)} it is chilled`;
    case "dry":
      return `drier than ${why.percent} %: it wilts`;
    case "damp":
      return `damper than ${why.percent} %: it rots or sprouts`;
    case "gas":
      return "ripening fruit lies beside it";
    case "grade":
      return `it was graded “${GRADE_WORDS[why.grade]}”`;
  }
}

/** What is said before something goes where it does not belong. @param name the crop's */
export function sayWarning(warning: Warning, name: string, units: UnitSystem): string {
  switch (warning.what) {
    case "no-fridge":
      return `${name} does not belong in a refrigerator.`;
    case "ripe-only":
      return `${name}: into the refrigerator only once it is ripe.`;
    case "few-days":
      return `${name}: in the refrigerator for a few days only.`;
    case "harmed":
      return `${name} is harmed below ${sayTemp(warning.safeC, units)}; it is about ${sayTemp(warning.tempC, units)} there.`;
    case "light":
      return "Light turns potatoes green. Green parts are not to be eaten: follow food-safety advice.";
  }
}

/** Too cold or too hot to ripen; null when it is neither. */
export function sayWrongTemp(tempC: number, units: UnitSystem): string | null {
  const wrong = wrongTemp(tempC);
  if (wrong === null) return null;
  return wrong === "cold"
    ? `Too cold to ripen: below ${sayTemp(RIPENS_FROM_C, units)} green fruit is chilled and rots.`
    : `Too hot to ripen: above ${sayTemp(RIPENS_TO_C, units)} red does not form.`;
}

const SOONER_WORDS: Partial<Record<Grade, string>> = {
  damaged: "damaged",
  "pest-eaten": "damaged",
  "eat-first": "use soon",
  bolted: "bolted: it does not keep",
  small: "small ones shrivel first",
};
/** Why a lot stands before others of its age; empty where nothing puts it there. */
export const saySooner = (grade: Grade | null): string => (grade === null ? "" : (SOONER_WORDS[grade] ?? ""));
