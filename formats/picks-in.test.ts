import { describe, expect, it } from "vitest";
import { cropOf } from "#core/handbook/index";
import { gramsFromPounds } from "#core/units/convert";
import { bulkOf } from "#core/weighing/bulk";
import { netOf } from "#core/weighing/net";
import type { PickRecord } from "#core/weighing/pick";
import { demoGarden } from "#standins/demo-garden";
import { sayError } from "./located";
import { writePicksCsv } from "./picks-csv";
import { type PicksInto, pickColumns, readingPicksCsv, readPicksCsv } from "./picks-in";

const demo = demoGarden();
const bedName = new Map(demo.beds.map((b) => [b.id, b.name]));
const plantings = demo.plantings.map((p) => ({
  ...p,
  bed: bedName.get(p.bedId)!,
  crop: cropOf(p.cropId).name,
  bulk: bulkOf(cropOf(p.cropId)),
}));
const into = (known: PickRecord[] = []): PicksInto => {
  let n = 0;
  return { plantings, known: () => known, units: "metric", today: "2027-12-31", newId: () => `new-${++n}` };
};
const errorsOf = (text: string): string => {
  const read = readPicksCsv(text, into());
  return read.ok ? "no error" : read.errors.map(sayError).join("\n");
};
const read = (text: string, known: PickRecord[] = []) => {
  const result = readPicksCsv(text, into(known));
  if (!result.ok) throw new Error(result.errors.map(sayError).join("\n"));
  return result.value;
};
const exported = writePicksCsv(
  demo.picks.map((pick) => {
    const p = plantings.find((x) => x.id === pick.plantingId)!;
    const crop = cropOf(p.cropId);
    return { pick, net: netOf(pick, crop.topsShare, crop.yield.pieceG), bed: p.bed, crop: p.crop, kind: p.kind };
  }),
);

