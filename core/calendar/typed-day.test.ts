import fc from "fast-check";
import { afterEach, describe, expect, it } from "vitest";
import { type DateOrder, dateOrderOf, datesWritten, writeDates } from "./date-order";
import { dayFromNumber, sayDate, sayDay, sayMonthDay, sayNear } from "./day";
import { readDay, sayTyped } from "./typed-day";

const today = "2026-11-01";
const read = (text: string, order: DateOrder = "day-first") => readDay(text, order, today);

describe("a day as people type it", () => {
  it.each([
    ["6.10.2026", "2026-10-06"],
    ["6/10/26", "2026-10-06"],
    ["6. 10.", "2026-10-06"],
    ["06-10-2026", "2026-10-06"],
    ["2026-10-06", "2026-10-06"],
    ["2026/1/6", "2026-01-06"],
    ["6 Oct", "2026-10-06"],
    ["Oct 6, 2026", "2026-10-06"],
    ["6th October 26", "2026-10-06"],
    ["Sept 3", "2026-09-03"],
    ["today", "2026-11-01"],
    [" Yesterday ", "2026-10-31"],
    ["tomorrow", "2026-11-02"],
  ])("%s is %s where the day goes first", (typed, day) => expect(read(typed)).toBe(day));

  it("two numbers are read as the country writes them, unless one cannot be a month", () => {
    expect(read("10/6/2026", "month-first")).toBe("2026-10-06");
    expect(read("10/6/2026", "day-first")).toBe("2026-06-10");
    expect(read("25/6/2026", "month-first")).toBe("2026-06-25");
    expect(read("6/25/2026", "day-first")).toBe("2026-06-25");
  });
  it("without a year the nearest one is meant, over the turn of the year too", () => {
    expect(readDay("5 Jan", "day-first", "2026-12-20")).toBe("2027-01-05");
    expect(readDay("28 Dec", "day-first", "2027-01-04")).toBe("2026-12-28");
    expect(readDay("29.2.", "day-first", "2027-08-01")).toBe("2028-02-29");
  });
  it("what is no day is none", () => {
    for (const typed of [
      "",
      "soon",
      "31.2.2026",
      "0.5.2026",
      "6",
      "6.10.026",
      "6.10.2026.1",
      "13/13/2026",
      "6 xyz 2026",
    ])
      expect([typed, read(typed)]).toEqual([typed, null]);
  });
  it("what a field shows is read as the same day, in both orders", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -20_000, max: 60_000 }),
        fc.constantFrom<DateOrder>("day-first", "month-first"),
        (n, order) => {
          const day = dayFromNumber(n);
          expect(readDay(sayTyped(day, order), order, today)).toBe(day);
        },
      ),
    );
    expect(sayTyped("2026-10-06", "month-first")).toBe("Oct 6, 2026");
  });
});

describe("dates as the garden's country writes them", () => {
  afterEach(() => writeDates("day-first"));
  it("day first, unless it is said otherwise", () => {
    expect([sayDay("2026-10-06"), sayDate("2026-10-06"), sayMonthDay("2026-10-06")]).toEqual([
      "Tue 6 Oct",
      "6 Oct 2026",
      "6 Oct",
    ]);
    expect(sayDate("2026-10-06", "month-first")).toBe("Oct 6, 2026");
  });
  it("month first in a US garden, in every sentence from there on", () => {
    writeDates(dateOrderOf("us"));
    expect(datesWritten()).toBe("month-first");
    expect([sayDay("2026-10-06"), sayDate("2026-10-06"), sayNear("2026-10-26", "2026-10-06")]).toEqual([
      "Tue Oct 6",
      "Oct 6, 2026",
      "Mon Oct 26",
    ]);
    expect(sayDate("2026-10-06", "day-first")).toBe("6 Oct 2026");
    writeDates(dateOrderOf("metric"));
    expect(sayMonthDay("2026-10-06")).toBe("6 Oct");
  });
});
