import { describe, expect, it } from "vitest";
import { readForm } from "../ui/form-schema";
import { lessonForm } from "./lesson.form";
import { seedForm } from "./seed.form";

const wrong = <T>(read: { ok: true; row: T } | { ok: false; faults: { errors: object } }) =>
  read.ok ? [] : Object.keys(read.faults.errors);

describe("a lesson as it is typed", () => {
  it("is read, without a crop or a day where none was said", () =>
    expect(readForm(lessonForm, { words: " too late ", next: "", cropId: "", remindOn: "" })).toEqual({
      ok: true,
      row: { words: "too late", next: "", cropId: null, remindOn: null },
    }));
  it("needs its words, and a day that is one", () => {
    expect(wrong(readForm(lessonForm, { words: "  " }))).toEqual(["words"]);
    expect(wrong(readForm(lessonForm, { words: "a", remindOn: "2026-02-31" }))).toEqual(["remindOn"]);
  });
});

describe("a packet of seed as it is typed", () => {
  const typed = { cropId: "parsnip", kind: "long white", left: "200", unit: "seeds", year: "2026" };
  const tried = { testedOn: "2026-10-01", tested: "20", sprouted: "6" };
  it("is read with and without a test", () => {
    expect(readForm(seedForm, typed)).toMatchObject({ ok: true, row: { left: 200, tested: null, price: null } });
    expect(readForm(seedForm, { ...typed, ...tried, price: "2,40", packed: "500" })).toMatchObject({
      ok: true,
      row: { tested: 20, sprouted: 6, price: 2.4, packed: 500 },
    });
  });
  it.each([
    [{ left: "" }, "left"],
    [{ left: "some" }, "left"],
    [{ year: "1949" }, "year"],
    [{ unit: "handfuls" }, "unit"],
    [{ tested: "20" }, "tested"],
    [{ ...tried, sprouted: "21" }, "sprouted"],
  ])("%o is refused at its own field", (over, field) =>
    expect(wrong(readForm(seedForm, { ...typed, ...over }))).toEqual([field]),
  );
});
