import type { SoilState } from "../handbook/soil-state";
import type { HeatBand } from "./heat-index";

/** What to say to someone about to pick in it; a caution, not medical advice. */
export const HEAT_WORDS: Record<HeatBand, string> = {
  none: "",
  caution: "Warm: drink, and rest in the shade between beds.",
  "extreme-caution": "Hot: pick early, drink often, no long digging. Full sun adds to it.",
  danger: "Dangerous heat: leave heavy work, be indoors by the time it builds.",
  "extreme-danger": "Extreme heat: stay out of it.",
};

export const SOIL_WORDS: Record<SoilState, string> = {
  frozen: "frozen: lift nothing from it",
  sodden: "sodden: roots come out caked, digging smears it; wait for a drying day",
  workable: "workable",
  dry: "dry: water the evening before lifting",
  baked: "baked hard: no fine seedbed until rain; water well before lifting",
};

/** The published rule for lightning: in at the first thunder, out again half an hour after the last (NWS 30-30). */
export const LIGHTNING_RULE =
  "At the first thunder leave forks, ladders and the plot; go out again 30 minutes after the last.";
