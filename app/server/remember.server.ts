import { keptWith } from "#core/kept-with";
import type { GardenNow } from "./garden-now.server";

/**
 * What a garden as it stands is asked for again and again; the next change makes a new one, and nothing is remembered of
 * the old one.
 */
export const remembered = keptWith<GardenNow>();
