import { describe, expect, it } from "vitest";
import { minuteAfter } from "./clock";
import { daySchema, localTimeSchema } from "./schemas";

const takes = (schema: typeof daySchema | typeof localTimeSchema, text: string) => schema.safeParse(text).success;

describe("days and times at every edge", () => {
  it.each([
    "2026-02-31",
    "2025-02-29",
    "2026-13-01",
    "2026-00-10",
    "0026-05-01",
    "9999-12-31",
    "26-5-1",
    "",
    "constructor",
  ])("%s is no day of a garden", (text) => {
    expect(takes(daySchema, text)).toBe(false);
    expect(takes(localTimeSchema, `${text}T10:00`)).toBe(false);
  });
  it("takes days that exist, leap days too, and minutes of the day", () => {
    expect(takes(daySchema, "2028-02-29")).toBe(true);
    expect(takes(localTimeSchema, "2028-02-29T23:59")).toBe(true);
    for (const time of ["24:00", "12:60", "1:00", "12:00:00"])
      expect(takes(localTimeSchema, `2026-05-01T${time}`)).toBe(false);
  });
  it("says what is wrong", () => {
    expect(localTimeSchema.safeParse("2026-02-31T10:00").error?.issues[0]?.message).toMatch(/no such day/);
    expect(daySchema.safeParse("0026-05-01").error?.issues[0]?.message).toMatch(/between 1900 and 2199/);
  });
  it("knows the minute after the last one of a month", () => {
    expect(minuteAfter("2026-02-28T23:59")).toBe("2026-03-01T00:00");
    expect(minuteAfter("2026-10-06T09:59")).toBe("2026-10-06T10:00");
  });
});
