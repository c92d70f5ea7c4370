import { roundMass } from "../units/mass";
import { type PickRecord, tareOf } from "./pick";

export type Net = {
  grossG: number;
  tareG: number;
  /** what the crop weighed as it stood on the scale */
  netG: number;
  /** expected weight once tops are off; equal to netG when they were off already */
  trimmedG: number;
  /** true when any part of trimmedG is reckoned rather than weighed */
  estimated: boolean;
};

/**
 * Gross less tare, and the weight expected without tops (common practice: tops flatter the figures).
 * A pick only counted is reckoned from the crop's usual piece and marked as an estimate.
 *
 * @param topsShare share of the weight that is tops, 0 to 1
 * @param pieceG usual mass of one piece, g
 */
export function netOf(pick: PickRecord, topsShare: number, pieceG: number): Net {
  if (pick.grossG === null) {
    const netG = roundMass((pick.count ?? 0) * pieceG);
    return { grossG: netG, tareG: 0, netG, trimmedG: netG, estimated: true };
  }
  const tareG = tareOf(pick.tare);
  const netG = roundMass(pick.grossG - tareG);
  // weighed again with the tops off: no share need be supposed
  if (pick.againG !== null && pick.againHow === "tops-off")
    return { grossG: pick.grossG, tareG, netG, trimmedG: pick.againG, estimated: pick.estimated };
  const trimmedG = pick.topsOn ? roundMass(netG * (1 - topsShare)) : netG;
  return {
    grossG: pick.grossG,
    tareG,
    netG,
    trimmedG,
    estimated: pick.estimated || (pick.topsOn && topsShare > 0),
  };
}

/** What is unlikely about a pick's figures: ten times the usual, more pieces than there are, a piece of a strange weight. */
export type Doubt = { what: "ten-times" | "piece-weight" } | { what: "pieces"; most: number };

/**
 * Doubts worth a question before a pick is believed: ten times the usual of this planting, more pieces than plants
 * can give, one piece of an unlikely weight. Questions, never refusals.
 */
export function doubtsOf(
  pick: PickRecord,
  net: Net,
  usualG: number | null,
  pieceG: number,
  mostPieces: number | null,
): Doubt[] {
  const doubts: Doubt[] = [];
  if (usualG !== null && usualG > 0 && net.netG > 10 * usualG) doubts.push({ what: "ten-times" });
  if (pick.count !== null && mostPieces !== null && pick.count > mostPieces)
    doubts.push({ what: "pieces", most: mostPieces });
  if (pick.count !== null && pick.count > 0 && pick.grossG !== null) {
    const each = net.netG / pick.count;
    if (each > 8 * pieceG || each < pieceG / 12) doubts.push({ what: "piece-weight" });
  }
  return doubts;
}
