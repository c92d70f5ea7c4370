import ICAL from "ical.js";
import { describe, expect, it } from "vitest";
import { cropOf } from "#core/handbook/index";
import { netOf } from "#core/weighing/net";
import { blankPick, type SortedPart } from "#core/weighing/pick";
import { readTable, writeTable } from "./csv";
import { writeGardenIcs } from "./garden-ics";
import { type LocatedError, sayError } from "./located";
import { picksCsvPieces, picksJsonPieces, readParts, sayParts, writePicksCsv } from "./picks-csv";
import { readReadingsCsv } from "./readings-csv";
import { readScaleLog } from "./scale-log";
import { readStandInFile, STAND_IN_FILE } from "./stand-in-file";
import { sayEntry } from "./trail";
import { readWeatherCsv } from "./weather-csv";

/** Worked by hand: what a file may hold at the edge of what is understood, and where a fault is said to stand. */
const places = (read: { ok: boolean; errors?: LocatedError[] }) =>
  (read.errors ?? []).map((e) => [e.row, e.column] as const);

describe("a place in a file, in words", () => {
  it.each<[Partial<LocatedError>, string]>([
    [{ row: 14, column: "tmin" }, "row 14, column tmin: wrong"],
    [{ row: 14 }, "row 14: wrong"],
    [{ column: "tmin" }, "column tmin: wrong"],
    [{}, "wrong"],
  ])("%o", (where, words) => expect(sayError({ row: null, column: null, message: "wrong", ...where })).toBe(words));
});

describe("a table", () => {
  it("is parted by what stands most often in its heading", () => {
    expect(readTable("a;b,c;d\n1;2,5;3\n")).toMatchObject({ value: { headings: ["a", "b,c", "d"] } });
    expect(readTable("a\tb\n1\t2\n")).toMatchObject({ value: { rows: [{ line: 2, cells: ["1", "2"] }] } });
  });
  it("names a heading that stands twice, and every row of another length, by its line", () => {
    expect(places(readTable("a,A,b\n"))).toEqual([[1, "A"]]);
    expect(places(readTable("a,b\n1,2\n\n1,2,3\n1\n"))).toEqual([
      [4, null],
      [5, null],
    ]);
    expect(readTable(",,a\n1,2,3\n").ok).toBe(true);
    expect(readTable(" a , b\n1,2\n")).toMatchObject({ value: { headings: ["a", "b"] } });
    // nothing but separators: no heading and no rows, and no fault of the program
    expect(readTable(",\n,\n")).toMatchObject({ ok: true, value: { headings: [], rows: [] } });
    expect(places(readTable('a,b\n1,2\n3,"4\n'))).toEqual([[3, null]]);
    expect(places(readTable('"a,b\n1,2\n'))).toEqual([[1, null]]);
  });
  it("stops at fifty faults, at a file that is none, and at one too long", () => {
    expect(places(readTable(`a,b\n${"1\n".repeat(80)}`))).toHaveLength(50);
    expect(places(readTable("a\u0000b"))).toEqual([[null, null]]);
    expect(places(readTable(" \n\n"))).toEqual([[null, null]]);
    expect(readTable("a\n1\n2\n", 2).ok).toBe(true);
    expect(places(readTable("a\n1\n2\n3\n", 2))).toEqual([[null, null]]);
  });
  it("is written with marks of quotation only where they are wanted, and nothing a spreadsheet would run", () => {
    expect(
      writeTable(
        ["a", "b"],
        [
          ["x;y", 'z"'],
          [null, true],
          ["-5", -5],
          ["@", "+1"],
          ["\tx", "=1"],
        ],
      ),
    ).toBe('a,b\r\n"x;y","z"""\r\n,true\r\n\'-5,-5\r\n\'@,\'+1\r\n\'\tx,\'=1\r\n');
  });
});

describe("a scale's own log", () => {
  const log = [
    "time,weight",
    "2026-10-06 15:20:07,1234",
    '"2026-10-06T15:21:09.5";"1.5 kg"',
    "2026-10-06 15:22\t0",
    "2026-10-06 25:22,400",
    "2026-10-06 15:2",
  ].join("\r\n");
  it("gives the last weights first; half a line, nothing and no moment are passed over", () =>
    expect(readScaleLog(log, 5, "metric")).toEqual([
      { at: "2026-10-06T15:21", massG: 1500 },
      { at: "2026-10-06T15:20", massG: 1234 },
    ]));
  it("gives no more than were asked for", () => expect(readScaleLog(log, 1, "metric")).toHaveLength(1));
});

