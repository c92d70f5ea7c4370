import { describe, expect, it } from "vitest";
import { cropOf } from "#core/handbook/index";
import { bulkOf } from "#core/weighing/bulk";
import { readForm } from "../ui/form-schema";
import { treatmentForm, wishForm } from "./planting-dates.form";
import { lossForm } from "./planting-losses.form";

const TODAY = "2026-10-06";

describe("a treatment as it is typed", () => {
  const form = treatmentForm(TODAY, (kind) => (kind === "manure" ? 120 : 0));
  const typed = { treatKind: "spray", treatDay: "2026-10-01", product: " soap ", waitDays: "3" };
  it("is read", () =>
    expect(readForm(form, typed)).toEqual({
      ok: true,
      row: { kind: "spray", day: "2026-10-01", product: "soap", waitDays: 3 },
    }));
  it.each([
    [{ waitDays: "" }, "waitDays"],
    [{ waitDays: "2.5" }, "waitDays"],
    [{ waitDays: "-1" }, "waitDays"],
    [{ treatKind: "manure", waitDays: "119" }, "waitDays"],
    [{ treatDay: "2026-02-31" }, "treatDay"],
    [{ treatDay: "2026-10-07" }, "treatDay"],
    [{ treatKind: "prayer" }, "treatKind"],
  ])("%o is refused at its own field", (over, field) => {
    const read = readForm(form, { ...typed, ...over });
    expect(read.ok ? [] : Object.keys(read.faults.errors)).toEqual([field]);
  });
  it("of manure is taken at the very wait that the rule asks for, and today", () =>
    expect(readForm(form, { ...typed, treatKind: "manure", treatDay: TODAY, waitDays: "120" }).ok).toBe(true));
});

describe("a date wished for", () => {
  it("is read, or asked for", () => {
    expect(readForm(wishForm, { wishKind: "take-all", wishDay: "2026-10-09" })).toEqual({
      ok: true,
      row: { kind: "take-all", day: "2026-10-09" },
    });
    expect(readForm(wishForm, { wishKind: "take-all", wishDay: "" })).toMatchObject({
      ok: false,
      faults: { errors: { wishDay: "choose a day" } },
    });
  });
});

describe("a loss in the bed as it is typed", () => {
  const tomato = cropOf("tomato");
  const form = lossForm(tomato, bulkOf(tomato), "metric", TODAY);
  const typed = { lostAmount: "2 kg", lostCause: "animals", lostDay: "2026-10-05", lostNote: "deer" };
  const row = { day: "2026-10-05", cause: "animals", massG: 2000, note: "deer" };
  it("is read by weight", () => expect(readForm(form, typed)).toEqual({ ok: true, row }));
  it("is read by pieces of their usual weight", () =>
    expect(readForm(form, { ...typed, lostAmount: "6 pieces" })).toEqual({
      ok: true,
      row: { ...row, massG: 6 * tomato.yield.pieceG! },
    }));
  it.each([
    [{ lostAmount: "" }, "lostAmount"],
    [{ lostAmount: "much" }, "lostAmount"],
    [{ lostDay: "2026-10-07" }, "lostDay"],
    [{ lostCause: "envy" }, "lostCause"],
    [{ lostNote: "x".repeat(501) }, "lostNote"],
  ])("%o is refused at its own field", (over, field) => {
    const read = readForm(form, { ...typed, ...over });
    expect(read.ok ? [] : Object.keys(read.faults.errors)).toEqual([field]);
  });
});
