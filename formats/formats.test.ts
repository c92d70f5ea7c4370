import fc from "fast-check";
import ICAL from "ical.js";
import { describe, expect, it } from "vitest";
import { newGarden } from "#core/garden/garden";
import { type Archive, readArchive, writeArchive } from "./archive";
import { readTable, writeTable } from "./csv";
import { type GardenEvent, writeGardenIcs } from "./garden-ics";
import { sayError } from "./located";
import { picksCsvPieces, picksJsonPieces, writePicksCsv } from "./picks-csv";
import { writePicksIcs } from "./picks-ics";
import { readWeatherCsv, writeWeatherCsv } from "./weather-csv";

describe("CSV after RFC 4180 (C16.2)", () => {
  it("reads quoted commas, quotes and line breaks as exactly three records of three fields", () => {
    const read = readTable('crop,note,kg\r\n"Bean, runner","first ""flush""\r\nsecond line",1.5\r\nLeek,,2\r\n');
    if (!read.ok) throw new Error("refused");
    expect(read.value.headings).toEqual(["crop", "note", "kg"]);
    expect(read.value.rows.map((r) => r.cells)).toEqual([
      ["Bean, runner", 'first "flush"\r\nsecond line', "1.5"],
      ["Leek", "", "2"],
    ]);
  });
  it("takes a byte-order mark, LF, semicolons and tabs", () => {
    for (const text of ["\uFEFFa;b\n1;2\n", "a\tb\n1\t2"]) {
      const read = readTable(text);
      expect(read.ok && read.value.rows[0]?.cells).toEqual(["1", "2"]);
    }
  });
  it("keeps spreadsheets from running what is written", () => {
    expect(
      writeTable(
        ["note", "n"],
        [
          ["=1+1", -1.5],
          ["@x", null],
        ],
      ),
    ).toBe("note,n\r\n'=1+1,-1.5\r\n'@x,\r\n");
  });
  it("reads back whatever it wrote", () => {
    const text = fc.string().filter((s) => !/^[=+\-@\t\r]/.test(s) && !s.includes("\u0000"));
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constant("x"), text), { minLength: 1, maxLength: 5 }), (rows) => {
        const read = readTable(writeTable(["a", "b"], rows));
        expect(read.ok && read.value.rows.map((r) => r.cells)).toEqual(rows);
      }),
    );
  });
});

describe("weather CSV", () => {
  const heading = "date,tmin,tmax,rain";
  it("reads metric and US units alike", () => {
    const metric = readWeatherCsv("date,tmin,tmax,rain,wind\n2026-10-06,4,14,25.4,4.4704\n");
    const us = readWeatherCsv("Date,TMIN_F,TMAX_F,rain_in,wind_mph\n2026-10-06,39.2,57.2,1,10\n");
    expect(metric.ok && us.ok && us.value).toEqual(metric.ok && metric.value);
  });
  it.each([
    ["", "the file is empty"],
    ["\u0000PK", "not a text file"],
    ["day,tmin,tmax\n2026-10-06,1,2", "row 1, column date: there is no column “date”"],
    ["date,tmax\n2026-10-06,2", "row 1, column tmin"],
    ["date,tmin,tmin_c,tmax\n2026-10-06,1,1,2", "says the same as “tmin”"],
    ["date,date,tmin,tmax\n2026-10-06,2026-10-06,1,2", "this heading stands twice"],
    [`${heading}\n06/10/2026,1,2,0`, "row 2, column date: “06/10/2026” is not a day"],
    [`${heading}\n2026-02-30,1,2,0`, "is not a day"],
    [`${heading}\n2026-10-06,1,2`, "row 2: 3 fields where the heading has 4"],
    [`${heading}\n2026-10-06,cold,2,0`, "row 2, column tmin: “cold” is not a number"],
    [`${heading}\n2026-10-06,1,2,0\n2026-10-07,9,2,0`, "row 3, column tmax: the maximum is below the minimum"],
    [`${heading}\n2026-10-06,1,2,-4`, "row 2, column rain: -4 cannot be: from 0 to 500 mm"],
    [`${heading}\n2026-10-06,1,99,0`, "between −50 and 60 °C"],
    [`${heading}\n2026-10-06,,9,0`, "the temperature is missing"],
    [`${heading}\n2026-10-06,1,9,0\n2026-10-06,2,9,0`, "row 3, column date: 2026-10-06 already stands in row 2"],
    [`${heading}\n`, "no days"],
    [`${heading}\n2026-10-06,"1,9,0`, "never closed"],
  ])("refuses %j and says where", (text, message) => {
    const read = readWeatherCsv(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.errors.map(sayError).join("\n")).toContain(message);
  });
  it("merges the same day given twice, notes unused columns, and comes back from writing", () => {
    const read = readWeatherCsv(`${heading},mood\n2026-10-07,1,9,0,fine\n2026-10-06,2,9,0,\n2026-10-06,2,9,0,\n`);
    if (!read.ok) throw new Error("refused");
    expect(read.value.map((d) => d.day)).toEqual(["2026-10-06", "2026-10-07"]);
    expect(read.notes).toEqual(["not used: mood"]);
    expect(readWeatherCsv(writeWeatherCsv(read.value))).toEqual({ ok: true, value: read.value, notes: [] });
  });
});

