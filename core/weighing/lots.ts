import { roundMass } from "../units/mass";
import type { Net } from "./net";
import { type Grade, isUnripe, type PickRecord, type Way } from "./pick";

/** What came of a pick and is kept together: a part told apart when it was sorted, or the rest. */
export type LotPart = {
  /** the pick's id for the rest, with a number after it for each part told apart */
  id: string;
  grade: Grade;
  way: Way;
  massG: number;
  count: number | null;
  estimated: boolean;
  note: string;
};

/** Where a grade usually goes when nobody said (common practice). */
export function usualWay(grade: Grade, keeps: boolean): Way {
  if (grade === "seed" || grade === "animals" || grade === "compost") return grade;
  if (isUnripe(grade)) return "store";
  if (grade === "sound") return keeps ? "store" : "kitchen";
  return "kitchen";
}

/**
 * The lots of a pick: each part told apart and the rest, which together weigh to the hundredth of a gram what the pick
 * weighs without its tops. A part only counted is reckoned as its share of the pieces, and marked as an estimate.
 *
 * @param net the pick's own net, from `netOf`
 * @param pieceG usual mass of a piece, g, where the pick itself was not counted
 */
export function lotParts(pick: PickRecord, net: Net, pieceG: number): LotPart[] {
  const total = net.trimmedG;
  // parts stood on the scale as the whole did: with tops on, each loses its share of them
  const kept = net.netG > 0 ? total / net.netG : 1;
  let leftG = total;
  let leftCount = pick.count;
  const parts = pick.sorted.map((part, i): LotPart => {
    const supposed =
      part.massG === null
        ? pick.count !== null && pick.count > 0
          ? (total * (part.count ?? 0)) / pick.count
          : (part.count ?? 0) * pieceG
        : part.massG * kept;
    const massG = Math.min(leftG, roundMass(supposed));
    leftG = roundMass(leftG - massG);
    if (leftCount !== null && part.count !== null) leftCount -= part.count;
    return {
      id: `${pick.id}.${i + 1}`,
      grade: part.grade,
      way: part.way,
      massG,
      count: part.count,
      estimated: net.estimated || part.massG === null,
      note: part.note,
    };
  });
  const rest: LotPart = {
    id: pick.id,
    // a bulb or tuber dug to see how it does is food, not stock
    grade: pick.purpose === "test" && pick.grade === "sound" ? "eat-first" : pick.grade,
    way: pick.way,
    massG: leftG,
    count: pick.sorted.every((p) => p.count !== null) ? leftCount : null,
    estimated: net.estimated || parts.some((p) => p.estimated),
    note: "",
  };
  return leftG > 0 || parts.length === 0 ? [rest, ...parts] : parts;
}

/** Something that happens while picking, and what it does to a piece (common practice). */
export const ACCIDENTS = [
  { id: "forked", grade: "eat-first", tools: ["fork", "spade", "trowel"] },
  { id: "dropped", grade: "eat-first", tools: [] },
  { id: "split", grade: "eat-first", tools: [] },
  { id: "eaten", grade: "pest-eaten", tools: [] },
  { id: "rotten", grade: "compost", tools: [] },
] as const satisfies readonly { id: string; grade: Grade; tools: readonly string[] }[];
export type AccidentId = (typeof ACCIDENTS)[number]["id"];
