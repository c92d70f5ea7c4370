import { describe, expect, it } from "vitest";
import { sayError } from "./located";
import { readReadingsCsv } from "./readings-csv";

let n = 0;
const read = (text: string) => readReadingsCsv(text, "cellar", () => `r${++n}`);
const errors = (text: string) => {
  const r = read(text);
  return r.ok ? "no error" : r.errors.map(sayError).join("\n");
};

describe("readings of a thermometer from a file", () => {
  it("takes °C and °F, comma or point, with or without humidity", () => {
    const r = read("Time;Temperature °C;RH\n2026-10-06 08:00;9,4;83\n2026-10-06T20:00;10;\n");
    expect(r.ok && r.value).toMatchObject([
      { placeId: "cellar", at: "2026-10-06T08:00", tempC: 9.4, humidityPct: 83 },
      { at: "2026-10-06T20:00", tempC: 10, humidityPct: null },
    ]);
    const f = read("timestamp,temp_f\n2026-10-06 08:00:30,50\n");
    expect(f.ok && f.value[0]).toMatchObject({ tempC: 10, at: "2026-10-06T08:00" });
  });
  it.each([
    ["time,humidity\n2026-10-06 08:00,80\n", "no column for the temperature"],
    ["temp\n9\n", "no column for the moment"],
    ["time,temp\nyesterday,9\n", "row 2, column time: “yesterday” is not a moment"],
    ["time,temp\n2026-10-06 08:00,warm\n", "row 2, column temp: “warm” is not a temperature"],
    ["time,temp\n2026-10-06 08:00,99\n", "hotter than any store"],
    ["time,temp,rh\n2026-10-06 08:00,9,180\n", "row 2, column rh: “180” is not a humidity"],
    ["time,temp\n2026-10-06 08:00,9\n2026-10-06 08:00,10\n", "row 3, column time: this moment stands twice"],
    ["", "the file is empty"],
  ])("refuses %j with its place", (text, reason) => expect(errors(text)).toContain(reason));
});
