import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Planting } from "#core/garden/planting";
import { cropOf } from "#core/handbook/index";
import { change } from "#db/change";
import { makeDemo } from "../cli/demo";
import { gardenInProcess } from "./garden-in-process";
import { logPick } from "./picks/pick-action.server";
import { pickFormData } from "./picks/pick-form.server";
import { changePlanting } from "./plot/planting-form.server";
import { plantingDoubts } from "./season/series.server";
import { db, gardenNow, handbook } from "./server/garden-now.server";
import { walkSheet } from "./walk/walk.server";

/**
 * Fifty situations of technique, caution, replanting and handling from the handbook, put to the running application:
 * a planting is set down in the garden, and the page of that moment is asked (common practice where nothing else is said).
 */
let garden: ReturnType<typeof gardenInProcess>;
let template: Planting;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
  template = gardenNow().snapshot.plantings.find((p) => p.id === "cou-lower")!;
});
afterAll(() => garden.end());

/** Sets a planting down and takes nothing else away. */
function plant(id: string, cropId: string, over: Partial<Planting> = {}): Planting {
  const crop = cropOf(cropId);
  const how = crop.days.sown ? "sown" : crop.days.transplanted ? "transplanted" : "planted";
  const row: Planting = {
    ...{ ...template, id, cropId, bedId: "middle-1", kind: "tried", startedHow: how, startedOn: "2026-05-20" },
    ...{ schoolId: crop.schools[0]!.id, packetMinDays: null, packetMaxDays: null, ripeColour: "", ...over },
  };
  change(db(), "a situation", gardenNow().now, (c) => c.put("plantings", row));
  return row;
}

describe("how it is picked, on the walk and at the scale", () => {
  it.each<[cropId: string, schoolId: string, how: RegExp, leave: RegExp]>([
    ["chard", "outer", /outer stalks low/, /2–3 larger leaves/],
    ["chard", "clear-cut", /above the youngest leaves/, /the heart, 50 mm/],
    ["spinach", "leaf-by-leaf", /Outer leaves one by one/, /four or five leaves/],
    ["spinach", "kept-root", /root stays/, /the root/],
    ["lettuce-loose-leaf", "outer-leaves", /one by one, by hand/, /four or five leaves/],
    ["lettuce-loose-leaf", "clear-cut", /straight across/, /3 cm/],
    ["kale", "bottom-up", /from the bottom up/, /five leaves/],
    ["kale", "baby-cut", /above the growing tips/, /the heart/],
    ["mustard-greens", "baby", /growing point/, /growing point/],
    ["rocket", "leaf-by-leaf", /one by one/, /four or five leaves/],
    ["parsley", "clear-cut", /above the youngest leaves/, /the heart/],
    ["coriander", "clear-cut", /30 mm/, /the heart/],
    ["celery", "whole", /whole plant/, /nothing/],
    ["spring-onion", "cut-above", /25 mm above the soil/, /grow again/],
    ["chives", "whole-clump", /whole clump/, /all of it/],
    ["carrot", "storing", /whole row/, /nothing/],
    ["potato", "dig-as-needed", /one plant at a time/, /other plants/],
    ["sweet-potato", "fingerling", /edge of the plant/, /covered again/],
    ["basil", "tip-cut", /never into brown wood/, /two leaf pairs/],
    ["basil", "single-leaves", /single leaves/, /every stem/],
    ["mint", "big-cut", /before it flowers/, /50 mm/],
    ["cabbage", "ahead-of-heat", /heat loosens them/, /stumps/],
    ["brussels-sprouts", "whole-stem", /whole stem/, /nothing/],
    ["radish-pods", "seed", /before the pods shatter/, /nothing/],
    ["walking-onion", "bulbils", /bulblets/, /the clump/],
  ])("%s by the school %s", (cropId, schoolId, how, leave) => {
    const row = plant(`way-${cropId}-${schoolId}`, cropId, { schoolId });
    const sheet = walkSheet(gardenNow(), row.id)!;
    expect(sheet.technique.how).toMatch(how);
    expect(sheet.technique.leave).toMatch(leave);
    const form = pickFormData(gardenNow(), undefined, row.id, null)!.plantings.find((p) => p.id === row.id)!;
    expect([form.how, form.leave]).toEqual([sheet.technique.how, sheet.technique.leave]);
  });
});

