import type { Crop } from "../../handbook/crop";
import type { Technique } from "../../handbook/technique";
import type { PlantingOutlook } from "../outlook";

/** What the weather of a round's day asks for, as far as the kit goes. */
export type KitWeather = { rainMm: number; tempMaxC: number };

const RAIN_MM = 2;
const HOT_C = 28;
/** From so much at one stop it is lifted onto a sheet and carried in halves, g. */
const HEAP_G = 10_000;

/**
 * What to take along on a round, each thing once: tools and containers of its crops, what their hairs and thorns ask
 * to be worn, a sheet where a heap comes out of the ground or rain falls, water and a hat in the heat. Common practice.
 */
export function kitOf(
  lines: readonly { taken: Pick<Technique, "tool" | "container">; wear: Crop["wear"]; expectedG: number }[],
  weather: KitWeather | null,
): string[] {
  const wet = (weather?.rainMm ?? 0) >= RAIN_MM;
  const heap = lines.some((l) => l.expectedG >= HEAP_G);
  return [
    ...new Set([
      ...lines.flatMap((l) => [l.taken.tool, l.taken.container]),
      ...lines.flatMap((l) => l.wear),
      ...(lines.length > 0 && (wet || heap) ? ["tarpaulin"] : []),
      ...(lines.length > 0 && (weather?.tempMaxC ?? 0) >= HOT_C ? ["water", "hat"] : []),
    ]),
  ].filter((thing) => thing !== BARE);
}

/** What everybody has along. */
const BARE = "hands";

/** Readings a look usually takes: the first few that the walk asks for. */
const READINGS = 2;

/** What to take along on a walk: for the readings that its looks will ask for first, and for what may be picked at once. */
export function walkKit(plantings: readonly PlantingOutlook[], today: string): string[] {
  const due = plantings.filter((p) => p.judgement.lookAgain <= today);
  const cues = due.flatMap((p) => p.judgement.worth.slice(0, READINGS).map((w) => ({ cue: w.cue, crop: p.crop })));
  return [
    ...new Set([
      ...(cues.some(({ cue }) => cue.kind === "measure") ? ["tape measure"] : []),
      ...cues.flatMap(({ cue, crop }) => (cue.usesUp ? [crop.technique.tool] : [])),
      ...due.flatMap((p) => p.crop.wear),
      ...(due.length > 0 ? ["basket"] : []),
    ]),
  ].filter((thing) => thing !== BARE);
}
