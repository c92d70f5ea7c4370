import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { cropOf } from "#core/handbook/index";
import { unreachable } from "../offline/unreachable";
import { keepPhotos, photoBytes, photosOf } from "../server/photos.server";
import { readForm } from "../ui/form-schema";
import { timeSince } from "../walk/walk-offline";
import { ownCropForm } from "./own-crop.form";
import { bareCrop, blankCrop, idFor } from "./own-crop.server";
import { cueFigure, degrees } from "./own-crop-figures";

/** What the form of a crop sends when nothing was touched. */
function formOf(crop: ReturnType<typeof bareCrop>): Record<string, string> {
  const typed: Record<string, string> = {
    name: crop.name,
    synonyms: crop.synonyms.join(", "),
    family: crop.family,
    habit: crop.habit,
    nature: crop.nature,
    usualStart: crop.usualStart,
    baseC: String(crop.warmth.baseC ?? ""),
    intervalWarm: String(crop.interval.warmDays),
    intervalCool: String(crop.interval.coolDays),
    primeWarm: String(crop.prime.warmDays),
    primeCool: String(crop.prime.coolDays),
    killC: String(crop.weather.killC),
    foliage: crop.weather.foliage,
    how: crop.technique.how,
    leave: crop.technique.leave,
    cautions: crop.cautions.join("\n"),
    ...(crop.touchesSoil ? { touchesSoil: "on" } : {}),
  };
  for (const k of ["sown", "transplanted", "planted", "yearly"] as const)
    if (crop.days[k]) {
      typed[`days-${k}Low`] = String(crop.days[k][0]);
      typed[`days-${k}High`] = String(crop.days[k][1]);
    }
  for (const cue of crop.cues) {
    typed[`cue-${cue.id}-ask`] = cue.ask;
    if ("marks" in cue)
      for (const [name, value] of Object.entries(cue.marks)) typed[`cue-${cue.id}-${name}`] = String(value);
  }
  return typed;
}

describe("the form of an own crop in a US garden", () => {
  const carrot = bareCrop(cropOf("carrot"));
  const shown = (crop: typeof carrot) => {
    const temp = degrees("us");
    const typed = formOf(crop);
    for (const cue of crop.cues)
      if ("marks" in cue)
        for (const [name, value] of Object.entries(cue.marks))
          typed[`cue-${cue.id}-${name}`] = String(cueFigure(cue.kind, "us").show(value));
    typed.killC = String(temp.show(crop.weather.killC));
    typed.baseC = crop.warmth.baseC === null ? "" : String(temp.show(crop.warmth.baseC));
    typed.keepCLow = String(temp.show(crop.after.tempC[0]));
    typed.keepCHigh = String(temp.show(crop.after.tempC[1]));
    return typed;
  };
  const size = carrot.cues.find((c) => c.kind === "measure")!;
  it("shows inches, ounces and °F, and untouched gives every figure back to the last digit", () => {
    const read = readForm(ownCropForm(carrot, "us"), shown(carrot));
    expect(read.ok && read.row.cues.map((c) => ("marks" in c ? c.marks : null))).toEqual(
      carrot.cues.map((c) => ("marks" in c ? c.marks : null)),
    );
    expect(read.ok && read.row).toMatchObject({
      weather: { killC: carrot.weather.killC },
      warmth: { baseC: carrot.warmth.baseC },
      after: { tempC: carrot.after.tempC },
    });
    expect(cueFigure("weight", "us")).toMatchObject({ unit: "oz" });
    expect([cueFigure("measure", "us").unit, degrees("us").unit, cueFigure("percent", "us").unit]).toEqual([
      "in",
      "°F",
      "%",
    ]);
    expect([cueFigure("measure", "metric").unit, degrees("metric").unit]).toEqual(["mm", "°C"]);
  });
  it("reads what was typed in those units: 2 in are 50.8 mm, 23 °F are −5 °C, 10 oz are 283.5 g", () => {
    const typed = { ...shown(carrot), [`cue-${size.id}-past`]: "2.5", killC: "23", keepCLow: "32", keepCHigh: "41" };
    const read = readForm(ownCropForm(carrot, "us"), typed);
    const cue = read.ok ? read.row.cues.find((c) => c.id === size.id) : null;
    expect(cue && "marks" in cue && cue.marks.past).toBeCloseTo(63.5, 9);
    expect(read.ok && read.row.weather.killC).toBeCloseTo(-5, 9);
    expect(read.ok && read.row.after).toMatchObject({ tempC: [0, 5], source: "own" });
    expect(cueFigure("weight", "us").read(10)).toBeCloseTo(283.495, 3);
  });
});