describe("readings of a thermometer", () => {
  const read = (text: string) => readReadingsCsv(text, "cellar", () => "id");
  it("at the edges of what a store can be", () => {
    expect(read("time,temp,rh\n2026-10-06 08:00,-40,0\n2026-10-06 23:59:59,60,100%\n")).toMatchObject({
      value: [
        { at: "2026-10-06T08:00", tempC: -40, humidityPct: 0 },
        { at: "2026-10-06T23:59", tempC: 60, humidityPct: 100 },
      ],
    });
    expect(places(read("time,temp,rh\n2026-10-06 08:00,-40.1,\n2026-10-06 09:00,60.1,\n"))).toEqual([
      [2, "temp"],
      [3, "temp"],
    ]);
  });
  it("every fault by its row and heading", () =>
    expect(
      places(
        read(
          "Time;Temp;Humidity\n2026-02-31 08:00;5;\n2026-10-06 24:00;5;\n2026-10-06 08:00;;\n2026-10-06 09:00;x;\n2026-10-06 10:00;5;101\n2026-10-06 11:00;5;80\n2026-10-06 11:00;5;80\n",
        ),
      ),
    ).toEqual([
      [2, "Time"],
      [3, "Time"],
      [4, "Temp"],
      [5, "Temp"],
      [6, "Humidity"],
      [8, "Time"],
    ]));
  it("a column missing is said at the heading", () =>
    expect(places(read("when,rh\nx,1\n"))).toEqual([
      [1, null],
      [1, null],
    ]));
});

describe("a station's days", () => {
  const head = "date,tmin,tmax";
  it.each([
    ["tmin_f,tmax_f", "32,212", { tempMinC: 0 }, false],
    ["tmin_f,tmax_f,rain_in", "32,50,1", { tempMinC: 0, tempMaxC: 10, rainMm: 25.4 }, true],
    ["tmin,tmax,wind_kmh,gust_kmh", "1,2,36,72", { windMs: 10, gustMs: 20 }, true],
    // 1 knot is 1852 m an hour, 1 mph 0.44704 m/s (exact by definition)
    ["tmin,tmax,wind_kt,gust_mph", "1,2,10,10", { windMs: 5.14, gustMs: 4.47 }, true],
  ])("%s in metres, millimetres and °C", (columns, cells, values, ok) => {
    const read = readWeatherCsv(`date,${columns}\n2026-10-06,${cells}\n`);
    expect(read.ok).toBe(ok);
    if (read.ok) expect(read.value[0]).toMatchObject(values);
  });
  it("rain left empty is none, wind left empty is not known, and a comma may part the decimals", () =>
    expect(readWeatherCsv('date;tmin;tmax;rain;wind\n2026-10-06;"-1,5";7;;\n')).toMatchObject({
      value: [{ tempMinC: -1.5, rainMm: 0, windMs: null }],
    }));
  it("every fault by its row and column", () => {
    expect(places(readWeatherCsv(`${head}\n6.10.26,1,2\n2026-10-06,,2\n2026-10-07,a,2\n2026-10-08,9,2\n`))).toEqual([
      [2, "date"],
      [3, "tmin"],
      [4, "tmin"],
      [5, expect.any(String)],
    ]);
    expect(places(readWeatherCsv("day,tmin\n"))).toEqual([
      [1, "date"],
      [1, "tmax"],
    ]);
    expect(places(readWeatherCsv("date,tmin,tmin_f,tmax\n2026-10-06,1,34,5\n"))).toEqual([[1, "tmin_f"]]);
    expect(places(readWeatherCsv(`${head}\n`))).toEqual([[null, null]]);
  });
  it("a day that stands twice counts once, and is a fault where it says something else", () => {
    expect(readWeatherCsv(`${head}\n2026-10-07,3,4\n2026-10-06,1,2\n2026-10-06,1,2\n`)).toMatchObject({
      value: [{ day: "2026-10-06" }, { day: "2026-10-07" }],
    });
    expect(places(readWeatherCsv(`${head}\n2026-10-06,1,2\n2026-10-06,1,3\n`))).toEqual([[3, "date"]]);
  });
});

describe("the parts of a sorted pick in one cell", () => {
  const parts: SortedPart[] = [
    { grade: "eat-first", way: "kitchen", massG: 200, count: null, note: "forked; (twice)" },
    { grade: "compost", way: "", massG: null, count: 3, note: "" },
  ];
  it("come back, but for the marks that part them", () => {
    expect(sayParts(parts)).toBe("eat-first kitchen 200 g (forked, ,twice,); compost - 3 pieces");
    expect(readParts(sayParts(parts))).toEqual([{ ...parts[0]!, note: "forked, ,twice," }, parts[1]!]);
    expect(readParts(" ")).toEqual([]);
  });
  it.each(["lots", "sound kitchen much", "purple kitchen 200 g", "sound kitchen 200 g; x"])("“%s” is none", (text) =>
    expect(readParts(text)).toBeNull(),
  );
});

describe("the log piece by piece", () => {
  const tomato = cropOf("tomato");
  const rows = (n: number) =>
    Array.from({ length: n }, (_, i) => {
      const pick = blankPick({
        id: `p${i}`,
        plantingId: "t",
        at: "2026-10-06T08:00",
        grossG: 100 + i,
        entered: `${i}`,
      });
      return { pick, net: netOf(pick, tomato.topsShare, tomato.yield.pieceG), bed: "Bed", crop: "Tomato", kind: "red" };
    });
  it.each([0, 1, 500, 501, 1000])("of %i picks is the log in one, each once", (n) => {
    const all = rows(n);
    expect([...picksCsvPieces(all)].join("")).toBe(writePicksCsv(all));
    const json = JSON.parse([...picksJsonPieces(all)].join("")) as { id: string; netG: number; figure: string }[];
    expect(json.map((p) => p.id)).toEqual(all.map((r) => r.pick.id));
    if (n > 0) expect(json.at(-1)).toMatchObject({ netG: 100 + n - 1, figure: "weighed" });
  });
});

