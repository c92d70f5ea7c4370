import { describe, expect, it } from "vitest";
import { readTable } from "./csv";
import { sayError } from "./located";
import { readWeatherCsv } from "./weather-csv";

describe("rows are named by the line of the file itself", () => {
  it("blank lines and line breaks inside quotation marks count", () => {
    const table = readTable('\n\nday,note\n2026-05-01,"two\r\nlines"\n\n2026-05-02,one\n');
    expect(table.ok && table.value.rows.map((r) => r.line)).toEqual([4, 7]);
  });
  it("a wrong row below them is found where it stands", () => {
    const read = readWeatherCsv("date,tmin,tmax\n\n2026-05-01,4,12\n\n\n2026-02-31,4,12\n");
    expect(read.ok ? "" : sayError(read.errors[0]!)).toMatch(/^row 6, /);
  });
  it("a quotation mark that is never closed is named where it opens", () => {
    const read = readTable('day,note\n\n2026-05-01,fine\n2026-05-02,"open\n2026-05-03,x\n');
    expect(read.ok ? "" : read.errors[0]!.message).toMatch(/never closed/);
  });
});

describe("headings that are words of the machine", () => {
  it.each(["constructor", "__proto__", "toString", "hasOwnProperty"])("%s is a column like any other", (word) => {
    const read = readWeatherCsv(`date,tmin,tmax,${word}\n2026-05-01,4,12,1\n`);
    expect(read).toMatchObject({ ok: true, notes: [`not used: ${word.toLowerCase()}`] });
  });
});
