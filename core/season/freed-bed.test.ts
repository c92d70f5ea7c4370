import { describe, expect, it } from "vitest";
import { addDays, dayRange } from "../calendar/day";
import { bed, plainWeather, planting } from "../fixtures/garden";
import { CROPS, cropOf, handbookWith } from "../handbook";
import { climateOf } from "../weather/climate";
import { coverOff } from "./covers-off";
import { fitsInto, isFree, leftInBed } from "./freed-bed";
import { pastOf } from "./rotation";
import type { Site } from "./sowing-clock";

const book = handbookWith([]);
/** Six years of the plain maritime year, with the first frost of each autumn a little earlier or later. */
const record = [0, 1, 2, 3, 4, 5].flatMap((k) =>
  plainWeather(`${2020 + k}-01-01`, 365).map((w) =>
    w.day >= `${2020 + k}-10-${10 + 3 * k}` && w.day.slice(5) <= "12-31" ? { ...w, tempMinC: -3 } : w,
  ),
);
const site: Site = {
  climate: climateOf(record, 52),
  latitudeDeg: 52,
  bed: { cover: "none", nightOffsetC: 0, sunHours: 8 },
};
const likes = () => ({ liking: 1 });
const fits = (on: string, before: [string, string, string | null][] = [], over: Partial<Site["bed"]> = {}) =>
  fitsInto(
    pastOf(
      "bed",
      before.map(([cropId, startedOn, endedOn], i) => planting(cropId, { id: `p${i}`, startedOn, endedOn })),
      book,
      on,
    ),
    on,
    book,
    likes,
    record,
    { ...site, bed: { ...site.bed, ...over } },
    0.1,
  );
const ids = (list: ReturnType<typeof fits>) => list.map((f) => f.crop.id);

describe("what still fits into a bed that came free", () => {
  it("the end of June takes bush beans after kohlrabi (handbook 6.4), and they are told a good deal sooner than leeks", () => {
    const list = fits("2026-06-28", [["kohlrabi", "2026-04-25", "2026-06-28"]]);
    const beans = list.find((f) => f.crop.id === "french-bean-bush")!;
    expect(beans.rotation).toBe("fine");
    expect(beans.readyOn < "2026-09-10").toBe(true);
    expect(beans.spareDays).toBeGreaterThan(0);
  });
  it("everything that is proposed is ready before the frost it cannot bear", () => {
    for (const f of fits("2026-07-15"))
      if (!f.overWinter && f.crop.weather.killC >= -1)
        expect([f.crop.id, f.readyOn < "2026-10-13"]).toEqual([f.crop.id, true]);
  });
  it("the later the fewer, and none that was too late comes back", () => {
    const days = dayRange("2026-07-01", 90).filter((_, i) => i % 15 === 0);
    let before: string[] | null = null;
    for (const day of days) {
      const now = fits(day)
        .filter((f) => !f.overWinter)
        .map((f) => f.crop.id);
      if (before) {
        const spring = CROPS.filter((c) => c.usualStart > day.slice(5)).map((c) => c.id);
        expect(
          now.filter(
            (id) =>
              !before!.includes(id) && !spring.includes(id) && book.of(id).usualStart < addDays(day, -25).slice(5),
          ),
        ).toEqual([]);
      }
      before = now;
    }
    expect(before!.length).toBeLessThan(5);
  });
  it("October is for garlic (handbook 6.4: after onions), with its word on the family", () => {
    const list = fits("2026-10-18", [["bulb-onion", "2026-04-01", "2026-08-01"]]);
    const garlic = list.find((f) => f.crop.id === "garlic")!;
    expect([garlic.overWinter, garlic.how, garlic.rotation]).toEqual([true, "planted", "no"]);
    expect(garlic.readyOn.slice(0, 4)).toBe("2027");
    expect(
      fits("2026-10-18", [["lettuce-head", "2026-04-01", "2026-08-01"]]).find((f) => f.crop.id === "garlic")!.rotation,
    ).toBe("fine");
    expect(ids(fits("2026-07-15")).includes("garlic")).toBe(false);
  });
  it("what suits the rotation comes first, what nobody eats does not come at all", () => {
    const list = fits("2026-07-05", [["pea-shelling", "2026-03-25", "2026-07-05"]]);
    const rank = { good: 0, fine: 1, wary: 2, no: 3 };
    const order = list.map((f) => rank[f.rotation]);
    expect([...order].sort((a, b) => a - b)).toEqual(order);
    expect(list[0]!.rotation).toBe("good");
    const none = fitsInto([], "2026-07-05", book, () => ({ liking: 0 }), record, site, 0.1);
    expect(none).toEqual([]);
  });
  it("a roof makes room for more", () => {
    expect(fits("2026-08-01", [], { cover: "polytunnel" }).length).toBeGreaterThan(fits("2026-08-01").length);
  });
  it("days to frost are those of the record, and a bed is free when nothing stands in it", () => {
    const left = leftInBed("2026-09-01", record, site, 0.1);
    expect(left.frost! >= "2026-10-10" && left.frost! <= "2026-10-14").toBe(true);
    expect(leftInBed("2026-12-01", record, site, 0.1).days).toBe(0);
    const list = [planting("kale", { startedOn: "2026-06-01", endedOn: "2026-09-01" })];
    expect([
      isFree("bed", list, "2026-08-30"),
      isFree("bed", list, "2026-09-01"),
      isFree("bed", list, "2026-05-01"),
    ]).toEqual([false, true, true]);
  });
});

describe("when the fleece comes off", () => {
  const fleece = bed({ cover: "fleece" });
  const squash = planting("winter-squash", { startedOn: "2026-05-28", startedHow: "transplanted" });
  it("before the first flowers of what bees must reach; a warm bed sooner", () => {
    const off = coverOff(squash, fleece, cropOf("winter-squash"), site)!;
    expect(off > "2026-06-20" && off < "2026-08-25").toBe(true);
    const warmer = { ...site, climate: climateOf(plainWeather("2025-01-01", 365, 3), 52) };
    expect(coverOff(squash, fleece, cropOf("winter-squash"), warmer)! <= off).toBe(true);
  });
  it("never for leaves and roots, open beds, or what is over", () => {
    expect(coverOff(planting("carrot"), fleece, cropOf("carrot"), site)).toBeNull();
    expect(coverOff(squash, bed(), cropOf("winter-squash"), site)).toBeNull();
    expect(coverOff({ ...squash, endedOn: "2026-09-01" }, fleece, cropOf("winter-squash"), site)).toBeNull();
  });
});