const archive: Archive = {
  format: "akmedon-garden",
  version: 1,
  garden: newGarden("Europe/London"),
  people: [{ id: "a", name: "Ana", role: "gardener" }],
  beds: [
    {
      id: "b1",
      name: "North",
      shape: "circle",
      xM: 0,
      yM: 0,
      widthM: 2,
      lengthM: 2,
      cover: "none",
      sunHours: 7,
      nightOffsetC: -1,
      note: "",
      site: "",
      walkOrder: 1,
    },
  ],
  plantings: [
    {
      id: "p1",
      bedId: "b1",
      cropId: "bulb-onion",
      kind: "storage yellow",
      ripeColour: "",
      disease: "",
      startedHow: "planted",
      startedOn: "2026-04-02",
      plants: 40,
      rowM: null,
      areaM2: null,
      packetMinDays: 100,
      packetMaxDays: 120,
      schoolId: "half-down",
      note: "",
      endedOn: null,
    },
  ],
  containers: [{ id: "c1", name: "crate", tareG: 1590, litres: 30, atHand: null }],
  windows: [{ id: "w1", weekday: 2, startsAt: "17:30", minutes: 60 }],
  trips: [],
  checks: [
    {
      id: "k1",
      plantingId: "p1",
      at: "2026-08-01T18:00",
      by: "Ana",
      note: "",
      readings: [{ cueId: "tops-down", value: 40 }],
      photos: [],
      marked: [],
    },
  ],
  rounds: [{ id: "r1", day: "2026-10-08", startsAt: "17:30", status: "planned", pinned: false, note: "" }],
  roundLines: [
    {
      id: "l1",
      roundId: "r1",
      plantingId: "p1",
      take: "ready",
      expectedG: 4000,
      lostG: 300,
      minutes: 12,
      why: "frost; on Friday, “really”",
    },
  ],
  picks: [
    {
      id: "x1",
      plantingId: "p1",
      roundId: "r1",
      at: "2026-08-08T10:00",
      by: "Ana",
      method: "lift",
      extent: "some",
      count: null,
      grossG: 2500,
      entered: "2.5 kg",
      tare: [{ name: "crate", tareG: 1590, count: 1 }],
      topsOn: true,
      grade: "sound",
      estimated: false,
      note: "=first",
      part: "crop",
      purpose: "harvest",
      condition: "cool",
      minutes: 12,
      left: "the small ones",
      way: "store",
      sorted: [{ grade: "eat-first", way: "kitchen", massG: 200, count: null, note: "pierced by the fork" }],
      againG: 840,
      againHow: "tops-off",
      rowDone: 0.5,
      photos: ["p-1.jpg"],
    },
  ],
  weather: [],
  plans: [],
  forecasts: [],
  ownCrops: [],
  practice: [],
  bedReadings: [],
  covers: [],
  datedWindows: [{ id: "dw", day: "2026-08-20", startsAt: null, minutes: 0 }],
  tastes: [{ id: "bulb-onion", liking: 1.5, weeklyG: 400, sparedG: 0 }],
  places: [
    {
      id: "pl",
      name: "rafters",
      kind: "airy",
      litres: 90,
      takenLitres: 10,
      tempMinC: 8,
      tempMaxC: 12.5,
      humidityMin: null,
      humidityMax: 70,
      light: "dim",
      air: "moving",
      roomIn: "trays",
      trayLitres: 7.5,
      addedAt: "2026-10-05T09:00",
    },
  ],
  treatments: [
    { id: "tr", plantingId: "p1", day: "2026-07-01", kind: "spray", product: "soap", waitDays: 3, note: "" },
  ],
  placeReadings: [{ id: "r1", placeId: "pl", at: "2026-09-01T08:00", tempC: 11.5, humidityPct: null }],
  lotEvents: [
    {
      id: "le",
      lotId: "x1",
      at: "2026-09-02T08:00",
      kind: "preserve",
      massG: 300,
      placeId: null,
      toLot: "le",
      who: "Ana",
      cause: "",
      ready: null,
      how: "dried",
      outG: 40.5,
      until: "2026-12-24",
      note: "in “rings”",
    },
  ],
  lessons: [
    {
      id: "late p1",
      at: "2026-10-01T20:00",
      words: "late; “far” too late",
      next: "sow in March",
      cropId: "bulb-onion",
      plantingId: "p1",
      bedId: null,
      remindOn: "2027-03-10",
      state: "kept",
    },
  ],
  bedLosses: [{ id: "bl", plantingId: "p1", day: "2026-08-02", cause: "animals", massG: 1200, note: "a “deer”" }],
  ownJobs: [
    {
      ...{ id: "oj", words: "Tie “in”, twice", plantingId: "p1", bedId: null, lotId: null, startOn: "2026-07-01" },
      ...{ everyDays: 14, times: 6, untilOn: null, onFrost: false, dryLeaves: true, minutes: 5, note: "" },
    },
  ],
  jobMarks: [{ id: "jm", jobId: "oj", of: "", day: "2026-07-02", at: "2026-07-02T18:00", what: "done" }],
  ticks: [{ id: "first-hour onion 2026-08-01", at: "2026-08-01T09:00" }],
  dishes: [{ id: "d", name: "Soup, “green”", cropIds: ["bulb-onion"], note: "page 3;\nsecond line" }],
  seedLots: [
    {
      id: "sl",
      cropId: "bulb-onion",
      kind: "red keeper",
      source: "own",
      year: 2025,
      left: 2.5,
      unit: "g",
      price: 2.4,
      packed: null,
      testedOn: "2026-02-01",
      tested: 20,
      sprouted: 17,
      note: "",
    },
  ],
  planned: [
    {
      id: "np",
      year: 2027,
      bedId: "b1",
      cropId: "bulb-onion",
      kind: "red keeper",
      startedHow: "planted",
      startOn: "2027-03-30",
      trayOn: null,
      plants: 80,
      rowM: null,
      areaM2: null,
      after: "p1",
      made: null,
      note: "",
    },
  ],
  weighings: [{ id: "wg", cropId: "onion", day: "2026-08-08", what: "litre", amount: 5, massG: 2900 }],
  views: [{ id: "v", name: "Onions of 2026", query: "crop=bulb-onion&year=2026" }],
  pickWishes: [{ id: "pw", plantingId: "p1", kind: "not-before", day: "2026-08-20" }],
};