describe("the form of an own crop", () => {
  const base = bareCrop(cropOf("courgette"));
  it("untouched gives the crop back, without the signs the handbook adds", () => {
    const read = readForm(ownCropForm(base, "metric"), formOf(base));
    expect(read.ok && read.row).toMatchObject({
      id: base.id,
      name: "Courgette",
      habit: "repeat",
      days: { sown: base.days.sown },
    });
    expect(base.cues.some((c) => c.kind === "event" && c.shared)).toBe(false);
    expect(read.ok && read.row.schools.map((s) => s.id)).toEqual(base.schools.map((s) => s.id));
  });
  it("says whether what is eaten touches the soil, and a technique of one's own stands alone", () => {
    const { touchesSoil: _, ...off } = formOf(base);
    const changed = readForm(ownCropForm(base, "metric"), { ...off, how: "As grandmother did." });
    expect(changed.ok && [changed.row.touchesSoil, changed.row.technique.when]).toEqual([false, []]);
    const same = readForm(ownCropForm(base, "metric"), formOf(base));
    expect(same.ok && [same.row.touchesSoil, same.row.technique.when]).toEqual([true, base.technique.when]);
  });
  it("takes a comma for a point, and lets go of a school's view of a cue that was changed", () => {
    const typed = { ...formOf(base), intervalWarm: "1,5", "cue-length-ready": "90" };
    const read = readForm(ownCropForm(base, "metric"), typed);
    expect(read.ok && read.row.interval.warmDays).toBe(1.5);
    expect(read.ok && read.row.schools.some((s) => "length" in s.cues)).toBe(false);
  });
  it.each([
    ["a name that is missing", { name: " " }, "name"],
    ["a number that is none", { intervalWarm: "soon" }, "intervalWarm"],
    ["days that run backwards", { "days-sownLow": "90", "days-sownHigh": "60" }, "days-sownLow"],
    ["landmarks that fall", { "cue-length-ready": "10" }, "cue-length-start"],
    ["a start that is no day", { usualStart: "spring" }, "usualStart"],
    ["a habit nobody knows", { habit: "sometimes" }, "habit"],
  ])("refuses %s beside the field, and keeps what was typed", (_, change, field) => {
    const typed = { ...formOf(base), ...change };
    const read = readForm(ownCropForm(base, "metric"), typed);
    expect(read.ok).toBe(false);
    if (!read.ok) {
      expect(Object.keys(read.faults.errors)).toContain(field);
      expect(read.faults.typed).toEqual(typed);
    }
  });
  it("a new crop begins from a blank that is whole", () => {
    const blank = blankCrop();
    expect(readForm(ownCropForm(blank, "metric"), formOf(blank)).ok).toBe(true);
  });
  it("makes ids from names, never twice", () => {
    expect(idFor("Röte Bete!", () => false)).toBe("own-ro-te-bete");
    expect(idFor("Oca", (id) => id === "own-oca")).toBe("own-oca-b");
    expect(idFor("Ωμέγα", () => false)).toBe("own-crop");
  });
});

describe("photos", () => {
  let dir = "";
  beforeAll(() => {
    dir = mkdtempSync(join(tmpdir(), "akmedon-photos-"));
    process.env.AKMEDON_DATA = dir;
  });
  afterAll(() => {
    delete process.env.AKMEDON_DATA;
    rmSync(dir, { recursive: true, force: true });
  });
  const photo = async (width: number) =>
    new File(
      [
        new Uint8Array(
          await sharp({ create: { width, height: 300, channels: 3, background: "#a33" } })
            .withExif({ IFD0: { Copyright: "camera" } })
            .jpeg()
            .toBuffer(),
        ),
      ],
      "leaf.jpg",
    );
  it("are kept small and bare; a small one is not blown up", async () => {
    const kept = await keepPhotos([await photo(3000), await photo(200)]);
    expect(kept.ok).toBe(true);
    if (!kept.ok) return;
    const [large, small] = await Promise.all(kept.names.map((n) => sharp(photoBytes(n)!).metadata()));
    expect([large!.width, large!.exif, small!.width]).toEqual([1600, undefined, 200]);
  });
  it("all or none: one that cannot be read keeps the others out", async () => {
    const before = readdirSync(join(dir, "photos")).length;
    const answer = await keepPhotos([await photo(100), new File(["not a photo"], "note.txt")]);
    expect(answer).toMatchObject({ ok: false, message: expect.stringContaining("note.txt") });
    expect(readdirSync(join(dir, "photos"))).toHaveLength(before);
    const many = await photo(10);
    expect((await keepPhotos(Array.from({ length: 7 }, () => many))).ok).toBe(false);
  });
  it("are found by their own names only", () => {
    expect(photoBytes("../garden.sqlite")).toBeNull();
    expect(photoBytes("nothing.jpg")).toBeNull();
    const form = new FormData();
    form.append("photo", new File([], ""));
    expect(photosOf(form)).toEqual([]);
  });
});

describe("without a signal", () => {
  it("a look keeps the hour it was taken at, by the server's clock and what passed since", () => {
    expect(timeSince("2026-10-06T15:30", Date.now() - 7 * 60_000)).toBe("2026-10-06T15:37");
    expect(timeSince("2026-10-06T23:58", Date.now() - 30 * 60_000)).toBe("2026-10-06T23:59");
  });
  it("only a server that cannot be reached counts as lost signal", () => {
    Object.defineProperty(globalThis, "navigator", { value: { onLine: true }, configurable: true });
    expect(unreachable(new TypeError("Failed to fetch"))).toBe(true);
    expect(unreachable(new Error("422"))).toBe(false);
  });
});
