import { describe, expect, it } from "vitest";
import { sayEntry } from "./trail";

describe("the audit trail in words", () => {
  it("names what was added, removed, or changed from what to what", () => {
    const pick = { id: "x", at: "2026-10-06T17:00", grossG: 1200, note: "", topsOn: false, sorted: [] };
    expect(sayEntry({ table: "picks", key: "x", before: null, after: pick }).what).toBe("pick 2026-10-06T17:00: added");
    expect(sayEntry({ table: "picks", key: "x", before: pick, after: null }).what).toContain("removed");
    expect(
      sayEntry({ table: "picks", key: "x", before: pick, after: { ...pick, grossG: 1300, topsOn: true, note: "wet" } }),
    ).toEqual({
      what: "pick 2026-10-06T17:00: changed",
      fields: ["gross, g: 1200 → 1300", "note: nothing → wet", "tops on: no → yes"],
    });
  });
  it("cuts what is long and knows tables it was never told of by their own name", () => {
    const told = sayEntry({ table: "moons", key: "m", before: { name: "" }, after: { name: "x".repeat(200) } });
    expect(told.fields[0]!.length).toBeLessThan(90);
    expect(told.what).toMatch(/^moons x+: changed$/);
  });
});
