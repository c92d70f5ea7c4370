import type { ReactNode } from "react";

/** A drawing at a stage: the stage 0 to 2, how grown (0.35 to 1), how far past its best (0 to 1). */
export type Drawing = (s: number, grown: number, past: number) => ReactNode;

/** A colour between two, by share. */
export const mix = (a: string, b: string, share: number): string =>
  `color-mix(in srgb, ${b} ${Math.round(Math.min(1, Math.max(0, share)) * 100)}%, ${a})`;

/** Unripe to ripe to past. */
export const ripening = (unripe: string, ripe: string, over: string, s: number, past: number): string =>
  mix(mix(unripe, ripe, (s - 0.55) / 0.6), over, past);

export const LEAF = "#7c9a5b";
export const STEM = "#4f6e3a";
export const DRY = "#c9ad72";