describe("picks from a table somebody kept", () => {
  it("finds what was picked in whichever column comes first, by its kind or its crop", () => {
    expect(read("kind,date,weight\nred slicer,2026-08-20,1 kg\n").picks).toMatchObject([{ grossG: 1000 }]);
    expect(read("crop,date,weight,bed\nSlicing tomato,2026-08-20,1 kg,South wall\n").picks).toHaveLength(1);
    expect(errorsOf("date,weight\n2026-08-20,1 kg\n")).toContain("head it “kind” or “crop”");
  });
  it("names the plantings that a row could mean", () =>
    expect(errorsOf("crop,date,weight,bed\nKale,2026-10-01,1 kg,Upper second\n")).toMatch(
      /“Kale, Upper second” could be Kale ‘.+’ in Upper second or Kale ‘.+’ in Upper second: name the bed or the kind/,
    ));
  it("knows a pick again by its own id, though its weight was changed since", () => {
    const id = demo.picks.find((p) => p.grossG !== null)!.id;
    const changed = demo.picks.map((p) => (p.id === id ? { ...p, grossG: (p.grossG ?? 0) + 999 } : p));
    expect(read(exported, changed)).toMatchObject({ picks: [], already: demo.picks.length });
  });
  it("its own export comes back whole, to the gram and to the planting", () => {
    const { picks, already } = read(exported);
    expect(already).toBe(0);
    expect(picks).toHaveLength(demo.picks.length);
    const byId = new Map(picks.map((p) => [p.id, p]));
    for (const before of demo.picks) {
      const after = byId.get(before.id)!;
      const crop = cropOf(plantings.find((p) => p.id === before.plantingId)!.cropId);
      const net = (p: PickRecord) => netOf(p, crop.topsShare, crop.yield.pieceG).netG;
      expect(after.plantingId).toBe(before.plantingId);
      expect(after.at).toBe(before.at);
      expect(net(after)).toBeCloseTo(net(before), 1);
      expect([after.grade, after.extent, after.by, after.count]).toEqual([
        before.grade,
        before.extent,
        before.by,
        before.count,
      ]);
    }
  });
  it("what was told beside the weight comes back too: parts, clock, purpose, second weighing", () => {
    const told: PickRecord = {
      ...demo.picks.find((p) => p.sorted.length > 0)!,
      id: "told",
      roundId: "r",
      purpose: "strip",
      condition: "wet",
      minutes: 7.5,
      left: "the crown, five leaves",
      way: "give",
      sorted: [
        { grade: "eat-first", way: "kitchen", massG: 120.5, count: 2, note: "pierced (fork); twice" },
        { grade: "compost", way: "", massG: null, count: 3, note: "" },
      ],
      count: 40,
      againG: 500,
      againHow: "dried",
    };
    const p = plantings.find((x) => x.id === told.plantingId)!;
    const net = netOf(told, 0, 100);
    const [after] = read(writePicksCsv([{ pick: told, net, bed: p.bed, crop: p.crop, kind: p.kind }])).picks;
    const { tare: _, entered: __, grossG: ___, ...rest } = told;
    expect(after).toMatchObject({
      ...rest,
      sorted: [{ ...told.sorted[0], note: "pierced ,fork,, twice" }, told.sorted[1]],
    });
  });
  it("columns may be said by hand where no heading is known", () => {
    const text = "wann,was,wo,menge\n2026-10-01,red slicer,South wall,1.2 kg\n";
    const seen = pickColumns(text);
    expect(seen).toMatchObject({ ok: true, value: { headings: ["wann", "was", "wo", "menge"], uses: {}, rows: 1 } });
    expect(errorsOf(text)).toContain("no column for the day");
    const result = readPicksCsv(text, into(), { day: 0, kind: 1, bed: 2, net: 3 });
    expect(result).toMatchObject({ ok: true, value: { picks: [{ grossG: 1200, at: "2026-10-01T12:00" }] } });
  });
  it("says how far it has got, rising, and ends with what reading in one go gives", () => {
    const rows = Array.from({ length: 1700 }, (_, i) => `2026-10-01,red slicer,South wall,${1000 + i} g`).join("\n");
    const steps = readingPicksCsv(`date,kind,bed,weight\n${rows}\n`, into());
    const shares: number[] = [];
    for (;;) {
      const step = steps.next();
      if (step.done) {
        expect(step.value).toMatchObject({ ok: true, value: { already: 0 } });
        break;
      }
      shares.push(step.value);
    }
    expect(shares).toHaveLength(3);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.every((s) => s > 0 && s < 1)).toBe(true);
  });
  it.each([
    ["sorted", "eat-first somewhere", "write the parts as"],
    ["sorted", "sound store 9000 kg", "write the parts as"],
    ["sorted", "sound store 90000 g", "weigh more than the whole"],
    ["condition", "icy", "is none of"],
    ["minutes", "-3", "more than nothing"],
    ["again_g", "9999", "more than it weighed"],
  ])("refuses a %s of “%s”", (heading, cell, reason) => {
    expect(errorsOf(`date,kind,bed,weight,${heading}\n2026-10-01,red slicer,South wall,1 kg,${cell}\n`)).toContain(
      reason,
    );
  });
  it("a file read again adds nothing, with ids or without", () => {
    expect(read(exported, demo.picks)).toMatchObject({ picks: [], already: demo.picks.length });
    const plain =
      "date,kind,bed,weight\n2026-10-01,red slicer,South wall,1.2 kg\n2026-10-02,red slicer,South wall,800 g\n";
    const first = read(plain);
    expect(first.picks).toHaveLength(2);
    expect(read(plain, first.picks)).toMatchObject({ picks: [], already: 2 });
    expect(read(`${plain}2026-10-02,red slicer,South wall,800 g\n`)).toMatchObject({ already: 1 });
  });
  it("takes units from the cell or the heading, volumes as estimates, semicolons and a byte-order mark", () => {
    const { picks, estimated } = read(
      "\uFEFFDate;Kind;Bed;Weight;Pieces\n2026-10-01;red slicer;South wall;2 lb 3 oz;\n2026-10-02;red slicer;South wall;half a bushel;\n2026-10-03;red slicer;South wall;;12\n",
    );
    expect(picks[0]!.grossG).toBeCloseTo(gramsFromPounds(2, 3), 1);
    expect(picks[1]).toMatchObject({ estimated: true });
    expect(picks[2]).toMatchObject({ grossG: null, count: 12 });
    expect(estimated).toBe(1);
    expect(read("day,crop,bed,lb\n2026-10-01,Slicing tomato,South wall,2\n").picks[0]!.grossG).toBeCloseTo(
      gramsFromPounds(2),
      1,
    );
  });
  it("knows a planting by its kind, by its crop, and by both as they are shown or written", () => {
    const crop = cropOf(plantings.find((p) => p.kind === "red slicer" && p.endedOn === null)!.cropId).name;
    const ids = ["red slicer", `${crop} ‘red slicer’`, `${crop} red slicer`, `${crop.toUpperCase()} Red Slicer`].map(
      (name) => read(`date,kind,bed,weight\n2026-10-01,${name},South wall,1 kg\n`).picks[0]!.plantingId,
    );
    expect(new Set(ids)).toEqual(new Set(["tom-wall"]));
  });
  it("gross less tare, kept as it was weighed", () => {
    const [pick] = read("date,kind,bed,gross,tare\n2026-10-01,red slicer,South wall,6.4 kg,1.6 kg\n").picks;
    expect(pick).toMatchObject({ grossG: 6400, tare: [{ tareG: 1600, count: 1 }] });
  });
  const row = (cells: string) => `date,time,kind,bed,weight,count,grade\n${cells}\n`;
  it.each([
    ["", "the file is empty"],
    ["\u0000\u0001", "not a text file"],
    ["kind,weight\nred slicer,1 kg\n", "no column for the day"],
    ["date,weight\n2026-10-01,1 kg\n", "no column for what was picked"],
    ["date,kind\n2026-10-01,red slicer\n", "no column for how much"],
    ["date,kind,kind,weight\n2026-10-01,a,b,1 kg\n", "row 1, column kind: this heading stands twice"],
    ['date,kind,weight\n2026-10-01,"red slicer,1 kg\n', "a quotation mark is opened"],
    ["date,kind,weight\n2026-10-01,red, slicer,1 kg\n", "row 2: 4 fields where the heading has 3"],
    [row("01/10/2026,,red slicer,South wall,1 kg,,"), "row 2, column date: “01/10/2026” is not a day"],
    [row("2026-02-30,,red slicer,South wall,1 kg,,"), "is not a day"],
    [row("2026-10-01,25:10,red slicer,South wall,1 kg,,"), "row 2, column time"],
    [row("2026-10-01,,green mile,South wall,1 kg,,"), "nothing called “green mile, South wall” grew"],
    [row("2026-10-01,,red slicer,Cellar,1 kg,,"), "nothing called “red slicer, Cellar”"],
    [row("2022-10-01,,red slicer,South wall,1 kg,,"), "grew on 2022-10-01"],
    [row("2026-10-01,,Kale,Upper second,1 kg,,"), "could be"],
    [row("2026-10-01,,red slicer,South wall,heavy,,"), "row 2, column weight: “heavy” is not a weight"],
    [row("2026-10-01,,red slicer,South wall,-2 kg,,"), "below zero"],
    [row("2026-10-01,,red slicer,South wall,,2.5,"), "row 2, column count"],
    [row("2026-10-01,,red slicer,South wall,,,"), "give a weight or a count"],
    [row("2026-10-01,,red slicer,South wall,1 kg,,lovely"), "row 2, column grade: “lovely” is none of"],
    ["date,kind,bed,gross,tare\n2026-10-01,red slicer,South wall,1 kg,3 kg\n", "the empty containers weigh more"],
    ["date,kind,bed,gross,tare\n2026-10-01,red slicer,South wall,1 kg,box\n", "row 2, column tare"],
  ])("refuses %j with its place and reason", (text, reason) => {
    expect(errorsOf(text)).toContain(reason);
  });
  it("one wrong row among many and nothing is taken; every wrong row is named", () => {
    const text = row(
      "2026-10-01,,red slicer,South wall,1 kg,,\n2026-10-01,,x,y,1 kg,,\n2026-10-01,,red slicer,South wall,??,,",
    );
    expect(errorsOf(text)).toMatch(/row 3.*\n.*row 4/);
  });
});

describe("a day still to come", () => {
  it("is refused in a table, by its line", () => {
    const read = readPicksCsv("date,kind,weight\n2026-10-07,red slicer,1 kg\n", { ...into(), today: "2026-10-06" });
    expect(read.ok).toBe(false);
    if (!read.ok)
      expect(read.errors[0]).toMatchObject({ row: 2, column: "date", message: "2026-10-07 is still to come" });
  });
});
