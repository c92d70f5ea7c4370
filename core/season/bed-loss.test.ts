import { describe, expect, it } from "vitest";
import { bed, planting } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { blankPick } from "../weighing/pick";
import { logged } from "../weighing/pick-log";
import { bedLossesBy, bedLossSchema, keptShare } from "./bed-loss";
import { draftsOf } from "./lessons";
import { figuresOf } from "./planting-figures";
import { sayFinding } from "./words";

const loss = (cause: string, massG: number) =>
  bedLossSchema.parse({ id: `${cause}${massG}`, plantingId: "p", day: "2026-08-20", cause, massG, note: "" });

describe("what was lost in the bed", () => {
  it("is summed by cause, most first", () => {
    expect(bedLossesBy([loss("frost", 300), loss("animals", 900), loss("frost", 200)])).toEqual([
      ["animals", 900],
      ["frost", 500],
    ]);
    expect(bedLossesBy([])).toEqual([]);
  });
  it("needs a cause that is known and a weight above nothing", () => {
    for (const wrong of [{ cause: "the moon" }, { massG: 0 }, { day: "2026-13-01" }])
      expect(bedLossSchema.safeParse({ ...loss("frost", 100), ...wrong }).success).toBe(false);
  });
  it("is held against what was kept: of 9.5 kg that grew, 8 kg picked and half a kilo of it spoiled, 79 %", () => {
    const kept = keptShare(8000, 1500, 500)!;
    expect(kept.share).toBeCloseTo(7500 / 9500, 12);
    expect(kept.grewG).toBe(9500);
    expect(keptShare(8000, 0, 0)).toBeNull();
    expect(keptShare(0, 0, 0)).toBeNull();
    // all of it frozen in the bed: nothing was kept
    expect(keptShare(0, 700, 0)!.share).toBe(0);
    // more lost afterwards than was weighed is no share below nothing
    expect(keptShare(100, 0, 300)!.share).toBe(0);
  });
  it("proposes a lesson when a good part went, with what to do against it; a little proposes none", () => {
    const crop = cropOf("courgette");
    const p = planting("courgette", { id: "p" });
    const pick = blankPick({ id: "k", plantingId: "p", at: "2026-08-01T18:00", grossG: 4000, extent: "some" });
    const figures = figuresOf(p, bed(), crop, [logged(pick, p, crop, "Test bed")]);
    const drafts = (g: number) => draftsOf(p, crop, figures, 0, [loss("animals", g)]);
    const draft = drafts(1000).find((d) => d.id === "bed-lost p")!;
    const said = sayFinding(draft.finding, "dark green", "metric");
    expect(said.words).toBe("About 1 kg of dark green were lost in the bed, most of it to animals.");
    expect(said.next).toMatch(/^Net or fence it/);
    expect(drafts(400).some((d) => d.id.startsWith("bed-lost"))).toBe(false);
  });
});
