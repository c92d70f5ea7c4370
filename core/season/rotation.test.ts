import { describe, expect, it } from "vitest";
import { planting } from "../fixtures/garden";
import { CROPS, cropOf, handbookWith } from "../handbook";
import { CLEARING, FOLLOW, LONGER, PERENNIALS } from "../handbook/bed-after";
import { perennialYear } from "../planting/perennial";
import { clearingOf, regrowthOf, standsForYears } from "./after-last-pick";
import { pastOf, rotationOf } from "./rotation";
import { sayRotation } from "./words";

const book = handbookWith([]);
/** A bed's past: crop, start and end of each. */
const past = (...list: [string, string, string | null][]) =>
  pastOf(
    "bed",
    list.map(([cropId, startedOn, endedOn], i) => planting(cropId, { id: `p${i}`, startedOn, endedOn })),
    book,
    "2027-12-31",
  );
const verdict = (cropId: string, of: ReturnType<typeof past>, on = "2027-04-10", seen: string[] = []) =>
  rotationOf(cropOf(cropId), of, on, seen);

describe("a bed's past", () => {
  const stood = (id: string, startedOn: string, endedOn: string | null, over: object = {}) =>
    planting("kale", { id, startedOn, endedOn, ...over });
  const ids = (before: string, ...list: ReturnType<typeof stood>[]) =>
    pastOf("bed", list, book, before).map((p) => p.planting.id);
  it("begins with what still stands, then what ended last; of two that ended together, what was started later", () =>
    expect(
      ids(
        "2027-01-01",
        stood("long ago", "2020-04-01", "2020-09-01"),
        stood("early", "2025-03-01", "2025-08-01"),
        stood("stands", "2024-03-01", null),
        stood("late", "2025-05-01", "2025-08-01"),
        stood("last", "2023-03-01", "2026-02-01"),
      ),
    ).toEqual(["stands", "last", "late", "early", "long ago"]));
  it("is of this bed alone, of what was started before the day, and of crops the handbook knows", () =>
    expect(
      ids(
        "2026-05-01",
        stood("elsewhere", "2025-03-01", null, { bedId: "another" }),
        stood("that day", "2026-05-01", null),
        stood("unknown", "2025-03-01", null, { cropId: "moonfruit" }),
        stood("the day before", "2026-04-30", null),
      ),
    ).toEqual(["the day before"]));
});

describe("rotation by the handbook", () => {
  // years of the family headings: alliums 4, cabbages 4, carrots 3, beets 3, nightshades 4, cucurbits 3, legumes 3, corn 2, lettuce 2
  it.each([
    ["bulb-onion", "leek", "2026-05-01", "2026-10-01", "no"],
    ["bulb-onion", "leek", "2024-05-01", "2024-10-01", "wary"],
    ["bulb-onion", "leek", "2022-05-01", "2022-10-01", "fine"],
    ["kale", "cabbage", "2026-05-01", "2026-09-01", "no"],
    ["kale", "radish", "2022-05-01", "2022-09-01", "fine"],
    ["carrot", "parsnip", "2024-04-01", "2024-12-01", "wary"],
    ["carrot", "parsnip", "2023-04-01", "2024-02-20", "fine"],
    ["tomato", "potato", "2025-04-20", "2025-09-20", "wary"],
    ["tomato", "potato", "2022-04-20", "2022-09-20", "fine"],
    ["melon-netted", "courgette", "2025-05-25", "2025-10-01", "wary"],
    ["melon-netted", "courgette", "2024-05-25", "2024-04-25", "fine"],
    ["sweet-corn", "french-bean-bush", "2026-05-20", "2026-09-01", "good"],
    ["kale", "pea-shelling", "2026-04-01", "2026-07-10", "good"],
    ["lettuce-head", "lettuce-loose-leaf", "2026-04-01", "2026-07-10", "no"],
    ["basil", "basil", "2026-05-25", "2026-09-10", "fine"],
  ] as const)("%s after %s that stood from %s to %s: %s", (next, before, from, to, said) => {
    expect(verdict(next, past([before, from, to])).verdict).toBe(said);
  });
  it.each([
    ["strawberry", "raspberry-summer", "no"],
    ["strawberry", "potato", "wary"],
    ["strawberry", "tomato", "wary"],
    ["raspberry-autumn", "strawberry", "no"],
    ["strawberry", "kale", "fine"],
  ] as const)("%s after %s: %s", (next, before, said) => {
    expect(verdict(next, past([before, "2025-04-01", "2026-09-01"])).verdict).toBe(said);
  });
  it("potatoes of four years ago no longer stand in a strawberry’s way", () => {
    expect(verdict("strawberry", past(["potato", "2022-04-01", "2022-09-01"])).verdict).toBe("fine");
  });
  it("garlic after onions: told that it is often done, and that it is the same family", () => {
    const { verdict: v, reasons } = verdict("garlic", past(["bulb-onion", "2026-04-01", "2026-08-01"]), "2026-10-20");
    expect(v).toBe("no");
    expect(reasons.map(sayRotation).join(" ")).toMatch(
      /its own family, stood here last season.*many plant garlic right after onions/,
    );
  });
  it.each([
    ["bulb-onion", "white-rot", "2020-05-01", "2020-09-01", "no"],
    ["bulb-onion", "white-rot", "2018-05-01", "2018-09-01", "fine"],
    ["bulb-onion", "clubroot", "2020-05-01", "2020-09-01", "fine"],
    ["kale", "clubroot", "2021-05-01", "2021-09-01", "no"],
    ["kale", "clubroot", "2019-05-01", "2019-09-01", "fine"],
  ] as const)("%s where %s was seen in a crop of %s to %s: %s", (crop, seen, from, to, said) => {
    expect(verdict(crop, past([crop, from, to]), "2027-04-10", [seen]).verdict).toBe(said);
  });
  it("what still stands there counts as the last", () => {
    expect(verdict("leek", past(["bulb-onion", "2027-03-30", null])).verdict).toBe("no");
  });
  it("every rule names crops and families that the handbook has", () => {
    const families = new Set(CROPS.map((c) => c.family));
    const known = (name: string) => name === "*" || families.has(name) || book.find(name) !== null;
    const names = [
      ...CLEARING.flatMap((r) => [...r.families, ...r.crops, ...r.not]),
      ...FOLLOW.flatMap((r) => [...r.after, ...r.next]),
      ...LONGER.map((l) => l.family),
      ...PERENNIALS.map((p) => p.crop),
    ];
    expect(names.filter((n) => !known(n))).toEqual([]);
  });
});

