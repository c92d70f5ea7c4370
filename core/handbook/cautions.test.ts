import { describe, expect, it } from "vitest";
import { CAUTION_PLACES, CAUTIONS, cautionSchema, cautionsAt, cautionsOfAll } from "./cautions";
import { CROPS, cropOf, handbookWith } from "./index";

const ids = (id: string, ...places: Parameters<typeof cautionsAt>[1][]) =>
  cautionsAt(cropOf(id), ...places).map((c) => c.id);

it("holds each row of the list to what a caution has, and no other field", () => {
  for (const row of CAUTIONS) expect(cautionSchema.strict().parse(row)).toEqual(row);
  expect(new Set(CAUTIONS.map((c) => c.id)).size).toBe(CAUTIONS.length);
});

describe("every crop at every place of use", () => {
  it("shows each of its cautions where it belongs, once, and the gravest first", () => {
    for (const crop of CROPS) {
      expect(crop.hazards, crop.id).not.toBeNull();
      for (const id of crop.hazards!) {
        const caution = CAUTIONS.find((c) => c.id === id);
        expect(caution, `${crop.id}: ${id}`).toBeDefined();
        for (const place of CAUTION_PLACES)
          expect(cautionsAt(crop, place).filter((c) => c.id === id).length, `${crop.id}, ${place}: ${id}`).toBe(
            caution!.where.includes(place) ? 1 : 0,
          );
      }
      const all = cautionsAt(crop, ...CAUTION_PLACES);
      expect(new Set(all.map((c) => c.id)).size, crop.id).toBe(all.length);
      const levels = cautionsAt({ ...crop, cautions: [] }, ...CAUTION_PLACES).map((c) => c.level);
      expect(levels, crop.id).toEqual([...levels].sort());
    }
  });
  it("says something wherever a blade, a fork or a ladder is used, and nothing that no crop has", () => {
    for (const crop of CROPS) {
      for (const tool of [crop.technique.tool, ...crop.technique.when.map((w) => w.tool ?? "")]) {
        if (/knife|scissors|snips|secateurs|shears/.test(tool)) expect(crop.hazards, crop.id).toContain("blades");
        if (/fork|trowel/.test(tool)) expect(crop.hazards, crop.id).toContain("fork");
      }
    }
    const used = new Set(CROPS.flatMap((c) => c.hazards ?? []));
    for (const c of CAUTIONS) expect(used, c.id).toContain(c.id);
  });
});

/** What must not be missing where somebody acts: food-safety and first-aid advice, published, from memory. */
describe("what may hurt", () => {
  it.each([
    ["runner-bean", "kitchen", "raw-beans"],
    ["dry-bean", "giving", "raw-beans"],
    ["potato", "storing", "green-potatoes"],
    ["potato-early", "picking", "green-potatoes"],
    ["rhubarb", "picking", "rhubarb-leaves"],
    ["courgette", "kitchen", "bitter-gourds"],
    ["winter-squash", "giving", "bitter-gourds"],
    ["loofah", "kitchen", "loofah"],
    ["broad-bean", "giving", "favism"],
    ["peach", "kitchen", "stones"],
    ["chard", "kitchen", "oxalate"],
    ["tomato", "clearing", "nightshade-leaves"],
    ["tomato", "jars", "add-acid"],
    ["carrot", "jars", "low-acid"],
    ["cabbage", "jars", "no-tested-jar"],
    ["garlic-elephant", "storing", "in-oil"],
    ["leek", "kitchen", "in-oil"],
    ["basil", "kitchen", "in-oil"],
    ["chilli", "kitchen", "burning-oil"],
    ["parsnip", "picking", "sap-and-sun"],
    ["peach", "picking", "ladder"],
    ["fig", "picking", "ladder"],
    ["gooseberry", "picking", "thorns"],
    ["pumpkin", "carrying", "lifting"],
    ["raspberry-summer", "picking", "cane-ends"],
    ["spinach", "carrying", "warmth"],
    ["blueberry", "giving", "choking"],
    ["parsley", "picking", "look-alikes"],
  ] as const)("%s, %s: %s", (crop, place, caution) => {
    expect(ids(crop, place)).toContain(caution);
  });
  it("a sharp-eyed id is no rule: pineapple sage is no apple, and keeps the caution of its leaves", () => {
    const sage = { ...cropOf("thyme-sage-rosemary"), id: "own-pineapple-sage", name: "Pineapple sage" };
    const own = handbookWith([sage]).of("own-pineapple-sage");
    expect(cautionsAt(own, "jars").map((c) => c.id)).toContain("no-tested-jar");
  });
});

describe("a gardener's copy of a crop", () => {
  it("keeps every caution, whatever it is called", () => {
    for (const id of [
      "runner-bean",
      "potato",
      "rhubarb",
      "courgette",
      "garlic",
      "broad-bean",
      "peach",
      "parsnip",
      "chilli",
      "tomato",
    ]) {
      const copy = { ...cropOf(id), id: `own-${id}`, name: "Scarlet something" };
      const own = handbookWith([copy]).of(`own-${id}`);
      for (const place of CAUTION_PLACES) expect(cautionsAt(own, place), id).toEqual(cautionsAt(cropOf(id), place));
    }
  });
  it("made before cautions were kept has those of the crop in whose place it stands", () => {
    const old = { ...cropOf("rhubarb"), hazards: null };
    expect(handbookWith([old]).of("rhubarb").hazards).toEqual(cropOf("rhubarb").hazards);
  });
  it("of which nobody has said anything is met with caution, and its gardener's own words are said too", () => {
    const unknown = { ...cropOf("kale"), id: "own-oca", hazards: null, cautions: ["Sour: not for bad kidneys."] };
    const own = handbookWith([unknown]).of("own-oca");
    expect(cautionsAt(own, "jars").map((c) => c.id)).toContain("no-tested-jar");
    expect(cautionsAt(own, "kitchen").map((c) => c.say)).toContain("Sour: not for bad kidneys.");
  });
});

it("of several crops each caution is said once, with whose it is", () => {
  const all = cautionsOfAll([cropOf("potato"), cropOf("carrot"), cropOf("kale")], "picking");
  expect(all.find((c) => c.id === "fork")?.crops).toEqual([cropOf("potato").name, cropOf("carrot").name]);
  expect(new Set(all.map((c) => c.id)).size).toBe(all.length);
});
