import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CAUTION_PLACES, cautionsAt } from "./cautions";
import { cropSchema } from "./crop";
import { fillLandmarks } from "./cue";
import { CROPS, cropOf, FAMILIES, findCrop, handbookWith } from "./index";
import { SCALES } from "./scales";
import { pickMonths } from "./season";
import { withSigns } from "./signs";

describe("every crop of the handbook", () => {
  it("has an id of its own, a family known to rotation, and a decisive cue", () => {
    expect(new Set(CROPS.map((c) => c.id)).size).toBe(CROPS.length);
    const families = new Set(FAMILIES.map((f) => f.family));
    for (const crop of CROPS) {
      expect(families, crop.id).toContain(crop.family);
      expect(
        crop.cues.some((c) => c.role === "decisive"),
        crop.id,
      ).toBe(true);
      expect(new Set(crop.cues.map((c) => c.id)).size, crop.id).toBe(crop.cues.length);
    }
  });
  it("is looked at more often in warmth than in the cool, and keeps its best for longer in the cool", () => {
    for (const crop of CROPS) {
      expect(crop.interval.warmDays, crop.id).toBeLessThanOrEqual(crop.interval.coolDays);
      if (crop.id !== "sweet-potato") expect(crop.prime.warmDays, crop.id).toBeLessThanOrEqual(crop.prime.coolDays);
    }
  });
  it("says how it is started, or from when its years are counted", () => {
    for (const crop of CROPS) {
      const { sown, transplanted, planted, yearly } = crop.days;
      expect(Boolean(sown ?? transplanted ?? planted ?? yearly), crop.id).toBe(true);
    }
  });
  it("gives every school something and lets it see only cues of its crop", () => {
    for (const crop of CROPS)
      for (const school of crop.schools) {
        expect(school.gives.length, `${crop.id}/${school.id}`).toBeGreaterThan(2);
        for (const cueId of Object.keys(school.cues))
          expect(
            crop.cues.map((c) => c.id),
            crop.id,
          ).toContain(cueId);
      }
  });
  it("with choices in order of the stage they speak for, save where an answer is only a degree of soundness", () => {
    for (const crop of CROPS)
      for (const cue of crop.cues) {
        if (cue.kind !== "choice") continue;
        const at = cue.options.map((o) => o.at);
        expect(
          [...at].sort((a, b) => a - b),
          `${crop.id}/${cue.id}`,
        ).toEqual(at);
      }
  });
  it("offers at least two schools where the trade knows two", () => {
    for (const id of ["bulb-onion", "tomato", "carrot", "courgette", "asparagus", "apple", "pea-snap"])
      expect(cropOf(id).schools.length).toBeGreaterThanOrEqual(2);
  });
});

describe("dangers stand with the crops that carry them (H rows of the trade handbook, common practice)", () => {
  it.each([
    ["potato", /green/i],
    ["potato-early", /green/i],
    ["rhubarb", /poisonous/i],
    ["dry-bean", /boil/i],
    ["french-bean-bush", /cook/i],
    ["courgette", /bitter/i],
    ["garlic-softneck", /botulism/i],
    ["chilli", /gloves/i],
    ["parsnip", /gloves/i],
    ["apple", /ladder/i],
    ["broad-bean", /G6PD/i],
    ["pea-snap", /poisonous/i],
  ])("%s", (id, words) => {
    expect(
      cautionsAt(cropOf(id), ...CAUTION_PLACES)
        .map((c) => c.say)
        .join(" "),
    ).toMatch(words);
  });
});

describe("landmarks with gaps", () => {
  it("are read off the line between their neighbours, and counted as guessed", () => {
    const { marks, guessed } = fillLandmarks([0, 30, 50, null, 90]);
    expect(guessed).toBe(1);
    expect(marks.upper).toBe(70);
  });
  it("go on as the last step did where nobody says what is past", () => {
    const { marks } = fillLandmarks([0, 60, 100, null, null]);
    expect(marks.upper).toBeGreaterThan(100);
    expect(marks.past).toBeGreaterThanOrEqual(marks.upper);
  });
  it("always rise, whatever is known", () => {
    const gap = <T>(a: fc.Arbitrary<T>) => fc.option(a, { nil: null });
    fc.assert(
      fc.property(
        fc.tuple(...Array.from({ length: 5 }, () => fc.integer({ min: 0, max: 500 }))),
        gap(fc.boolean()),
        fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
        (values, _, known) => {
          const five = [...values].sort((a, b) => a - b).map((v, i) => (known[i] || i === 2 ? v : null));
          const { marks } = fillLandmarks(five);
          const all = [marks.start, marks.early, marks.ready, marks.upper, marks.past];
          for (let i = 1; i < 5; i++) expect(all[i]!).toBeGreaterThanOrEqual(all[i - 1]! - 1e-9);
        },
      ),
    );
  });
});

