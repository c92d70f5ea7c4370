import { describe, expect, it } from "vitest";
import { addDays } from "#core/calendar/day";
import { plainWeather } from "#core/fixtures/garden";
import { judgeDocument, judgeDocumentSchema, readDocument } from "./judge-document";

const TODAY = "2026-07-22";
/** A document with weather of its own in the forecast, judged. */
function judged(over: Record<string, unknown>, coming: Partial<{ tempMinC: number; tempMaxC: number }> = {}) {
  const forecast = plainWeather(TODAY, 10).map((w) => ({ ...w, ...coming }));
  const doc = judgeDocumentSchema.parse({ today: TODAY, forecast, ...over });
  const read = judgeDocument(doc);
  if (!read.ok) throw new Error(JSON.stringify(read.errors));
  return read.value;
}
const courgette = {
  crop: "courgette",
  startedHow: "transplanted",
  startedOn: "2026-05-28",
  plants: 2,
  checks: [{ day: TODAY, readings: [{ cueId: "length", value: 130 }] }],
};

describe("a document's constraints", () => {
  it("may be left out, as before", () => {
    expect(judged(courgette).verdict).toBe("nearly");
  });
  it("days away take what is nearly ready, and the call says so", () => {
    const away = { constraints: { away: [{ fromDay: addDays(TODAY, 1), toDay: addDays(TODAY, 9) }] } };
    const { verdict, call } = judged({ ...courgette, ...away });
    expect([verdict, call?.id]).toEqual(["pick-some", "before-absence"]);
  });
  it("no chance for a week does the same; tomorrow's chance does not", () => {
    const next = (days: number) => judged({ ...courgette, constraints: { nextChance: addDays(TODAY, days) } }).verdict;
    expect([next(7), next(1)]).toEqual(["pick-some", "nearly"]);
  });
  it("a bed that is wanted is cleared", () => {
    const beet = { crop: "beetroot", startedHow: "sown", startedOn: "2026-05-20" };
    const { verdict, call } = judged({ ...beet, constraints: { bedWantedBy: addDays(TODAY, 1) } });
    expect([verdict, call?.id]).toEqual(["pick-all", "bed-wanted"]);
  });
  it("the forecast's heat reaches the verdict of a head", () => {
    const head = {
      crop: "cauliflower",
      startedHow: "transplanted",
      startedOn: "2026-05-01",
      checks: [
        {
          day: TODAY,
          readings: [
            { cueId: "curd", value: "dense" },
            { cueId: "width", value: 130 },
          ],
        },
      ],
    };
    const { verdict, call } = judged(head, { tempMinC: 22, tempMaxC: 38 });
    expect([verdict, call?.id]).toEqual(["pick-all", "before-heat"]);
    expect(judged(head).call?.id).not.toBe("before-heat");
  });
  it("what is no date is refused in its place", () => {
    const text = JSON.stringify({ today: TODAY, ...courgette, constraints: { bedWantedBy: "soon" } });
    const read = readDocument(text, judgeDocumentSchema);
    expect(read.ok ? null : read.errors[0]!.column).toBe("constraints.bedWantedBy");
  });
});

describe("a document of what stands for years", () => {
  const asparagus = (startedOn: string, today = "2026-05-10") =>
    judged({ today, crop: "asparagus", startedHow: "planted", startedOn, plants: 10 });
  it("spares crowns of last year, whatever they look like", () => {
    expect(asparagus("2025-04-10").verdict).toBe("not-yet");
    expect(asparagus("2025-04-10").reasons.join()).toMatch(/too young.*2027/);
    expect(asparagus("2019-04-10").reasons.join()).not.toMatch(/too young/);
  });
  it("is over in July: the fern is left", () => {
    expect(asparagus("2019-04-10", "2026-07-05").reasons.join()).toMatch(/season is over/);
  });
});
