import { roundMass } from "../units/mass";
import { isCrop, type Way } from "../weighing/pick";
import type { LoggedPick } from "../weighing/pick-log";
import { type LotEvent, type LotSeed, lotsNow, pickOfLot } from "./lot";

/** What became of a crop, g. */
export type Outcomes = {
  eatenG: number;
  putByG: number;
  givenG: number;
  /** to the animals and to the compost, as it came from the bed */
  animalsG: number;
  compostG: number;
  /** spoiled in the house */
  lostG: number;
  apartG: number;
  leftG: number;
  /** what was lost, by its cause, most first */
  causes: [string, number][];
};

/** Ways that end with the basket, by what they count as. */
const AT_ONCE: Partial<Record<Way, "eatenG" | "givenG" | "animalsG" | "compostG">> = {
  snacked: "eatenG",
  give: "givenG",
  animals: "animalsG",
  compost: "compostG",
};

/**
 * What became of some picks. Lots that something was written down about are followed through all that befell them; the
 * rest is counted by where it went from the basket, which over twenty seasons is nearly all of it.
 * @param seedsFor the lots that picks began
 */
export function outcomesOf(
  entries: readonly LoggedPick[],
  events: readonly LotEvent[],
  seedsFor: (entries: readonly LoggedPick[]) => LotSeed[],
): Outcomes {
  const told = new Set(events.flatMap((e) => [e.lotId, e.toLot ?? ""]).map(pickOfLot));
  const sum = { eatenG: 0, putByG: 0, givenG: 0, animalsG: 0, compostG: 0, lostG: 0, apartG: 0, leftG: 0 };
  const causes = new Map<string, number>();
  const follow: LoggedPick[] = [];
  for (const e of entries) {
    if (!isCrop(e.pick)) continue;
    if (e.pick.sorted.length > 0 || told.has(e.pick.id)) follow.push(e);
    else sum[AT_ONCE[e.pick.way] ?? "leftG"] += e.net;
  }
  const lots = lotsNow(seedsFor(follow), events);
  for (const l of lots.values()) {
    for (const e of l.events)
      if (e.kind === "lose" && e.lotId === l.id && e.massG !== null) {
        const cause = e.cause || "not said";
        causes.set(cause, (causes.get(cause) ?? 0) + e.massG);
      }
    // a part set apart began as its lot did, and is counted there
    if (l.from !== null) continue;
    sum.eatenG += l.used.useG - l.putByG;
    sum.putByG += l.putByG;
    sum.givenG += l.used.giveG;
    sum[l.way === "animals" ? "animalsG" : l.way === "compost" ? "compostG" : "lostG"] += l.used.loseG;
    sum.apartG += l.used.apartG;
    sum.leftG += l.leftG;
  }
  const rounded = Object.fromEntries(Object.entries(sum).map(([k, g]) => [k, roundMass(g)])) as typeof sum;
  return {
    ...rounded,
    causes: [...causes].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)),
  };
}