describe("the schema refuses", () => {
  const bare = { ...cropOf("leek"), cues: cropOf("leek").cues.filter((c) => c.kind === "measure") };
  it.each([
    ["a range that runs backwards", { days: { ...bare.days, sown: [90, 60] } }],
    ["a day that is none", { usualStart: "13-40" }],
    ["falling landmarks", { cues: [{ ...bare.cues[0], marks: { start: 9, early: 5, ready: 3, upper: 2, past: 1 } }] }],
    ["a crop without cues", { cues: [] }],
    ["a share above one", { weather: { ...bare.weather, lossShare: 2 } }],
    ["an unknown drawing", { glyph: "dragon" }],
    ["an id with spaces", { id: "my leek" }],
  ])("%s", (_, change) => {
    expect(cropSchema.safeParse(bare).success).toBe(true);
    expect(cropSchema.safeParse({ ...bare, ...change }).success).toBe(false);
  });
});

describe("signs that many crops share", () => {
  it("fall to the crops they can befall, and never twice", () => {
    const ids = (id: string) => cropOf(id).cues.flatMap((c) => (c.kind === "event" ? [c.id] : []));
    expect(ids("courgette")).toEqual(expect.arrayContaining(["bites", "no-pollination", "disease", "pest"]));
    expect(ids("carrot")).toEqual(expect.arrayContaining(["soil-hard", "pest"]));
    expect(ids("carrot")).not.toContain("no-pollination");
    expect(ids("kale")).toContain("heart-gone");
    expect(ids("spinach").filter((x) => /bolt|stem/.test(x))).toHaveLength(1);
    expect(withSigns(cropOf("kale")).cues).toHaveLength(cropOf("kale").cues.length);
  });
  it("repeat croppers can be counted by age", () => {
    const of = (id: string) => cropOf(id).cues.flatMap((c) => (c.kind === "count" ? [c.of] : []));
    expect([...of("courgette")].sort()).toEqual(["nearly", "over", "ready"]);
    expect(of("potato")).toEqual([]);
  });
});

describe("a gardener’s own crops", () => {
  const mine = { ...cropOf("kale"), name: "Thousand-head kale", schools: cropOf("kale").schools.slice(0, 1) };
  it("stand beside the handbook’s, or in the place of one of the same id", () => {
    const beside = handbookWith([{ ...mine, id: "own-kale" }]);
    expect(beside.all).toHaveLength(CROPS.length + 1);
    expect(beside.of("kale").name).toBe("Kale");
    const instead = handbookWith([mine]);
    expect(instead.all).toHaveLength(CROPS.length);
    expect(instead.of("kale").name).toBe("Thousand-head kale");
    expect(findCrop("kale")?.name).toBe("Kale");
    expect(() => instead.of("moonfruit")).toThrow(RangeError);
  });
  it("survive being written out and read again", () => {
    for (const crop of CROPS) expect(cropSchema.parse(JSON.parse(JSON.stringify(crop)))).toEqual(crop);
  });
});

describe("browsing by season", () => {
  it("rhubarb in spring, squash in autumn, sprouts into winter; half a year on in the south", () => {
    expect(pickMonths(cropOf("rhubarb"), 52)).toContain(5);
    expect(pickMonths(cropOf("winter-squash"), 52)).toContain(9);
    expect(pickMonths(cropOf("winter-squash"), 52)).not.toContain(6);
    expect(pickMonths(cropOf("brussels-sprouts"), 52)).toContain(11);
    expect(pickMonths(cropOf("rhubarb"), -38)).toContain(11);
  });
});

it("shared scales keep their published and customary orders", () => {
  expect(SCALES.tomato.map(([id]) => id).slice(0, 6)).toEqual([
    "green",
    "breaker",
    "turning",
    "pink",
    "light-red",
    "red",
  ]);
  expect(SCALES.silk.map(([id]) => id)).toEqual(["none", "pale", "tips", "brown", "crumbly"]);
  expect(SCALES.detach[0][1]).toContain("torn");
});
