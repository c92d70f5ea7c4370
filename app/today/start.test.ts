import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { CROPS, cropOf } from "#core/handbook/index";
import { undo } from "#db/change";
import { gardenInProcess } from "../garden-in-process";
import { db, gardenNow } from "../server/garden-now.server";
import { startGarden, startView, usualStart } from "./start.server";

let garden: ReturnType<typeof gardenInProcess>;
beforeEach(() => {
  garden = gardenInProcess();
});
afterEach(() => garden.end());

const PLACE = { latitudeDeg: "44.5", longitudeDeg: "-93", timeZone: "America/Chicago", units: "us" };
const row = (i: number, crop: string, on: string, more: Record<string, string> = {}) => ({
  ...{ [`crop-${i}`]: crop, [`on-${i}`]: on, [`how-${i}`]: usualStart(cropOf(crop)) },
  ...Object.fromEntries(Object.entries(more).map(([k, v]) => [`${k}-${i}`, v])),
});
const TWO = { ...row(0, "tomato", "2026-06-01"), ...row(1, "apple", "2023-11-20", { kind: "late red", plants: "2" }) };

describe("the first five minutes", () => {
  it("put place, units, a bed and everything that grows in as one change, and one undo takes all of it back", () => {
    const answer = startGarden(gardenNow(), { ...PLACE, ...TWO, bedName: "Garden" });
    expect(answer).toBeInstanceOf(Response);
    const { garden: settled, beds, plantings } = gardenNow().snapshot;
    expect(settled).toMatchObject({ latitudeDeg: 44.5, longitudeDeg: -93, timeZone: "America/Chicago", units: "us" });
    expect(beds.map((b) => b.name)).toEqual(["Garden"]);
    expect(plantings.map((p) => [p.cropId, p.kind, p.plants, p.bedId])).toEqual(
      expect.arrayContaining([
        ["tomato", "", null, beds[0]!.id],
        ["apple", "late red", 2, beds[0]!.id],
      ]),
    );
    expect(gardenNow().outlook.plantings.map((p) => p.judgement.verdict)).toHaveLength(2);
    const location = (answer as Response).headers.get("Location")!;
    expect(undo(db(), new URL(location, "http://x").searchParams.get("done")!, gardenNow().now)).toMatchObject({
      ok: true,
    });
    expect([gardenNow().snapshot.beds, gardenNow().snapshot.plantings]).toEqual([[], []]);
  });
  it("names each field that is wrong or empty, and writes nothing", () => {
    const wrong = {
      ...row(0, "tomato", ""),
      ...row(1, "kale", "2026-02-31"),
      ...row(2, "leek", "2026-05-01", { plants: "0" }),
    };
    const answer = startGarden(gardenNow(), { ...PLACE, latitudeDeg: "88", ...wrong, bedName: " " });
    expect(answer).toMatchObject({
      data: {
        errors: {
          "on-0": "say when, about",
          "on-1": expect.any(String),
          "plants-2": expect.any(String),
          latitudeDeg: "between −66 and 66",
          bedName: "give the bed a name",
        },
      },
    });
    expect(startGarden(gardenNow(), { ...PLACE, bedName: "Garden" })).toMatchObject({
      data: { errors: { form: "Tick what grows first." } },
    });
    expect([gardenNow().snapshot.beds, gardenNow().snapshot.plantings]).toEqual([[], []]);
  });
  it("in a garden that grows already puts into the bed that was chosen, and leaves the place alone", () => {
    startGarden(gardenNow(), { ...PLACE, ...TWO, bedName: "Garden" });
    const bed = gardenNow().snapshot.beds[0]!;
    startGarden(gardenNow(), { latitudeDeg: "0", ...row(0, "kale", "2026-07-01"), bedId: bed.id });
    expect(gardenNow().snapshot.garden.latitudeDeg).toBe(44.5);
    expect(gardenNow().snapshot.plantings.map((p) => p.bedId)).toEqual([bed.id, bed.id, bed.id]);
    expect(startView(gardenNow()).fresh).toBe(false);
  });
  it("knows how every crop of the handbook is usually started", () => {
    for (const crop of CROPS) expect(["sown", "transplanted", "planted"], crop.id).toContain(usualStart(crop));
    expect(usualStart(cropOf("carrot"))).toBe("sown");
  });
});
