import { describe, expect, it } from "vitest";
import { bed } from "#core/fixtures/garden";
import { bedSchema } from "#core/garden/bed";
import { cropOf } from "#core/handbook/index";
import { bulkOf } from "#core/weighing/bulk";
import type { LoggedPick } from "#core/weighing/pick-log";
import { demoGarden } from "#standins/demo-garden";
import { pickForm } from "./picks/pick.form";
import { arithmetic } from "./picks/pick-arithmetic";
import { columnsOf, findPicks, loggedPicks } from "./picks/picks.server";
import { holds } from "./picks/planting-choice";
import { fullness, lanePath, laneStops } from "./rounds/lane-shape";
import { faultsOf, numberOf, readForm, typedOf } from "./server/forms.server";
import { modeOf } from "./server/mode.server";
import { safePath, withoutDone } from "./server/safe-path";
import { nextLook } from "./ui/theme/looks";
import { colors } from "./ui/theme/tokens";

describe("ways back after an action", () => {
  it.each([
    ["/plot?x=1", "/plot?x=1"],
    ["//elsewhere.example", "/"],
    ["/\\elsewhere.example", "/"],
    ["https://elsewhere.example", "/"],
    ["javascript:alert(1)", "/"],
    ["", "/"],
    [null, "/"],
  ])("%s leads to %s", (asked, path) => expect(safePath(asked)).toBe(path));
  it("drops the mark of the change before", () => {
    expect(withoutDone("/picks?crop=kale&done=abc&said=x")).toBe("/picks?crop=kale");
  });
});

describe("forms", () => {
  it("reads numbers as people write them", () => {
    expect(numberOf("2,5")).toBe(2.5);
    expect(numberOf("  ")).toBeNull();
    expect(numberOf("two")).toBeNaN();
  });
  it("says what is wrong beside the field, in plain words, and keeps what was typed", () => {
    const typed = { widthM: "-3", sunHours: "40" };
    const checked = bedSchema.safeParse({ ...bed(), name: " ", widthM: -3, sunHours: 40, xM: Number.NaN });
    if (checked.success) throw new Error("accepted");
    const faults = faultsOf(checked.error, typed);
    expect(faults.errors).toMatchObject({
      name: "give the bed a name",
      sunHours: expect.stringContaining("0 to 16 hours"),
      xM: "write a number",
    });
    expect(faults.errors.widthM).toContain("at least 0.1");
    expect(faults.typed).toBe(typed);
  });
  it("takes only text from a form", () => {
    const form = new FormData();
    form.set("a", "1");
    form.set("file", new File(["x"], "x.csv"));
    expect(typedOf(form)).toEqual({ a: "1" });
  });
  it("knows the look of this device from its cookie alone", () => {
    const asked = (cookie: string) => modeOf(new Request("http://garden", { headers: { Cookie: cookie } }));
    expect(asked("a=b; ak-mode=sunlight")).toBe("sunlight");
    expect(asked("ak-mode=night; a=b")).toBe("night");
    expect(asked("xak-mode=sunlight")).toBe("device");
    expect(asked("ak-mode=sunlit")).toBe("device");
  });
  it("comes to every look by one button, whatever the device is set to", () => {
    expect([nextLook("device"), nextLook("sunlight"), nextLook("night"), nextLook("paper")]).toEqual([
      "sunlight",
      "night",
      "paper",
      "sunlight",
    ]);
  });
  it("keeps its words readable on every ground in every look (WCAG 2.2, 1.4.3: 4.5 to 1)", () => {
    for (const look of ["base", "_sunlight", "_night"] as const) {
      const of = (name: keyof typeof colors) => colors[name].value[look];
      for (const ground of ["paper", "sheet", "tint"] as const)
        for (const words of ["ink", "inkSoft", "moss", "madder", "frostInk"] as const)
          expect(contrast(of(words), of(ground)), `${look}: ${words} on ${ground}`).toBeGreaterThan(4.5);
      for (const [words, ground] of [
        ["ink", "mossTint"],
        ["ink", "madderTint"],
        ["ink", "ochreTint"],
        ["ochreInk", "ochreTint"],
        ["ink", "frostTint"],
        ["frostInk", "frostTint"],
        ["madder", "madderTint"],
        ["sheet", "moss"],
        ["sheet", "madder"],
      ] as const)
        expect(contrast(of(words), of(ground)), `${look}: ${words} on ${ground}`).toBeGreaterThan(4.5);
    }
  });
});

