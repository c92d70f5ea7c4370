import { describe, expect, it } from "vitest";
import { cropOf } from "../../handbook";
import { techniqueFor } from "../../handbook/technique";
import { kitOf } from "./kit";

const line = (id: string, expectedG = 1000, schoolId = "") => ({
  taken: techniqueFor(cropOf(id), { schoolId }),
  wear: cropOf(id).wear,
  expectedG,
});

describe("what to take along on a round (common practice, no source)", () => {
  it.each([
    ["okra and gooseberry scratch", [line("okra"), line("gooseberry")], null, ["gloves", "sleeves"]],
    ["chilli burns", [line("chilli")], null, ["gloves", "snips"]],
    ["cut flowers stand in water", [line("zinnia")], null, ["jar of water"]],
    ["onions lifted before rain lie under a sheet", [line("bulb-onion")], { rainMm: 6, tempMaxC: 18 }, ["tarpaulin"]],
    ["a heap of potatoes wants a sheet in any weather", [line("potato", 20_000)], null, ["tarpaulin", "fork"]],
    ["heat", [line("carrot")], { rainMm: 0, tempMaxC: 33 }, ["water", "hat"]],
  ] as const)("%s", (_, lines, weather, wanted) => {
    const kit = kitOf(lines, weather);
    for (const thing of wanted) expect(kit).toContain(thing);
    expect(new Set(kit).size).toBe(kit.length);
  });
  it("goes by the school: chard cut clear wants scissors and a bucket, stalk by stalk neither", () => {
    expect(kitOf([line("chard", 500, "clear-cut")], null)).toEqual(["scissors", "bucket, damp cloth over"]);
    expect(kitOf([line("chard", 500, "outer")], null)).not.toContain("scissors");
  });
  it("asks for nothing that neither crop nor weather wants", () => {
    expect(kitOf([line("carrot")], { rainMm: 0, tempMaxC: 18 })).toEqual(["fork", cropOf("carrot").container]);
    expect(kitOf([], { rainMm: 20, tempMaxC: 35 })).toEqual([]);
  });
});
