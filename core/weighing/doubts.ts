import type { Day } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { expectedYieldG } from "../planting/yield";
import { netOf } from "./net";
import { isCrop, type PickRecord } from "./pick";

/** Why a pick is doubted before it is kept; each is asked about once, beside its field. */
export const PICK_DOUBTS = ["to-come", "before-start", "after-end", "nothing", "too-much"] as const;
export type PickDoubt = (typeof PICK_DOUBTS)[number];

/** So many times a whole season's yield by the handbook in one pick is hardly possible (own estimate). */
const HARDLY_TIMES = 3;
/** Under this nobody is asked, whatever the handbook expects, g. */
const LITTLE_G = 3000;

/** What is doubtful about a pick of a planting. */
export function doubtsOfPick(
  pick: PickRecord,
  planting: Planting,
  bed: Pick<Bed, "sunHours">,
  crop: Crop,
  today: Day,
): PickDoubt[] {
  const day = pick.at.slice(0, 10);
  const { netG } = netOf(pick, crop.topsShare, crop.yield.pieceG);
  const most = Math.max(LITTLE_G, HARDLY_TIMES * expectedYieldG(planting, bed, crop));
  const doubts: [PickDoubt, boolean][] = [
    ["to-come", day > today],
    ["before-start", day < planting.startedOn],
    ["after-end", planting.endedOn !== null && day > planting.endedOn],
    ["nothing", netG === 0 && !pick.count],
    ["too-much", isCrop(pick) && netG > most],
  ];
  return doubts.flatMap(([doubt, holds]) => (holds ? [doubt] : []));
}
