import { describe, expect, it } from "vitest";
import { allowedFrom, manureWaitDays, type Treatment, waitingOn } from "../garden/treatment";
import { sayWait } from "../garden/words";
import { CROPS, cropOf } from "./index";
import { type Circumstances, sayWhen, techniqueFor } from "./technique";

/** Situations of technique from growers' own practice (common practice, no source). */
describe("how a crop is taken", () => {
  it.each<[cropId: string, of: Circumstances, how: RegExp, leave: RegExp, tool: string]>([
    ["garlic", { soil: "baked" }, /^Fork well to the side/, /^nothing$/, "fork"],
    ["garlic", { soil: "workable" }, /^Trowel/, /^nothing$/, "trowel"],
    ["garlic", {}, /^Dig well to the side, never pull/, /^nothing$/, "fork or trowel"],
    ["carrot", { soil: "baked" }, /fork deep beside the row/, /the small ones/, "fork"],
    ["carrot", { soil: "workable" }, /^Draw the largest by hand/, /the small ones/, "fork"],
    // the whole row is lifted for storing, in whatever ground
    ["carrot", { schoolId: "storing", soil: "workable" }, /along the whole row/, /^nothing$/, "fork"],
    ["beetroot", { soil: "baked" }, /Water the evening before/, /each clump/, "fork"],
    ["leek", { soil: "frozen" }, /pulled, the shank snaps/, /^nothing$/, "fork"],
    ["potato", { soil: "baked" }, /further out and deeper/, /missed tubers/, "fork"],
    ["potato", { schoolId: "dig-as-needed" }, /one plant at a time/, /the other plants/, "fork"],
    ["chard", { schoolId: "clear-cut" }, /straight across/, /the heart, 50 mm/, "scissors"],
    ["chard", { schoolId: "outer" }, /outer stalks low/, /centre and 2–3 larger leaves/, "hands"],
    ["lettuce-loose-leaf", { schoolId: "outer-leaves" }, /one by one/, /heart and four or five leaves/, "hands"],
    ["lettuce-loose-leaf", { schoolId: "clear-cut" }, /straight across, 3 cm/, /the heart, 3 cm/, "scissors"],
    ["spinach", { schoolId: "kept-root" }, /the root stays/, /the root/, "scissors"],
    ["kale", { schoolId: "bottom-up" }, /from the bottom up/, /crown and five leaves/, "hands"],
    ["kale", { schoolId: "baby-cut" }, /above the growing tips/, /the heart/, "scissors"],
    ["mustard-greens", { schoolId: "baby" }, /above the growing point/, /growing point/, "scissors"],
    ["basil", { schoolId: "tip-cut" }, /never into brown wood/, /two leaf pairs/, "scissors"],
    ["basil", { schoolId: "single-leaves" }, /neither branches/, /two leaf pairs on every stem/, "hands"],
    ["thyme-sage-rosemary", { schoolId: "bud-cut" }, /never into bare wood/, /no bare wood/, "snips"],
    ["spring-onion", { schoolId: "cut-above" }, /25 mm above the soil/, /grow again/, "scissors"],
    ["asparagus", { schoolId: "under-soil" }, /knife at an angle/, /spear size/, "knife"],
    ["asparagus", { schoolId: "snapped" }, /no blade near the crown/, /spear size/, "hands"],
    ["celery", { schoolId: "outer" }, /leave the heart/, /the heart/, "scissors"],
    ["celery", { schoolId: "whole" }, /the whole plant/, /^nothing$/, "knife"],
    ["courgette", { schoolId: "small", meanStage: 1.4 }, /lift the fruit and twist/, /tiny fruit/, "hands"],
    ["courgette", { schoolId: "small", meanStage: 1.9 }, /too tough to twist/, /tiny fruit/, "knife"],
    ["broad-bean", { meanStage: 1.9 }, /tough ones uproot/, /upper pods/, "knife"],
    ["broad-bean", { meanStage: 1.1 }, /twist the pod down/, /upper pods/, "hands"],
    ["tomato", { meanStage: 1.9 }, /tear the truss/, /green fruit/, "secateurs"],
    ["sweet-potato", { schoolId: "fingerling" }, /take the biggest by hand/, /covered again/, "hands"],
    ["rhubarb", { schoolId: "pulled" }, /do not cut/, /half the stalks/, "hands"],
    ["rhubarb", { schoolId: "cut" }, /cut away from your hand/, /half the stalks/, "knife"],
    ["peach", { schoolId: "clear-tree" }, /all of them/, /^nothing$/, "hands"],
    ["gooseberry", { schoolId: "green-thinning" }, /every other fruit/, /to swell/, "gloves"],
    ["ginger", { schoolId: "young" }, /off the edge of the clump/, /rest of the clump/, "knife"],
    ["cabbage", { schoolId: "ahead-of-heat" }, /every tight head, small ones too/, /stumps/, "knife"],
    ["currant-red", { schoolId: "ripest-only" }, /whose colour is right/, /two days/, "scissors"],
    ["brussels-sprouts", { schoolId: "whole-stem" }, /whole stem/, /^nothing$/, "knife"],
  ])("%s, %o", (cropId, of, how, leave, tool) => {
    const taken = techniqueFor(cropOf(cropId), of);
    expect(taken.how).toMatch(how);
    expect(taken.leave).toMatch(leave);
    expect(taken.tool).toBe(tool);
  });
  it("size goes before school, school before ground, in whatever order the handbook tells them", () => {
    const crop = cropOf("carrot");
    const way = (how: string, of: object) => ({ how, source: "CP" as const, ...of });
    const when = [
      way("ground", { soil: "hard" }),
      way("school", { school: "storing" }),
      way("size", { size: "large" }),
    ];
    const taken = (of: Circumstances) => techniqueFor({ ...crop, technique: { ...crop.technique, when } }, of).how;
    expect(taken({ soil: "baked" })).toBe("ground");
    expect(taken({ soil: "baked", schoolId: "storing" })).toBe("school");
    expect(taken({ soil: "baked", schoolId: "storing", meanStage: 1.9 })).toBe("size");
    expect(taken({})).toBe(crop.technique.how);
  });
  it("every other way belongs to a school that the crop has, and says when it holds", () => {
    for (const crop of CROPS)
      for (const w of crop.technique.when) {
        if (w.school)
          expect(
            crop.schools.map((s) => s.id),
            crop.id,
          ).toContain(w.school);
        expect(sayWhen(crop, w).length, crop.id).toBeGreaterThan(2);
        expect(techniqueFor(crop, w.school ? { schoolId: w.school } : {})).not.toHaveProperty("when");
      }
  });
});

