import type { Day } from "../calendar/day";
import { type Bed, bedAreaM2 } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { husbandryOf } from "../handbook/husbandry";

/**
 * Ground that a planting takes, m²: as measured, else its row by the distance between rows, else its plants by theirs.
 * @returns null where nothing says
 */
export function groundOf(
  planting: Pick<Planting, "areaM2" | "rowM" | "plants">,
  crop: Pick<Crop, "like">,
): number | null {
  if (planting.areaM2 !== null) return planting.areaM2;
  const facts = husbandryOf(crop);
  const middle = (r: readonly [number, number] | null | undefined) => (r ? (r[0] + r[1]) / 2000 : null);
  const apart = middle(facts?.apartMm);
  const rows = middle(facts?.rowsMm) ?? apart;
  if (planting.rowM !== null && rows !== null) return planting.rowM * rows;
  return planting.plants !== null && apart !== null && rows !== null ? planting.plants * apart * rows : null;
}

/** Less of a bed than this, or less ground, is no place for something new (own thresholds). */
const LEAST_SHARE = 0.3;
const LEAST_M2 = 0.25;

/**
 * Share of a bed that is free on a day: the whole where nothing stands, what its plantings leave where their ground is
 * known.
 * @returns 0 where too little is left to be a place, or where nobody knows how much they take
 */
export function freeShare(
  bed: Pick<Bed, "id" | "shape" | "widthM" | "lengthM">,
  plantings: readonly Planting[],
  cropOf: (id: string) => Crop | null,
  on: Day,
): number {
  const here = plantings.filter(
    (p) => p.bedId === bed.id && p.startedOn <= on && (p.endedOn === null || p.endedOn > on),
  );
  if (here.length === 0) return 1;
  const whole = bedAreaM2(bed);
  let taken = 0;
  for (const p of here) {
    const crop = cropOf(p.cropId);
    const ground = crop ? groundOf(p, crop) : null;
    if (ground === null) return 0;
    taken += ground;
  }
  const free = Math.max(0, 1 - taken / whole);
  return free >= LEAST_SHARE && free * whole >= LEAST_M2 ? free : 0;
}
