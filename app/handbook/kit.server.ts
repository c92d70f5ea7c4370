import { kitOf, walkKit } from "#core/planning/rounds/kit";
import type { Round, RoundLine } from "#core/planning/rounds/round";
import { sayThing } from "#core/planning/words";
import type { GardenNow } from "../server/garden-now.server";
import { techniqueOf } from "./technique.server";

/** What to take along on a round, by its crops and the weather of its day. */
export function roundKit(d: GardenNow, round: Round & { lines: readonly RoundLine[] }): string[] {
  const byId = new Map(d.outlook.plantings.map((p) => [p.planting.id, p]));
  const weather = d.outlook.days.find((x) => x.weather.day === round.day)?.weather ?? null;
  return kitOf(
    round.lines.flatMap((l) => {
      const p = byId.get(l.plantingId);
      return p ? [{ taken: techniqueOf(d, p), wear: p.crop.wear, expectedG: l.expectedG }] : [];
    }),
    weather,
  ).map(sayThing);
}

/** A thing of a kit with whether it has been ticked off for this outing. */
export type KitThing = { id: string; what: string; done: boolean };

/** A kit to be ticked off. @param outing what it is for: a round's id, or the day of a walk */
export const ticked = (d: GardenNow, outing: string, kit: readonly string[]): KitThing[] => {
  const done = new Set(d.snapshot.ticks.map((t) => t.id));
  return kit.map((what) => ({ id: `kit ${outing} ${what}`, what, done: done.has(`kit ${outing} ${what}`) }));
};

/** What today's walk asks for. */
export const kitOfWalk = (d: GardenNow): KitThing[] =>
  ticked(d, `walk ${d.today}`, walkKit(d.outlook.plantings, d.today).map(sayThing));
