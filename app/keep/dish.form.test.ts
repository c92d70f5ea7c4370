import { describe, expect, it } from "vitest";
import { readForm } from "../ui/form-schema";
import { dishForm } from "./dish.form";

const typed = { name: " Green soup ", "crop-0": "kale", "crop-1": "", "crop-2": "carrot", "crop-3": "kale", note: "" };
const read = (over: Record<string, string> = {}) => readForm(dishForm, { ...typed, ...over });

describe("a dish as it is typed", () => {
  it("uses what was chosen, each crop once, in the order of the fields", () =>
    expect(read()).toMatchObject({ ok: true, row: { name: "Green soup", cropIds: ["kale", "carrot"], note: "" } }));
  it("without a name or a crop says so at their fields, with what was typed", () => {
    const found = read({ name: " ", "crop-0": "", "crop-2": "", "crop-3": "", note: "page 12" });
    expect(found).toMatchObject({
      ok: false,
      faults: {
        errors: { name: "give the dish a name", "crop-0": "say what it is made of" },
        typed: { note: "page 12" },
      },
    });
  });
});