describe("a stand-in's file", () => {
  const entry = { id: "line-0001", plantingId: "t", roundId: "", at: "2026-10-11T09:00", amount: " 3 kg ", note: "" };
  const file = (over: object = {}, of: object = entry) =>
    JSON.stringify({ format: STAND_IN_FILE, tripId: "trip", entries: [of], ...over });
  it("is read", () =>
    expect(readStandInFile(file())).toMatchObject({ value: { tripId: "trip", entries: [{ amount: "3 kg" }] } }));
  it.each([
    ["no JSON", "{"],
    ["another format", file({ format: "something else" })],
    ["no trip", file({ tripId: "" })],
    ["no list", file({ entries: "many" })],
  ])("%s is not the file, once", (_, text) => expect(places(readStandInFile(text) as never)).toEqual([[null, null]]));
  it.each([
    [{ id: "short" }, "id"],
    [{ at: "2026-02-31T09:00" }, "at"],
    [{ amount: " " }, "amount"],
    [{ note: "x".repeat(501) }, "note"],
  ])("%o is said by its entry and field", (over, field) =>
    expect(places(readStandInFile(file({ entries: [entry, { ...entry, ...over }] })) as never)).toEqual([[2, field]]),
  );
});

describe("a change told field by field", () => {
  const said = (before: object | null, after: object | null) =>
    sayEntry({ table: "beds", key: "b1", before: before as never, after: after as never });
  it("added, removed, or what it was and what it is", () => {
    expect(said(null, { name: "Wall" })).toMatchObject({ what: expect.stringMatching(/Wall: added$/), fields: [] });
    expect(said({ name: "Wall" }, null).what).toMatch(/Wall: removed$/);
    expect(said(null, null).what).toMatch(/b1$/);
    expect(
      said({ name: "Wall", widthM: 1, note: "", netG: 5 }, { name: "Wall", widthM: 2, note: "new", netG: 5 }).fields,
    ).toEqual(["width m: 1 → 2", "note: nothing → new"]);
    expect(said({ netG: 5, on: false }, { netG: null, on: true }).fields).toEqual([
      "net, g: 5 → nothing",
      "on: no → yes",
    ]);
  });
  it("long texts are cut at sixty letters", () => {
    const cut = (n: number) => said({ note: "" }, { note: "x".repeat(n) }).fields[0]!.split("→ ")[1]!;
    expect(cut(60)).toBe("x".repeat(60));
    expect(cut(61)).toBe(`${"x".repeat(59)}…`);
  });
});

describe("the garden's calendar, read by another library", () => {
  const read = (at: Parameters<typeof writeGardenIcs>[2][number]["at"], alarm: number | null) => {
    const text = writeGardenIcs(
      "Garden\nof\tall",
      "Europe/London",
      [{ id: "e", summary: " a \n b ", description: "", at, alarm }],
      0,
    );
    const calendar = new ICAL.Component(ICAL.parse(text) as never);
    const event = new ICAL.Event(calendar.getFirstSubcomponent("vevent")!);
    return {
      event,
      alarms: event.component.getAllSubcomponents("valarm"),
      name: calendar.getFirstPropertyValue("x-wr-calname"),
    };
  };
  it("an hour lasts as long as it says, five minutes at least", () => {
    const long = (minutes: number) =>
      read({ local: "2026-10-06T17:15", minutes }, null).event.duration.toSeconds() / 60;
    expect([0, 4.4, 5, 39.6].map(long)).toEqual([5, 5, 5, 40]);
    // British summer time ends on 25 October 2026
    expect(read({ local: "2026-10-06T17:15", minutes: 9 }, null).event.startDate.toString()).toBe(
      "2026-10-06T16:15:00Z",
    );
    expect(read({ local: "2026-10-26T17:15", minutes: 9 }, null).event.startDate.toString()).toBe(
      "2026-10-26T17:15:00Z",
    );
  });
  it("days are whole, to the end of the last", () => {
    const { event } = read({ from: "2026-10-10", to: "2026-10-14" }, null);
    expect([event.startDate.isDate, event.startDate.toString(), event.endDate.toString()]).toEqual([
      true,
      "2026-10-10",
      "2026-10-15",
    ]);
  });
  it("calls when it is told to, and its words stay on one line", () => {
    const { event, alarms, name } = read({ local: "2026-10-06T17:15", minutes: 30 }, 45);
    expect(String(alarms[0]!.getFirstPropertyValue("trigger"))).toBe("-PT45M");
    expect(read({ local: "2026-10-06T17:15", minutes: 30 }, null).alarms).toEqual([]);
    expect([event.summary, name]).toEqual(["a b", "Garden of all"]);
  });
});
