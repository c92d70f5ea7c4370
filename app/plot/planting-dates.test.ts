import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { sayHeld } from "#core/planting/words";
import { findPlanting } from "#db/plot";
import { plantings } from "#db/schema/index";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { logPick } from "../picks/pick-action.server";
import { roundsAhead } from "../rounds/rounds.server";
import { db, gardenNow } from "../server/garden-now.server";
import { changePlanting } from "./planting-form.server";

let garden: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
});
afterAll(() => garden.end());

const manured = (plantingId: string, treatDay: string, waitDays: string) =>
  changePlanting({ intent: "treat", treatKind: "manure", treatDay, product: "", waitDays }, plantingId);

describe("raw manure worked in", () => {
  it("asks for the days of the rule at least, and longer where a local rule does", () => {
    expect(manured("cou-lower", "2026-08-01", "90")).toMatchObject({
      data: { errors: { waitDays: expect.stringContaining("at least 120 days") } },
    });
    expect(gardenNow().snapshot.treatments.some((t) => t.kind === "manure")).toBe(false);
    expect(manured("tom-wall", "2026-06-20", "90")).toBeInstanceOf(Response);
    expect(manured("cou-lower", "2026-08-01", "150")).toBeInstanceOf(Response);
  });
  it("bars walk, plan and log alike until its day, and says why", () => {
    const d = gardenNow();
    const seen = d.outlook.plantings.find((p) => p.planting.id === "cou-lower")!;
    expect(sayHeld(seen.judgement.held!)).toMatch(/raw manure/);
    const barred = (roundsAhead(d).problem.bars ?? []).filter((b) => b.plantingId === "cou-lower");
    expect(barred.length).toBeGreaterThan(0);
    const pick = { plantingId: "cou-lower", gross: "1 kg", extent: "some", grade: "sound", at: "2026-10-06T14:00" };
    expect(logPick(pick)).toMatchObject({
      data: {
        errors: {
          plantingId: expect.stringMatching(/raw manure was worked in .* wait until 29 Dec|wait until Tue 29 Dec/),
        },
      },
    });
    // the tomatoes on the wall touch no soil: their ninety days are over
    expect(logPick({ ...pick, plantingId: "tom-wall", sure: "yes" })).toBeInstanceOf(Response);
  });
});

describe("a planting whose crop is no longer in the handbook", () => {
  it("can still be taken out, and nothing is noted that hangs on its crop", () => {
    const orphan = {
      ...gardenNow().snapshot.plantings.find((p) => p.id === "cou-lower")!,
      id: "orphan",
      cropId: "gone",
    };
    db().insert(plantings).values(orphan).run();
    const lost = { intent: "lose", lostAmount: "1 kg", lostCause: "frost", lostDay: "2026-10-01" };
    expect(changePlanting(lost, "orphan")).toMatchObject({ data: { errors: { form: "Nothing was asked." } } });
    expect(changePlanting({ intent: "remove" }, "orphan")).toBeInstanceOf(Response);
    expect(findPlanting(db(), "orphan")).toBeNull();
  });
});