describe("raw manure (7 CFR 205.203(c))", () => {
  const manure = (cropId: string, day: string): Treatment => ({
    ...{ id: "m", plantingId: "p", day, kind: "manure", product: "", note: "" },
    waitDays: manureWaitDays(cropOf(cropId)),
  });
  it.each([
    ["carrot", "2026-08-08"],
    ["tomato", "2026-07-09"],
    ["strawberry", "2026-08-08"],
    ["french-bean-bush", "2026-08-08"],
    ["french-bean-climbing", "2026-07-09"],
    ["winter-squash", "2026-08-08"],
    ["sweet-corn", "2026-07-09"],
    ["apple", "2026-07-09"],
  ])("worked in on 10 April: %s from %s", (cropId, from) => {
    const t = manure(cropId, "2026-04-10");
    expect(allowedFrom(t)).toBe(from);
    expect(sayWait(t)).toMatch(/raw manure was worked in on .* wait until .* local rule if that is longer/);
  });
  it("beside a label the later date is the one that counts", () => {
    const label: Treatment = { ...manure("carrot", "2026-08-01"), id: "l", kind: "spray", waitDays: 10 };
    const both = waitingOn([manure("carrot", "2026-04-10"), label], "p", "2026-08-02");
    expect(both.map(allowedFrom)).toEqual(["2026-08-11", "2026-08-08"]);
  });
  it("a crop of which nobody has said it is taken to touch the soil", () => {
    expect(manureWaitDays({ touchesSoil: true })).toBe(120);
  });
});
