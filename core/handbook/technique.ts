import type { Crop } from "./crop";
import type { SoilState } from "./soil-state";

/** How it is taken, with what, what stays, and what it is laid in. */
export type Technique = Omit<Crop["technique"], "when"> & Pick<Crop, "container">;

/** What a technique hangs on besides the crop: the school that is followed, the ground, and how far grown it is. */
export type Circumstances = { schoolId?: string; soil?: SoilState | null; meanStage?: number | null };

/** Ground in which a fork is wanted where a hand will do else, and ground that gives. */
const HARD: readonly SoilState[] = ["baked", "frozen"];
const LOOSE: readonly SoilState[] = ["workable"];
/** Stage from which a piece is large for its kind, and up to which it is small (2: past its prime; own thresholds). */
const LARGE_FROM = 1.7;
const SMALL_TO = 1.25;

/**
 * How a crop is taken under the circumstances: what its size asks for goes before the school's own way, that before what
 * the ground asks for, and all of them before the usual one.
 * @example techniqueFor(cropOf("garlic"), { soil: "baked" }).tool // "fork"
 */
export function techniqueFor(crop: Pick<Crop, "technique" | "container">, of: Circumstances = {}): Technique {
  const { when, ...technique } = crop.technique;
  const usual = { ...technique, container: crop.container };
  const soil = !of.soil ? null : HARD.includes(of.soil) ? "hard" : LOOSE.includes(of.soil) ? "loose" : null;
  const stage = of.meanStage ?? null;
  const size = stage === null ? null : stage >= LARGE_FROM ? "large" : stage <= SMALL_TO ? "small" : null;
  const fits = when.filter(
    (w) =>
      (w.school === undefined || w.school === of.schoolId) &&
      (w.soil === undefined || w.soil === soil) &&
      (w.size === undefined || w.size === size),
  );
  const best = fits.find((w) => w.size !== undefined) ?? fits.find((w) => w.school !== undefined) ?? fits[0];
  if (!best) return usual;
  const { how, leave = usual.leave, tool = usual.tool, container = usual.container, source } = best;
  return { ...usual, how, leave, tool, container, source };
}

const SOIL_WORDS = { hard: "In hard ground", loose: "In loose ground" } as const;
const SIZE_WORDS = { large: "Large ones", small: "Small ones" } as const;

/** When a variant holds, in words: "In hard ground", "Clear-cut". */
export const sayWhen = (crop: Pick<Crop, "schools">, w: Crop["technique"]["when"][number]): string =>
  [
    w.school ? (crop.schools.find((s) => s.id === w.school)?.name ?? "") : "",
    w.soil ? SOIL_WORDS[w.soil] : "",
    w.size ? SIZE_WORDS[w.size] : "",
  ]
    .filter(Boolean)
    .join(", ");
