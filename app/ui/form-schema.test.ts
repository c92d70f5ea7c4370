import { parseWithZod } from "@conform-to/zod/v4";
import { describe, expect, it } from "vitest";
import { ownJobForm } from "../jobs/own-job.form";
import { bedForm, typedOffset } from "../plot/bed.form";
import { plantingForm } from "../plot/planting.form";
import { containerForm, datedForm, personForm, tripForm, windowForm } from "../settings/lists.form";
import { type FormSchema, readForm, type Typed } from "./form-schema";

const rowOf = <T>(schema: FormSchema<T>, typed: Typed): T => {
  const read = readForm(schema, typed);
  if (!read.ok) throw new Error(JSON.stringify(read.faults.errors));
  return read.row;
};
const errorsOf = (schema: FormSchema<unknown>, typed: Typed): Typed => {
  const read = readForm(schema, typed);
  return read.ok ? {} : read.faults.errors;
};
const bed: Typed = {
  name: "Wall",
  shape: "rectangle",
  xM: "1 m",
  yM: "0",
  widthM: "1,2 m",
  lengthM: "3 m",
  cover: "none",
};
const planting: Typed = {
  bedId: "b",
  cropId: "carrot",
  startedHow: "sown",
  startedOn: "2026-04-15",
  plants: "",
  rowM: "",
};

describe("a form as one schema", () => {
  it("reads what was typed into a row of the core", () => {
    expect(rowOf(bedForm("metric"), bed)).toMatchObject({
      widthM: 1.2,
      lengthM: 3,
      yM: 0,
      sunHours: 8,
      nightOffsetC: 0,
    });
    expect(rowOf(bedForm("metric"), { ...bed, shape: "circle", lengthM: "" })).toMatchObject({ lengthM: 1.2 });
    expect(rowOf(plantingForm("us"), { ...planting, rowM: "3 ft 6 in", plants: "40" })).toMatchObject({
      rowM: expect.closeTo(1.0668, 6),
      plants: 40,
      areaM2: null,
      endedOn: null,
    });
    expect(rowOf(windowForm, { weekday: "6", startsAt: "17:30", minutes: "60" })).toMatchObject({
      weekday: 6,
      minutes: 60,
    });
    expect(rowOf(datedForm, { datedDay: "2026-10-08", datedAt: " ", datedMinutes: "60" })).toMatchObject({
      startsAt: null,
      minutes: 0,
    });
    expect(rowOf(tripForm, { fromDay: "2026-10-10", toDay: "2026-10-10" })).toMatchObject({
      name: "Away",
      standIn: "",
    });
    expect(
      rowOf(containerForm("metric"), {
        containerName: "pail",
        tare: "410 g",
        containerLitres: "",
        containerCount: "2",
      }),
    ).toMatchObject({ tareG: 410, litres: null, atHand: 2 });
    expect(rowOf(ownJobForm("2026-10-06"), { words: "Tie in", where: "planting p1" })).toMatchObject({
      plantingId: "p1",
      bedId: null,
      startOn: "2026-10-06",
      minutes: 5,
    });
  });
  it("degrees of an offset are those of the garden, both ways", () => {
    expect(
      rowOf(bedForm("us"), { ...bed, widthM: "4 ft", lengthM: "8 ft", nightOffsetC: "-3.6" }).nightOffsetC,
    ).toBeCloseTo(-2, 9);
    expect(typedOffset(-2, "us")).toBe("-3.6");
    expect(typedOffset(-2, "metric")).toBe("-2");
  });
  it("says what is wrong at the form’s own fields, all of it at once, and keeps what was typed", () => {
    expect(errorsOf(bedForm("metric"), { ...bed, name: " ", widthM: "two", sunHours: "30" })).toEqual({
      name: "give the bed a name",
      widthM: expect.any(String),
      sunHours: "0 to 16 hours",
      ...errorsOf(bedForm("metric"), { ...bed, widthM: "two" }),
    });
    expect(errorsOf(plantingForm("metric"), { ...planting, plants: "some", endedOn: "2026-01-01" })).toEqual({
      plants: "write a number",
    });
    expect(errorsOf(plantingForm("metric"), { ...planting, endedOn: "2026-01-01" })).toEqual({
      endedOn: "it ended before it was started",
    });
    expect(errorsOf(datedForm, { datedDay: "2026-02-31", datedAt: "25:00", datedMinutes: "many" })).toEqual({
      datedDay: expect.stringMatching(/day/),
      datedAt: "write the time as 17:30",
      datedMinutes: expect.stringMatching(/minutes/),
    });
    expect(errorsOf(tripForm, { fromDay: "2026-10-10", toDay: "2026-10-01" })).toEqual({
      toDay: "the trip ends before it begins",
    });
    expect(errorsOf(personForm, { personName: "  ", role: "gardener" })).toEqual({ personName: "give a name" });
    expect(
      errorsOf(containerForm("us"), { containerName: "", tare: "heavy", containerLitres: "x", containerCount: "1.5" }),
    ).toEqual({
      containerName: "give it a name",
      tare: expect.any(String),
      containerLitres: "quarts, above nothing",
      containerCount: "a whole number",
    });
    expect(errorsOf(ownJobForm("2026-10-06"), { words: "", times: "3" })).toMatchObject({
      words: "say what is to be done",
    });
    const typed = { ...bed, name: "" };
    expect(readForm(bedForm("metric"), typed)).toMatchObject({ ok: false, faults: { typed } });
  });
  it("is the same in the page: there it is parsed from the form itself", () => {
    const form = new FormData();
    for (const [k, v] of Object.entries({ ...bed, name: "" })) form.set(k, v);
    const submission = parseWithZod(form, { schema: bedForm("metric"), disableAutoCoercion: true });
    expect(submission.status).toBe("error");
    expect(submission.reply().error).toEqual({ name: ["give the bed a name"] });
    form.set("name", "Wall");
    expect(parseWithZod(form, { schema: bedForm("metric"), disableAutoCoercion: true }).status).toBe("success");
  });
});
