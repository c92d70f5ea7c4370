import { describe, expect, it } from "vitest";
import { manureWaitDays } from "../garden/treatment";
import { usualTaste } from "../household/taste";
import { blanchMinutes } from "../keeping/blanching";
import { curingOf } from "../keeping/curing";
import { keepingNote } from "../keeping/replant";
import { softIn } from "../keeping/ripening";
import { clearingOf } from "../season/after-last-pick";
import { goodYears } from "../season/seed-lots";
import { bulkOf } from "../weighing/bulk";
import { gradesFor } from "../weighing/pick";
import { CAUTION_PLACES, cautionsAt } from "./cautions";
import { type Crop, cropSchema } from "./crop";
import { CROPS, cropOf, handbookWith } from "./index";
import { keepingFactsOf, STORAGE } from "./storage";

const COPIED = [
  ...["garlic", "potato", "sweet-potato", "runner-bean", "tomato", "pear", "courgette", "basil", "pepper-sweet"],
  ...["winter-squash", "rhubarb", "sweet-corn"],
];
/** Everything that is known of a crop by shared tables and fields. */
const factsOf = (crop: Crop) => ({
  keeping: keepingFactsOf(crop),
  green: keepingFactsOf(crop, true),
  curing: curingOf(crop),
  blanching: blanchMinutes(crop, 0.5, 100),
  softens: softIn(crop, 20),
  kept: keepingNote(crop),
  bulk: bulkOf(crop),
  eaten: usualTaste(crop, 2).weeklyG,
  seedYears: goodYears(crop),
  clearing: clearingOf({ id: "p" }, crop, true),
  cautions: cautionsAt(crop, ...CAUTION_PLACES),
  grades: gradesFor(crop),
  heat: crop.weather.heatNote,
  ways: crop.technique.when,
  soil: manureWaitDays(crop),
});

describe("a gardener's copy of a crop", () => {
  it.each(COPIED)("of %s keeps every fact, whatever it is called", (id) => {
    const copy = cropSchema.parse({ ...cropOf(id), id: "own-scarlet-pineapple", name: "Scarlet pineapple" });
    expect(factsOf(handbookWith([copy]).of(copy.id))).toEqual(factsOf(cropOf(id)));
  });
  it("in a crop's place has what was not a field yet when it was made", () => {
    const old = cropSchema.parse({ ...cropOf("tomato"), like: "", name: "Our tomato" });
    expect(factsOf(handbookWith([old]).of("tomato"))).toEqual(factsOf(cropOf("tomato")));
  });
  it("of one's own from nothing has no table to read, and is treated with caution", () => {
    const blank = cropSchema.parse({ ...cropOf("tomato"), id: "own-oca", like: "", hazards: null, colours: false });
    const crop = handbookWith([blank]).of("own-oca");
    expect(crop.like).toBe("");
    expect(blanchMinutes(crop, 0, 100)).toBeNull();
    expect(cautionsAt(crop, "jars").map((c) => c.id)).toContain("no-tested-jar");
  });
});

describe("shared tables", () => {
  it("name only crops that there are", () => {
    const ids = new Set(CROPS.map((c) => c.id));
    const named = [
      ...Object.keys(STORAGE.freezeF),
      ...Object.keys(STORAGE.safeC),
      ...STORAGE.dormant,
      ...STORAGE.rows.flatMap((r) => r.crops),
    ];
    expect(named.filter((id) => !ids.has(id))).toEqual([]);
  });
  it.each([
    ["lettuce-head", 31.7],
    ["carrot", 29.5],
    ["pear", 29.2],
    ["peach", 30.4],
    ["parsnip", 30.4],
    ["melon-netted", 29.9],
  ])("%s freezes at %d °F (Whiteman, USDA Marketing Research Report 196, 1957; from memory)", (id, f) => {
    expect(keepingFactsOf(cropOf(id)).freezesC).toBeCloseTo((f - 32) / 1.8, 9);
  });
  it.each([
    ["aubergine", 33],
    ["kale", 18],
    ["parsnip", 50],
    ["melon-netted", 60],
    ["tomato", 53],
    ["apple", 48],
  ])("a bushel of %s weighs %d lb (USDA Agricultural Handbook 697, 1992)", (id, lb) => {
    expect((bulkOf(cropOf(id)).kgPerL * 35.23907016688) / 0.45359237).toBeCloseTo(lb, 9);
  });
  it.each([
    ["courgette", 3, 3],
    ["patty-pan", 3, 3],
    ["aubergine", 4, 4],
    ["okra", 3, 4],
    ["kohlrabi", 1, 3],
    ["swede", 3, 3],
  ])("%s is blanched %d to %d minutes, a minute longer from 5,000 ft (NCHFP; from memory)", (id, least, most) => {
    expect([blanchMinutes(cropOf(id), 0, 0), blanchMinutes(cropOf(id), 1, 0)]).toEqual([least, most]);
    expect(blanchMinutes(cropOf(id), 0, 1524)).toBe(least + 1);
  });
});

describe("what is picked to ripen indoors", () => {
  const can = (id: string) => gradesFor(cropOf(id)).filter((g) => g.includes("ripe"));
  it("tomatoes at any colour, peppers from half coloured on, melons and figs never (common practice, no source)", () => {
    expect(can("tomato")).toEqual(["green-to-ripen", "blush-to-ripen", "half-to-ripen", "nearly-ripe"]);
    expect(can("pepper-sweet")).toEqual(["half-to-ripen", "nearly-ripe"]);
    for (const id of ["melon-netted", "fig", "watermelon", "strawberry", "courgette"]) expect(can(id), id).toEqual([]);
  });
});

describe("what heat does is said of every crop that has a limit", () => {
  it("in its own words", () => {
    for (const c of CROPS) expect(c.weather.heatNote !== "", c.id).toBe(c.weather.heatC !== null);
  });
});
