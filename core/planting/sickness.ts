import type { Supply } from "./supply";

/** Share of a diseased planting that spoils each day it is left (own estimate; blight may take it all in a week). */
export const SPOILS_A_DAY = 0.08;

/** The supply of a planting in which disease was seen: each day a share of what stands is lost to it. */
export const spreading = (supply: Supply): Supply => ({ ...supply, sickLossShare: SPOILS_A_DAY });