describe("the garden as one JSON archive", () => {
  it("comes back the same", () => {
    expect(readArchive(writeArchive(archive))).toEqual({ ok: true, value: archive, notes: [] });
  });
  it.each([
    ["{", "not JSON"],
    ["{}", "format"],
    [writeArchive({ ...archive, beds: [] }), "plantings.0.bedId: there is no bed “b1”"],
    [
      writeArchive({ ...archive, plantings: [{ ...archive.plantings[0]!, cropId: "moonfruit" }] }),
      "the handbook has no crop “moonfruit”",
    ],
    [
      writeArchive({
        ...archive,
        checks: [{ ...archive.checks[0]!, readings: [{ cueId: "tops-down", value: 140 }] }],
      }),
      "checks.0.readings.0: a share from 0 to 100 percent",
    ],
    [writeArchive({ ...archive, beds: [archive.beds[0]!, archive.beds[0]!] }), "stands twice"],
  ])("refuses a broken one and says where (%#)", (text, message) => {
    const read = readArchive(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.errors.map(sayError).join("\n")).toContain(message);
  });
});

describe("iCalendar after RFC 5545 (C16.1)", () => {
  const made = (events: readonly GardenEvent[]) => writeGardenIcs("Test\ngarden", "Europe/London", events, STAMP);
  const STAMP = Date.UTC(2026, 9, 6, 12);
  const round: GardenEvent = {
    id: "round-r1",
    summary: "Picking round",
    description: "North: storage yellow; pick, all — é é é é é é é é é é é é é é é é é é é é é é é",
    at: { local: "2026-10-08T17:30", minutes: 45 },
    alarm: 60,
  };
  const trip: GardenEvent = {
    ...{ id: "trip-t", summary: "Away\nwith the tent", description: "", alarm: null },
    at: { from: "2026-10-24", to: "2026-10-26" },
  };
  const text = made([round, trip]);
  /** The events of a calendar, as another library reads them. */
  const readBack = (ics: string) =>
    new ICAL.Component(ICAL.parse(ics)).getAllSubcomponents("vevent").map((c) => ({ c, event: new ICAL.Event(c) }));
  it("folds at 75 octets with CRLF and never inside a character", () => {
    for (const line of text.split("\r\n")) expect(Buffer.byteLength(line, "utf8")).toBeLessThanOrEqual(75);
    expect(text.replaceAll("\r\n", "")).not.toContain("\n");
    expect(text).not.toContain("\uFFFD");
  });
  it("is read by another library to the same hour in the garden's zone", () => {
    const [{ event, c }] = readBack(text) as [ReturnType<typeof readBack>[number]];
    expect(event.startDate.toJSDate().toISOString()).toBe("2026-10-08T16:30:00.000Z");
    expect(event.duration.toSeconds()).toBe(45 * 60);
    expect(event.uid).toBe("round-r1@akmedon");
    expect(event.description).toContain("North: storage yellow; pick, all — é");
    expect(c.getFirstSubcomponent("valarm")!.getFirstPropertyValue("trigger")!.toString()).toBe("-PT1H");
  });
  it("whole days are dates, the last one whole, also over the night the clocks change and east of the date line", () => {
    for (const zone of ["Europe/London", "Pacific/Auckland", "America/Los_Angeles"]) {
      const [only] = readBack(writeGardenIcs("Test", zone, [trip], STAMP));
      expect(only!.event.startDate.isDate).toBe(true);
      expect([only!.event.startDate.toString(), only!.event.endDate.toString()]).toEqual(["2026-10-24", "2026-10-27"]);
    }
  });
  it("moved, an entry keeps its identity; a line break in a name does not get into the file", () => {
    const later = made([{ ...round, at: { local: "2026-10-09T08:00", minutes: 45 } }]);
    expect(readBack(later)[0]!.event.uid).toBe(readBack(text)[0]!.event.uid);
    expect(readBack(text)[1]!.event.summary).toBe("Away with the tent");
    expect(text).toContain("X-WR-CALNAME:Test garden");
  });
});