describe("after the last pick", () => {
  const tasks = (cropId: string, sick = false) =>
    clearingOf({ id: "p" }, cropOf(cropId), sick).map((t) => t.id.split(" ")[2]);
  it.each([
    ["tomato", ["supports", "tomato-soil", "compost-mulch"]],
    ["potato", ["tubers-out", "potato-tidy", "compost-mulch"]],
    ["pea-shelling", ["supports", "legume-roots", "compost-mulch"]],
    ["kale", ["brassica-stumps", "compost-mulch"]],
    ["radish", ["compost-mulch"]],
    ["courgette", ["cucurbit-vines", "compost-mulch"]],
    ["bulb-onion", ["compost-mulch"]],
  ])("%s: %j", (cropId, ids) => {
    expect(tasks(cropId)).toEqual(ids);
  });
  it("blighted haulm goes away only where blight was; a fork and stubble come with their caution", () => {
    expect(tasks("potato", true)).toContain("blight-away");
    expect(tasks("bulb-onion", true)).toContain("allium-rot");
    expect(clearingOf({ id: "p" }, cropOf("sweet-corn"), false)[0]!.caution).toMatch(/sharp/);
  });
});

describe("what stands for years", () => {
  const asparagus = (startedHow: "sown" | "planted", year: number) =>
    perennialYear(
      planting("asparagus", { startedHow, startedOn: `${year}-04-15` }),
      cropOf("asparagus"),
      "2026-05-20",
      52,
    )!;
  it("asparagus is cropped three years after crowns, five after seed (handbook 6-042)", () => {
    expect([asparagus("planted", 2023).firstCropYear, asparagus("planted", 2023).young]).toEqual([2026, false]);
    expect([asparagus("sown", 2023).firstCropYear, asparagus("sown", 2023).young]).toEqual([2028, true]);
  });
  it("its season ends about the end of June, and the fern is left", () => {
    const now = asparagus("planted", 2020);
    expect([now.lastDay, now.over]).toEqual(["2026-06-25", false]);
    const after = perennialYear(
      planting("asparagus", { startedHow: "planted", startedOn: "2020-04-15" }),
      cropOf("asparagus"),
      "2026-07-01",
      52,
    )!;
    expect(after.over).toBe(true);
    expect(after.tasks[0]).toMatchObject({ state: "now" });
  });
  it("strawberries are renovated after the harvest and renewed after four years; the south is half a year away", () => {
    const bed = planting("strawberry", { startedHow: "planted", startedOn: "2022-04-15" });
    const north = perennialYear(bed, cropOf(bed.cropId), "2026-07-20", 52)!;
    expect(north.tasks.map((t) => t.state)).toEqual(["now"]);
    expect(north.old).toBe(true);
    expect(perennialYear(bed, cropOf(bed.cropId), "2026-07-20", -38)!.tasks[0]!.state).not.toBe("now");
    expect(perennialYear(planting("tomato"), cropOf("tomato"), "2026-07-20", 52)).toBeNull();
  });
  it("every rule is of a crop that stands for years", () => {
    expect(PERENNIALS.filter((r) => !standsForYears(cropOf(r.crop))).map((r) => r.crop)).toEqual([]);
  });
});

describe("side shoots after the main head", () => {
  const calabrese = planting("calabrese", { startedOn: "2026-05-01" });
  const wet = Array.from({ length: 14 }, (_, k) => ({
    day: `2026-07-${String(10 + k).padStart(2, "0")}`,
    tempMinC: 12,
    tempMaxC: 20,
    rainMm: 5,
    windMs: null,
    gustMs: null,
    humidityPct: null,
    cloudPct: null,
  }));
  const watch = (picks: string[], today: string, over = {}) =>
    regrowthOf({ ...calabrese, ...over }, cropOf("calabrese"), picks, wet, today);
  it("a look each week from the last cut; rain rots the stump", () => {
    expect(watch(["2026-07-10"], "2026-07-12")).toEqual({
      since: "2026-07-10",
      nextLook: "2026-07-17",
      rainMm: 70,
      rots: true,
    });
    expect(watch(["2026-07-10", "2026-07-21"], "2026-07-22")!.nextLook).toBe("2026-07-28");
  });
  it("nothing before the main cut, long after, once cleared, or of other crops", () => {
    expect(watch([], "2026-07-12")).toBeNull();
    expect(watch(["2026-07-10"], "2026-10-12")).toBeNull();
    expect(watch(["2026-07-10"], "2026-07-12", { endedOn: "2026-07-11" })).toBeNull();
    expect(regrowthOf(planting("kale"), cropOf("kale"), ["2026-07-10"], wet, "2026-07-12")).toBeNull();
  });
});