describe("what to take care of, at the scale", () => {
  it.each([
    ["runner-bean", "raw-beans"],
    ["potato-early", "green-potatoes"],
    ["rhubarb", "rhubarb-leaves"],
    ["parsnip", "sap-and-sun"],
    ["okra", "hairs"],
    ["gooseberry", "thorns"],
    ["kale", "blades"],
    ["garlic", "fork"],
    ["apple", "ladder"],
    ["pumpkin", "lifting"],
  ])("%s: %s", (cropId, caution) => {
    const row = plant(`care-${cropId}`, cropId);
    const form = pickFormData(gardenNow(), undefined, row.id, null)!;
    const crop = form.crops.find((c) => c.id === cropId)!;
    const said = crop.cautions.map((c) => c.id);
    const known = handbook().of(cropId).hazards!;
    expect(known).toContain(caution);
    // a caution of the kitchen waits for the kitchen; what belongs to picking is said here
    if (["raw-beans"].includes(caution)) expect(said).not.toContain(caution);
    else expect(said).toContain(caution);
  });
});

describe("what does not ripen once it is cut", () => {
  it.each([
    ["melon-netted", "green-to-ripen", false],
    ["courgette", "green-to-ripen", false],
    ["strawberry", "green-to-ripen", false],
    ["pepper-sweet", "green-to-ripen", false],
    ["pepper-sweet", "half-to-ripen", true],
    ["tomato", "green-to-ripen", true],
  ])("%s as “%s”: %s", (cropId, grade, taken) => {
    const row = plant(`ripe-${cropId}-${grade}`, cropId);
    const answer = logPick({
      ...{ plantingId: row.id, gross: "1 kg", extent: "some", grade, at: "2026-10-06T12:00", sure: "yes" },
    });
    if (taken) expect(answer).toBeInstanceOf(Response);
    else expect(answer).toMatchObject({ data: { errors: { grade: expect.stringMatching(/ripen/) } } });
  });
});

describe("what stood there before", () => {
  it.each<[next: string, before: string, disease: string, against: RegExp]>([
    ["kale", "cabbage", "", /family|stood/],
    ["bulb-onion", "leek", "", /family|stood/],
    ["tomato", "potato", "", /family|stood/],
    ["carrot", "parsnip", "", /family|stood/],
    ["cabbage", "kale", "clubroot", /clubroot/],
    ["garlic", "shallot", "white-rot", /white rot/],
  ])("%s after %s %s", (next, before, disease, against) => {
    const bedId = gardenNow().snapshot.beds.at(-1)!.id;
    const old = plant(`old-${next}`, before, { bedId, startedOn: "2026-03-01", endedOn: "2026-10-01", disease });
    const row = { ...old, id: `new-${next}`, cropId: next, startedOn: "2027-04-20", endedOn: null, disease: "" };
    expect(plantingDoubts(gardenNow(), row, cropOf(next)).join(" ")).toMatch(against);
    change(db(), "undone", gardenNow().now, (c) => c.remove("plantings", old.id));
  });
});

describe("waits", () => {
  it.each([
    ["carrot", "119", false],
    ["carrot", "120", true],
    ["sweet-corn", "90", true],
  ])("%s after raw manure, %s days", (cropId, waitDays, taken) => {
    const row = plant(`wait-${cropId}-${waitDays}`, cropId);
    const answer = changePlanting(
      { intent: "treat", treatKind: "manure", treatDay: "2026-09-01", product: "", waitDays },
      row.id,
    );
    if (taken) expect(answer).toBeInstanceOf(Response);
    else expect(answer).toMatchObject({ data: { errors: { waitDays: expect.stringContaining("120") } } });
  });
});
