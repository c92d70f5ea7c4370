import { type Crop, cropSchema, familySchema, type School } from "./crop";
import amaranthaceae from "./crops/amaranthaceae.json";
import amaryllidaceae from "./crops/amaryllidaceae.json";
import apiaceae from "./crops/apiaceae.json";
import asparagaceae from "./crops/asparagaceae.json";
import asteraceae from "./crops/asteraceae.json";
import brassicaceae from "./crops/brassicaceae.json";
import convolvulaceae from "./crops/convolvulaceae.json";
import cucurbitaceae from "./crops/cucurbitaceae.json";
import ericaceae from "./crops/ericaceae.json";
import fabaceae from "./crops/fabaceae.json";
import grossulariaceae from "./crops/grossulariaceae.json";
import lamiaceae from "./crops/lamiaceae.json";
import malvaceae from "./crops/malvaceae.json";
import moraceae from "./crops/moraceae.json";
import poaceae from "./crops/poaceae.json";
import polygonaceae from "./crops/polygonaceae.json";
import rosaceae from "./crops/rosaceae.json";
import solanaceae from "./crops/solanaceae.json";
import zingiberaceae from "./crops/zingiberaceae.json";
import { withSigns } from "./signs";

const FILES = [
  amaryllidaceae,
  brassicaceae,
  apiaceae,
  amaranthaceae,
  solanaceae,
  convolvulaceae,
  zingiberaceae,
  cucurbitaceae,
  fabaceae,
  poaceae,
  asteraceae,
  lamiaceae,
  malvaceae,
  rosaceae,
  grossulariaceae,
  ericaceae,
  moraceae,
  polygonaceae,
  asparagaceae,
];

const families = FILES.map((file) => familySchema.parse(file));

/** The botanical families, which are also the groups of rotation. */
export const FAMILIES = families.map(({ crops: _, ...family }) => family);

const byName = (a: Crop, b: Crop) => a.name.localeCompare(b.name, "en");

/** Every crop of the handbook, validated, in the order of their names. */
export const CROPS: readonly Crop[] = families
  .flatMap((f) =>
    f.crops.map((entry) => {
      const crop = cropSchema.parse({ family: f.family, rotationYears: f.rotationYears, ...entry });
      return withSigns({ ...crop, like: crop.id });
    }),
  )
  .sort(byName);

/** The crops a garden knows: the handbook's and its own. */
export type Handbook = {
  all: readonly Crop[];
  find(id: string): Crop | null;
  /** Throws RangeError when there is no such crop. */
  of(id: string): Crop;
};

/**
 * The handbook together with a gardener's own crops. An own crop of the same id stands in the handbook's place, so
 * that a changed copy survives every update of the handbook.
 */
export function handbookWith(own: readonly Crop[]): Handbook {
  const printed = new Map(CROPS.map((crop) => [crop.id, crop]));
  const copies = own.map((crop) => withLaterFacts(crop, printed.get(crop.id)));
  const byId = new Map([...CROPS, ...copies.map(withSigns)].map((crop) => [crop.id, crop]));
  const find = (id: string) => byId.get(id) ?? null;
  return {
    all: own.length === 0 ? CROPS : [...byId.values()].sort(byName),
    find,
    of(id) {
      const crop = find(id);
      if (!crop) throw new RangeError(`the handbook has no crop “${id}”`);
      return crop;
    },
  };
}

/** A copy made before some facts were fields has those of the crop it stands in for. */
function withLaterFacts(copy: Crop, of: Crop | undefined): Crop {
  if (!of) return copy;
  const { harvest, splits, bruises, wear, byProducts, indoors, colours } = of;
  const facts = copy.harvest.length > 0 ? {} : { harvest, splits, bruises, wear, byProducts, indoors, colours };
  const weather = { ...copy.weather, heatNote: copy.weather.heatNote || of.weather.heatNote };
  const { when } = copy.technique.how === of.technique.how ? of.technique : copy.technique;
  const technique = { ...copy.technique, when };
  return { ...copy, ...facts, weather, technique, like: copy.like || of.id, hazards: copy.hazards ?? of.hazards };
}

const printed = handbookWith([]);
/** The handbook's crop with an id, or null when it has none. */
export const findCrop = printed.find;
/** The handbook's crop with an id. Throws RangeError when it has none. */
export const cropOf = printed.of;

/** A crop's school by id; its first one when the id is unknown, since every crop has at least one. */
export const schoolOf = (crop: Crop, id: string): School => crop.schools.find((s) => s.id === id) ?? crop.schools[0]!;