describe("past picks as a calendar", () => {
  const text = writePicksIcs(
    "Garden",
    [{ day: "2026-12-31", summary: "Picked 2 kg: kale; beet, red", lines: ["10:00 kale", "11:00 beet"] }],
    Date.UTC(2026, 11, 31),
  );
  it("is a whole day whose end is the next, and another library reads it so (RFC 5545, checks C16.1)", () => {
    const event = new ICAL.Event(new ICAL.Component(ICAL.parse(text)).getFirstSubcomponent("vevent")!);
    expect(event.startDate.isDate).toBe(true);
    expect([event.startDate.toString(), event.endDate.toString()]).toEqual(["2026-12-31", "2027-01-01"]);
    expect(event.summary).toBe("Picked 2 kg: kale; beet, red");
    expect(event.description).toBe("10:00 kale\n11:00 beet");
  });
});

describe("the log in pieces", () => {
  const net = { grossG: 2500, tareG: 1590, netG: 910, trimmedG: 840, estimated: false };
  const rows = Array.from({ length: 1203 }, (_, i) => ({
    pick: { ...archive.picks[0]!, id: `x${i}` },
    net,
    bed: "North",
    crop: "Bulb onion",
    kind: "storage, yellow",
  }));
  it("CSV in pieces is the CSV in one", () => {
    const pieces = [...picksCsvPieces(rows)];
    expect(pieces.length).toBeGreaterThan(3);
    expect(pieces.join("")).toBe(writePicksCsv(rows));
    expect([...picksCsvPieces([])].join("")).toBe(writePicksCsv([]));
  });
  it("JSON in pieces is one list of all picks, whatever their number", () => {
    for (const n of [0, 1, 500, 501, 1203]) {
      const read = JSON.parse([...picksJsonPieces(rows.slice(0, n))].join(""));
      expect(read).toHaveLength(n);
      if (n > 0)
        expect(read[n - 1]).toMatchObject({ id: `x${n - 1}`, netG: 910, withoutTopsG: 840, figure: "weighed" });
    }
  });
});

it("writes the pick log as CSV with weighed and estimated told apart", () => {
  const net = { grossG: 2500, tareG: 1590, netG: 910, trimmedG: 682.5, estimated: true };
  const text = writePicksCsv([
    { pick: archive.picks[0]!, net, bed: "North", crop: "Bulb onion", kind: "storage yellow" },
  ]);
  const read = readTable(text);
  expect(read.ok && read.value.rows[0]?.cells.slice(0, 5)).toEqual([
    "2026-08-08",
    "10:00",
    "North",
    "Bulb onion",
    "storage yellow",
  ]);
  expect(text).toContain(",estimated,2.5 kg,'=first,x1");
});