/** Contrast of two colours, 1 to 21 (WCAG 2.2, relative luminance). */
const contrast = (one: string, other: string) => {
  const luminance = (hex: string) => {
    const [r, g, b] = [1, 3, 5].map((i) => {
      const c = Number.parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
  };
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a);
  return (light! + 0.05) / (dark! + 0.05);
};

describe("the lane's shape", () => {
  const day = (ready: number, nearly: number, past: number) => ({ ready, nearly, past });
  it("is a thread when unripe, full when ready, thin again when past", () => {
    expect(fullness(day(0, 0, 0))).toBeLessThan(0.1);
    expect(fullness(day(1, 0, 0))).toBeGreaterThan(0.9);
    expect(fullness(day(0, 0, 1))).toBeLessThan(0.3);
    expect(fullness(day(0, 1, 0))).toBeLessThan(fullness(day(0.6, 0.4, 0)));
  });
  it("is a closed outline, mirrored around its middle", () => {
    const path = lanePath([day(0.2, 0.5, 0), day(0.9, 0.1, 0), day(0.3, 0, 0.7)], (k) => k * 10, 50, 12, 2);
    expect(path.startsWith("M-3,50")).toBe(true);
    expect(path.endsWith("Z")).toBe(true);
    const ys = [...path.matchAll(/-?[\d.]+,(-?[\d.]+)/g)].map((m) => Number(m[1]));
    expect(Math.min(...ys) + Math.max(...ys)).toBeCloseTo(100, 1);
    expect(Math.max(...ys) - 50).toBeCloseTo(12 * fullness(day(0.9, 0.1, 0)), 1);
  });
  it("colours by what the crop most likely is", () => {
    expect(
      laneStops([day(0, 0.1, 0), day(0.2, 0.7, 0), day(0.9, 0, 0.1), day(0.2, 0, 0.8)], 3).map((s) => s.tone),
    ).toEqual(["unripe", "nearly", "ochre", "past"]);
  });
});

describe("the arithmetic under the scale", () => {
  const base = {
    gross: "6.4 kg",
    count: "",
    topsOn: false,
    boxes: { crate: 2 } as Record<string, number>,
    other: "",
    containers: [{ id: "crate", name: "crate", tareG: 1590 }],
    crop: { topsShare: 0.25, pieceG: 150, bulk: bulkOf(cropOf("tomato")) },
    planting: { usualG: 3000, plants: 60 },
    units: "metric" as const,
  };
  it("shows gross less tare as it will be saved", () => {
    expect(arithmetic(base)).toEqual({
      line: "6.4 kg gross − 2 × 1.59 kg crate = 3.22 kg net",
      wrong: false,
      doubts: [],
      netG: 3220,
    });
    expect(arithmetic({ ...base, topsOn: true }).line).toContain("without tops");
  });
  it("adds other empties, asks for a weight, and says what is wrong before saving", () => {
    expect(arithmetic({ ...base, other: "300 g" }).line).toContain("= 2.92 kg net");
    expect(arithmetic({ ...base, gross: "" }).line).toBe("Give a weight or a count.");
    expect(arithmetic({ ...base, gross: "much" })).toMatchObject({ wrong: true });
    expect(arithmetic({ ...base, gross: "1 kg" })).toMatchObject({
      wrong: true,
      line: expect.stringContaining("2.18 kg more than the load"),
    });
    expect(arithmetic({ ...base, gross: "60 kg" }).doubts[0]).toContain("ten times");
  });
});

describe("the log of picks", () => {
  const demo = demoGarden();
  const all = loggedPicks({ ...demo, forecast: null });
  const ask = (query: string) => findPicks(all, new URLSearchParams(query));
  it("shows all of them, latest first, when nothing is asked", () => {
    const { found, sort, down } = ask("");
    expect([found.length, sort, down]).toEqual([demo.picks.length, "at", true]);
    expect(found[0]!.at >= found.at(-1)!.at).toBe(true);
  });
  it("filters by crop, year, grade and words together", () => {
    const { found } = ask("crop=potato&year=2025");
    expect(found.length).toBeGreaterThan(0);
    expect(found.every((r) => r.cropId === "potato" && r.at.startsWith("2025"))).toBe(true);
    expect(ask("q=ILSE").found.every((r) => r.by === "Ilse")).toBe(true);
    expect(ask("q=no+such+thing").found).toEqual([]);
  });
  it("finds words of a note as well as of names, and by people told apart", () => {
    const noted = all.map((e, k) => ({ ...e, pick: { ...e.pick, note: k % 3 === 0 ? "Splits after rain" : "" } }));
    const found = (q: string) => findPicks(noted, new URLSearchParams({ q })).found;
    expect(found("after RAIN")).toHaveLength(Math.ceil(all.length / 3));
    for (const words of ["ilse", "tam splits", "potato", "wall tam", "low ilse"]) {
      const isSaid = (e: LoggedPick) =>
        `${e.kind} ${e.crop} ${e.bed} ${e.by} ${e.pick.note}`.toLowerCase().includes(words);
      expect(new Set(found(words)), words).toEqual(new Set(noted.filter(isSaid)));
    }
    expect(found("ilse").length).toBeGreaterThan(0);
  });
  it("sorts by any column either way, the same on every run, and falls back on nonsense", () => {
    const rising = ask("sort=net&down=0").found.map((r) => r.net);
    expect(rising).toEqual([...rising].sort((a, b) => a - b));
    expect(ask("sort=net").found).toEqual([...ask("sort=net&down=0").found].reverse());
    expect(ask("sort=moon&crop=").sort).toBe("at");
  });
  it("asks by day, hand, way, part and figure, and draws together what it is told to", () => {
    const span = ask("from=2026-09-05&to=2026-09-20").found;
    expect(span.length).toBeGreaterThan(0);
    expect(span.every((e) => e.at >= "2026-09-05" && e.at < "2026-09-21")).toBe(true);
    expect(ask("who=Tam").found.length + ask("who=Ilse").found.length).toBe(all.length);
    expect(ask("part=tops").found).toEqual([]);
    expect(ask("figure=weighed").found.length).toBe(all.length);
    expect(ask("group=week").group).toBe("week");
    expect(ask("group=moon").group).toBeNull();
    expect(
      ask(`planting=${all[0]!.pick.plantingId}`).found.every((e) => e.pick.plantingId === all[0]!.pick.plantingId),
    ).toBe(true);
  });
  it("shows the columns that were asked for, in its own order, else the usual ones", () => {
    expect(columnsOf(new URLSearchParams("col=note&col=net&col=moon"))).toEqual(["net", "note"]);
    expect(columnsOf(new URLSearchParams("col=moon"))).toEqual(columnsOf(new URLSearchParams()));
  });
  it("names a pick anew when its planting was renamed, and only then", () => {
    const snapshot = { ...demo, forecast: null };
    const before = loggedPicks(snapshot);
    const first = before[0]!;
    const renamed = {
      ...snapshot,
      plantings: snapshot.plantings.map((p) => (p.id === first.pick.plantingId ? { ...p, kind: "renamed" } : p)),
    };
    const after = loggedPicks(renamed);
    expect(after.find((e) => e.pick.id === first.pick.id)!.kind).toBe("renamed");
    const other = before.findIndex((e) => e.pick.plantingId !== first.pick.plantingId);
    expect(after[other]).toBe(before[other]);
    expect(findPicks(after, new URLSearchParams("q=renamed")).found.length).toBeGreaterThan(0);
  });
  it("adds up to the same grams however it is grouped", () => {
    const sum = (rows: { net: number }[]) => Math.round(rows.reduce((s, r) => s + r.net, 0));
    const by = (key: "cropId" | "bed" | "by") =>
      [...new Set(all.map((r) => r[key]))].reduce((s, v) => s + sum(all.filter((r) => r[key] === v)), 0);
    expect(Math.abs(by("cropId") - sum(all))).toBeLessThanOrEqual(1);
    expect(Math.abs(by("bed") - sum(all))).toBeLessThanOrEqual(1);
    expect(Math.abs(by("by") - sum(all))).toBeLessThanOrEqual(1);
  });
});

describe("the pick form", () => {
  const crates = [
    { id: "crate", name: "slatted crate", tareG: 1590, litres: 30, atHand: 4 },
    { id: "bowl", name: "bowl", tareG: 300, litres: null, atHand: null },
  ];
  const typed = {
    plantingId: "planting",
    gross: "6.4 kg",
    "box-crate": "2",
    "box-bowl": "0",
    otherTare: "",
    at: "2026-10-06T17:30",
    by: "Ilse",
    method: "lift",
    extent: "some",
    grade: "sound",
    count: "",
    note: "",
    roundId: "",
  };
  const read = (over: Record<string, string>) =>
    readForm(pickForm({ containers: crates, units: "metric", bulk: bulkOf(cropOf("tomato")) }), { ...typed, ...over });
  const faultOf = (over: Record<string, string>) => {
    const form = read(over);
    return form.ok ? {} : form.faults.errors;
  };
  it("keeps the weight as written and the containers that stood on the scale", () => {
    const form = read({ otherTare: "250 g", topsOn: "on" });
    if (!form.ok) throw new Error("refused");
    expect(form.row).toMatchObject({
      grossG: 6400,
      entered: "6.4 kg",
      topsOn: true,
      estimated: false,
      count: null,
      roundId: null,
    });
    expect(form.row.tare).toEqual([
      { name: "slatted crate", tareG: 1590, count: 2 },
      { name: "other container", tareG: 250, count: 1 },
    ]);
  });
  it("says beside which field it is wrong, and keeps everything typed", () => {
    expect(faultOf({ gross: "heavy" }).gross).toMatch(/not a weight/);
    expect(faultOf({ otherTare: "box" }).otherTare).toMatch(/not a weight/);
    expect(faultOf({ gross: "3 kg" }).gross).toMatch(/empty containers weigh more/);
    expect(faultOf({ gross: "", count: "" }).gross).toBe("give a weight or a count");
    expect(faultOf({ count: "2.5" }).count).toBe("whole pieces");
    expect(faultOf({ at: "yesterday" }).at).toContain("2026-10-06T17:40");
    expect(faultOf({ grade: "lovely" }).grade).toBeDefined();
    const form = read({ gross: "heavy", note: "do not lose me" });
    expect(form.ok ? "" : form.faults.typed.note).toBe("do not lose me");
  });
  it("sums crates, and marks a volume as the estimate it is", () => {
    const crates = read({ gross: "12.3 + 11.8 kg" });
    expect(crates.ok && crates.row).toMatchObject({ grossG: 24_100, entered: "12.3 + 11.8 kg", estimated: false });
    const bushel = read({ gross: "half a bushel", "box-crate": "0" });
    expect(bushel.ok && bushel.row).toMatchObject({ entered: "half a bushel", estimated: true });
    expect(bushel.ok && bushel.row.grossG).toBeCloseTo(12_020, 0);
    expect(faultOf({ gross: "half a bushel" }).gross).toMatch(/without its containers/);
  });
  it("reads the parts a pick was sorted into, and says which of them is wrong", () => {
    const part = (i: number, over: Record<string, string>) =>
      Object.fromEntries(
        Object.entries({ grade: "eat-first", way: "kitchen", amount: "", count: "", note: "", ...over }).map(
          ([k, v]) => [`part-${i}-${k}`, v],
        ),
      );
    const form = read({ ...part(0, { amount: "300 g", note: "forked" }), ...part(1, {}), ...part(3, { count: "4" }) });
    expect(form.ok && form.row.sorted).toEqual([
      { grade: "eat-first", way: "kitchen", massG: 300, count: null, note: "forked" },
      { grade: "eat-first", way: "kitchen", massG: null, count: 4, note: "" },
    ]);
    expect(faultOf(part(2, { amount: "some" }))["part-2-amount"]).toMatch(/not a weight/);
    expect(faultOf(part(1, { count: "2.5" }))["part-1-count"]).toBe("write a whole number");
    expect(faultOf(part(0, { amount: "1 kg", grade: "moon" }))["part-0-grade"]).toBeDefined();
    expect(faultOf(part(0, { amount: "4 kg" })).sorted).toContain("more than the whole");
  });
  it("takes a second weighing and the clock, and refuses what cannot be", () => {
    const form = read({ topsOn: "on", again: "2.1 kg", againHow: "tops-off", minutes: "12,5", purpose: "strip" });
    expect(form.ok && form.row).toMatchObject({ againG: 2100, againHow: "tops-off", minutes: 12.5, purpose: "strip" });
    expect(faultOf({ again: "9 kg" }).again).toContain("more than it weighed");
    expect(faultOf({ minutes: "-1" }).minutes).toContain("more than nothing");
  });
  it("takes a count without a weight", () => {
    const form = read({ gross: "", count: "12", "box-crate": "0" });
    expect(form.ok && form.row.grossG).toBeNull();
  });
});

describe("finding a planting by typing", () => {
  const name = "Kale ‘black palm’ · Upper second";
  it.each(["kale", "black palm", "upper kale", "KALE second", "‘black", "", "  upper  "])("%j finds it", (typed) =>
    expect(holds(name, typed)).toBe(true),
  );
  it.each(["kaleb", "lower", "kale lower"])("%j does not", (typed) => expect(holds(name, typed)).toBe(false));
  it("accents may be left out", () => expect(holds("Pêche ‘été’ · Haut", "peche ete")).toBe(true));
});
