import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { addDays } from "#core/calendar/day";
import type { Planting } from "#core/garden/planting";
import { cropOf } from "#core/handbook/index";
import { PLACE_KINDS } from "#core/household/place";
import { lotsNow, STILL_SOUND } from "#core/keeping/lot";
import { change, listChanges, undo } from "#db/change";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { loader as pickPage } from "../picks/pick";
import { logPick } from "../picks/pick-action.server";
import { pickFormData } from "../picks/pick-form.server";
import { plantingLine } from "../plot/planting-line.server";
import { loader as yieldsOut } from "../season/out-yields";
import { seasonView } from "../season/season.server";
import { db, gardenNow } from "../server/garden-now.server";
import { changeHousehold } from "../settings/household.server";
import { action as lookAction } from "../walk/walk-planting";
import { houseOf, keepView, placesView } from "./keep.server";
import { lotView } from "./lot.server";
import { changeLot } from "./lot-action.server";
import { changePlaces } from "./places.server";

/**
 * The log, the baskets and the store as a gardener plays them through a day, each line against the running application:
 * a pick is logged, and the pages that tell of it are asked.
 */
let garden: ReturnType<typeof gardenInProcess>;
let template: Planting;
let n = 0;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
  template = gardenNow().snapshot.plantings.find((p) => p.id === "cou-lower")!;
});
afterAll(() => garden.end());

/** Sets a planting down. */
function plant(cropId: string, over: Partial<Planting> = {}): Planting {
  const crop = cropOf(cropId);
  const row: Planting = {
    ...{ ...template, id: `t${++n}`, cropId, bedId: "middle-1", kind: `tried ${n}`, startedHow: "transplanted" },
    ...{ startedOn: "2026-05-20", schoolId: crop.schools[0]!.id, packetMinDays: null, packetMaxDays: null },
    ...{ ripeColour: "", plants: 8, rowM: 4, areaM2: null, ...over },
  };
  change(db(), "a planting", gardenNow().now, (c) => c.put("plantings", row));
  return row;
}
const typedPick = (plantingId: string, over: Record<string, string>) => ({
  ...{ plantingId, extent: "some", grade: "sound", at: gardenNow().now, part: "crop", method: "", by: "Ilse" },
  ...over,
});
/** Logs a pick and gives back what is in the log of it; a refusal is thrown as its faults. */
function pick(plantingId: string, over: Record<string, string>) {
  const before = new Set(gardenNow().snapshot.picks.map((p) => p.id));
  const answer = logPick(typedPick(plantingId, over));
  if (!(answer instanceof Response)) throw answer.data;
  return gardenNow().snapshot.picks.find((p) => !before.has(p.id))!;
}
const refused = (plantingId: string, over: Record<string, string>): Record<string, string> => {
  const answer = logPick(typedPick(plantingId, over));
  return answer instanceof Response ? {} : answer.data.errors;
};
const lineOf = (id: string) => keepView(gardenNow()).first.find((l) => l.id === id);
const clockOf = (id: string) => keepView(gardenNow()).clocks.find((l) => l.id === id);

describe("1 · what is damaged, bolted or small is for the table at once", () => {
  it("bolted onions stand on the list with weight, grade and note, and do not cure", () => {
    const p = pick(plant("bulb-onion", { plants: 60 }).id, {
      ...{ gross: "4 kg", extent: "final", "part-0-grade": "bolted", "part-0-amount": "500 g" },
      ...{ "part-0-note": "three of them", "part-0-way": "" },
    });
    expect(lineOf(`${p.id}.1`)).toMatchObject({ left: "500 g", curing: "", why: "bolted: it does not keep" });
    expect(lineOf(`${p.id}.1`)!.what).toBe("bolted, three of them");
    expect(clockOf(p.id)?.curing).toMatch(/cures for another/);
    expect(clockOf(`${p.id}.1`)).toBeUndefined();
  });
  it("a bulb dug to see how it does is food, not stock", () => {
    const p = pick(plant("garlic").id, { gross: "60 g", purpose: "test" });
    expect(lineOf(p.id)).toMatchObject({ what: "eat first", curing: "" });
  });
});

describe("2 · colour at picking", () => {
  const ripe = (grade: string) => {
    const p = pick(plant("tomato").id, { gross: "1.5 kg", count: "10", grade, way: "store" });
    return { id: p.id, days: clockOf(p.id)!.ripe.match(/\d+/g)!.map(Number) };
  };
  it("half coloured tomatoes are ripe days before green ones", () => {
    const [green, half] = [ripe("green-to-ripen"), ripe("half-to-ripen")];
    expect(half.days.at(-1)!).toBeLessThan(green.days[0]!);
    expect(half.days.at(-1)!).toBeLessThanOrEqual(6);
  });
  it("so many ripe today is one tap: they move to what to use, the rest ripens on", () => {
    const { id } = ripe("half-to-ripen");
    expect(changeLot(id, { intent: "ripe", "ripe-count": "4" }, "/keep")).toBeInstanceOf(Response);
    expect(listChanges(db(), "ripe", 0, 1).rows[0]!.label).toMatch(/4 ripe, 6 left/);
    const part = [...houseOf(gardenNow()).lots.values()].find((l) => l.from === id)!;
    expect([clockOf(part.id), clockOf(id)?.pieces]).toEqual([undefined, 6]);
    const fridge = lotView(gardenNow(), part.id)!.places.find((p) => p.id === "fridge")!;
    expect(fridge.warnings.join()).not.toMatch(/green|ripen/i);
  });
  it("what never ripens once it is cut is refused as such", () => {
    expect(refused(plant("melon-netted").id, { gross: "1 kg", grade: "green-to-ripen" }).grade).toMatch(
      /does not ripen/,
    );
  });
});

describe("3 · counts, shares, containers, dates of one's own", () => {
  it("parts by the piece, some given away at once", () => {
    const p = pick(plant("winter-squash").id, {
      ...{ gross: "8 kg", count: "4", "part-0-grade": "sound", "part-0-count": "1", "part-0-way": "give" },
    });
    const lots = houseOf(gardenNow()).lots;
    expect(lots.get(`${p.id}.1`)).toMatchObject({ startG: 2000, leftG: 0, used: { giveG: 2000 } });
    expect(lots.get(p.id)).toMatchObject({ leftG: 6000 });
  });
  it.each([
    ["4 baskets", 48],
    ["half a willow basket", 6],
    ["2 buckets", 20],
    ["1 crate + 1 bowl", 33],
  ])("%s of the garden's own are a measure", (gross, litres) => {
    const planting = plant("tomato", { plants: 60 });
    const form = pickFormData(gardenNow(), undefined, planting.id, null)!;
    const { bulk } = form.crops.find((c) => c.id === "tomato")!;
    const p = pick(planting.id, { gross });
    expect(p.grossG).toBeCloseTo(litres * bulk.kgPerL * 1000, -1);
    expect(p.estimated).toBe(true);
  });
  it("two thirds of the row done: the rest is reckoned by the row, on its page and for the planner", () => {
    const carrots = plant("carrot", { rowM: 6, plants: null, schoolId: "storing" });
    pick(carrots.id, { gross: "4 kg", rowDone: "0.67" });
    const sum = plantingLine(gardenNow(), carrots.id)!.sums.find((s) => s.name === "Left of the row")!;
    expect(sum.value).toBe("about 1.97 kg");
    const left = gardenNow().outlook.plantings.find((p) => p.planting.id === carrots.id)!.supply.leftG;
    expect(left).toBeCloseTo(1970, -1);
    const all = pick(plant("carrot", { plants: 200 }).id, { gross: "4 kg", extent: "final", rowDone: "0.5" });
    expect(all.rowDone).toBeNull();
  });
  it("a use-by date of one's own goes before the book, by day or by weeks, and can be taken back", () => {
    const p = pick(plant("carrot").id, { gross: "2 kg", extent: "final" });
    const until = addDays(gardenNow().today, 5);
    changeLot(p.id, { intent: "date", "date-until": until }, "/keep");
    expect(lineOf(p.id)!.keeps).toMatch(/^use by .*, your date$/);
    changeLot(p.id, { intent: "date", "date-keeps": "3", "date-unit": "weeks" }, "/keep");
    expect(houseOf(gardenNow()).lots.get(p.id)!.useBy).toBe(addDays(gardenNow().today, 21));
    changeLot(p.id, { intent: "date" }, "/keep");
    expect(lineOf(p.id)!.keeps).not.toMatch(/your date/);
    const wrong = changeLot(p.id, { intent: "date", "date-until": "2026-02-31" }, "/keep");
    expect(wrong instanceof Response ? {} : wrong.data.errors).toHaveProperty("date-until");
  });
});

describe("4, 5 · room and how long it is good, said once", () => {
  it("what lies somewhere by default counts against its room", () => {
    const free = () =>
      placesView(gardenNow())
        .map((p) => p.room.words)
        .join();
    const before = free();
    pick(plant("melon-netted", { plants: 40 }).id, { gross: "14 kg", count: "9" });
    expect(placesView(gardenNow()).some((p) => p.lots.some((l) => l.crop.includes("elon")))).toBe(true);
    expect(free()).not.toBe(before);
  });
  it("no line says two things of how long it is good", () => {
    for (const l of keepView(gardenNow()).first) {
      expect(l.keeps).not.toMatch(/half of it gone/);
      expect(l.keeps.match(/until|by |keeps|today/g)!.length).toBeLessThanOrEqual(2);
    }
  });
});

describe("6, 14 · what cannot well be is asked about, never silently saved", () => {
  it.each<[string, Record<string, string>, string, RegExp]>([
    ["next year", { at: "2027-10-06T10:00", gross: "1 kg" }, "at", /still to come/],
    ["before it was planted", { at: "2026-03-01T10:00", gross: "1 kg" }, "at", /only started/],
    ["nothing", { gross: "0" }, "gross", /nothing was picked/],
    ["900 kg", { gross: "900 kg" }, "gross", /far more/],
  ])("%s", (_, over, field, words) => {
    const { id } = plant("courgette");
    const before = gardenNow().snapshot.picks.length;
    expect(refused(id, over)[field]).toMatch(words);
    expect(gardenNow().snapshot.picks).toHaveLength(before);
    expect(pick(id, { ...over, sure: "yes" }).plantingId).toBe(id);
  });
  it("a closing pick taken out or undone opens the planting again", () => {
    const { id } = plant("bulb-onion");
    const endedOn = () => gardenNow().snapshot.plantings.find((p) => p.id === id)!.endedOn;
    const p = pick(id, { gross: "3 kg", extent: "final" });
    expect(endedOn()).toBe(gardenNow().today);
    const entry = listChanges(db(), "", 0, 1).rows[0]!;
    expect(undo(db(), entry.id, gardenNow().now).ok).toBe(true);
    expect(endedOn()).toBeNull();
    expect(gardenNow().snapshot.picks.some((x) => x.id === p.id)).toBe(false);
  });
  it("an address whose planting is not to be had says so, and never takes another", () => {
    const ask = (planting: string) =>
      pickPage({ params: {}, url: new URL(`http://garden/picks/new?planting=${planting}`) } as never);
    expect(() => ask("nowhere")).toThrow(expect.objectContaining({ init: { status: 404 } }));
    const { id } = plant("garlic");
    expect(ask(id).plantingId).toBe(id);
  });
});

describe("7, 8 · rates in the garden's units", () => {
  it("raspberries every day and a half: hours, not whole days", () => {
    const { id } = plant("raspberry-summer", { startedOn: "2023-03-01", rowM: 5 });
    for (const at of ["2026-07-01T06:00", "2026-07-02T18:00", "2026-07-04T06:00"]) pick(id, { gross: "600 g", at });
    expect(plantingLine(gardenNow(), id)!.gap).toBe("36 hours");
  });
  it("a US garden has pounds and feet in its sums and files", async () => {
    const { garden: g } = gardenNow().snapshot;
    const { id } = plant("courgette", { rowM: 3.048 });
    for (const day of ["2026-08-01", "2026-08-03"]) pick(id, { gross: "2 lb", at: `${day}T08:00` });
    const back = change(db(), "to US units", gardenNow().now, (c) => c.put("garden", { ...g, units: "us" }))!;
    const sums = plantingLine(gardenNow(), id)!.sums;
    expect(sums.map((s) => s.name)).toContain("A foot of row and picking");
    for (const s of sums) expect(`${s.value} ${s.way}`).not.toMatch(/\d (kg|g|m|m²)\b/);
    const csv = await (
      yieldsOut({ url: new URL("http://garden/out/yields.csv?year=2026") } as never) as Response
    ).text();
    expect(csv.split("\n")[0]).toMatch(/lb/);
    expect(csv.split("\n")[0]).not.toMatch(/kg/);
    undo(db(), back, gardenNow().now);
  });
});

describe("9 · ending", () => {
  it("the last pick closes an annual; of what stands for years only the season ends", () => {
    const [annual, tree] = [plant("courgette"), plant("rhubarb", { startedOn: "2020-03-01" })];
    for (const p of [annual, tree]) pick(p.id, { gross: "1 kg", extent: "final" });
    const ended = (id: string) => gardenNow().snapshot.plantings.find((p) => p.id === id)!.endedOn;
    expect([ended(annual.id), ended(tree.id)]).toEqual([gardenNow().today, null]);
  });
});

describe("10 · losses and sound ones", () => {
  it("a part lost in store has its cause and day; a look says it is sound", () => {
    const p = pick(plant("potato").id, { gross: "10 kg", extent: "final" });
    changeLot(p.id, { intent: "lose", "lose-amount": "400 g", "lose-cause": "rotten" }, "/keep");
    changeLot(p.id, { intent: "check", "check-note": "soft at the neck" }, "/keep");
    expect(lotView(gardenNow(), p.id)!.line!.sound).toBe("");
    changeLot(p.id, { intent: "check", "check-note": STILL_SOUND }, "/keep");
    expect(lotView(gardenNow(), p.id)!.line!.sound).toBe("sound today");
    const { history } = lotView(gardenNow(), p.id)!;
    expect(history.map((h) => h.words)).toEqual([
      "Looked at: still sound",
      "Looked at: soft at the neck",
      "Lost 400 g: rotten",
    ]);
    expect(history[0]!.at.slice(0, 10)).toBe(gardenNow().today);
  });
});

describe("11 · a look", () => {
  const look = (plantingId: string, fields: Record<string, string>) => {
    const body = new FormData();
    for (const [k, v] of Object.entries(fields)) body.set(k, v);
    const request = new Request(`http://garden/walk/${plantingId}`, { method: "POST", body });
    return lookAction({ request, params: { plantingId } } as never);
  };
  it("has a note and its own next day, which stands among the jobs; one undo takes both", async () => {
    const { id } = plant("kale");
    const againOn = addDays(gardenNow().today, 4);
    await look(id, { note: "two green among forty", againOn });
    const { checks, ownJobs } = gardenNow().snapshot;
    expect(checks.filter((c) => c.plantingId === id)).toMatchObject([{ note: "two green among forty" }]);
    expect(ownJobs.filter((j) => j.plantingId === id)).toMatchObject([
      { startOn: againOn, words: "Look again: two green among forty" },
    ]);
    const entry = listChanges(db(), "Looked at", 0, 1).rows[0]!;
    expect(undo(db(), entry.id, gardenNow().now).ok).toBe(true);
    expect(gardenNow().snapshot.ownJobs.some((j) => j.plantingId === id)).toBe(false);
  });
  it("a day that is none, or has been, is refused beside its field, and nothing is written", async () => {
    const { id } = plant("kale");
    for (const againOn of ["2026-02-31", gardenNow().today, "2025-01-01"]) {
      const answer = await look(id, { note: "x", againOn });
      expect(answer instanceof Response ? {} : answer.data.errors).toHaveProperty("againOn");
    }
    expect(gardenNow().snapshot.checks.some((c) => c.plantingId === id)).toBe(false);
  });
});

describe("12 · by-products", () => {
  it("are picks of the same planting under their own names, not its yield, each with its own place on the list", () => {
    const { id } = plant("beetroot");
    const [root, tops] = [pick(id, { gross: "1 kg" }), pick(id, { gross: "300 g", part: "tops" })];
    const line = plantingLine(gardenNow(), id)!;
    expect(line.sums.find((s) => s.name === "A picking")!.way).toMatch(/^1 kg/);
    expect([lineOf(root.id)?.left, lineOf(tops.id)?.left]).toEqual(["1 kg", "300 g"]);
  });
});

describe("what was lost", () => {
  it("is held against what was kept, on the planting's line and for the season", () => {
    const { id } = plant("carrot", { plants: 40 });
    const p = pick(id, { gross: "1 kg" });
    change(db(), "a loss", gardenNow().now, (c) =>
      c.put("bedLosses", { id: "lost", plantingId: id, day: gardenNow().today, cause: "pests", massG: 500, note: "" }),
    );
    const kept = () => plantingLine(gardenNow(), id)!.sums.find((s) => s.name === "Kept of what grew");
    expect(kept()).toMatchObject({ value: "67 %", way: "1 kg picked; about 500 g lost in the bed" });
    changeLot(p.id, { intent: "lose", "lose-amount": "250 g", "lose-cause": "rotten" }, "/keep");
    expect(kept()).toMatchObject({ value: "50 %", way: expect.stringContaining("250 g lost after picking") });
    const season = seasonView(gardenNow(), gardenNow().today.slice(0, 4), "crop").ways.kept!;
    expect(season.way).toMatch(/picked; about .+ lost in the bed, .+ lost after picking$/);
  });
  it("a place put in later draws nothing to itself that nobody has laid there", async () => {
    const lain = () => placesView(gardenNow()).map((p) => [p.place.id, p.lots.map((l) => l.id)] as const);
    const before = lain();
    const into = (page: string) => (kind: string) => ({
      ...{ intent: "place", name: `another ${kind}, ${page}`, kind, litres: "60", takenLitres: "0", trayLitres: "" },
      ...{ roomIn: "litres", tempMinC: "", tempMaxC: "", humidityMin: "", humidityMax: "", light: "", air: "" },
    });
    for (const kind of PLACE_KINDS) {
      const form = new FormData();
      for (const [name, value] of Object.entries(into("keep")(kind))) form.set(name, value);
      expect(await changePlaces(gardenNow(), form)).toBeInstanceOf(Response);
      expect(await changeHousehold(gardenNow(), into("settings")(kind))).toBeInstanceOf(Response);
    }
    const known = new Set(before.map(([id]) => id));
    const kinds = new Set(gardenNow().snapshot.places.flatMap((p) => (known.has(p.id) ? [p.kind] : [])));
    expect(lain().filter(([id]) => known.has(id))).toEqual(before);
    // what has no older one of its kind may hold what wants such a place
    for (const { place, lots } of placesView(gardenNow()))
      if (!known.has(place.id) && kinds.has(place.kind)) expect(lots).toEqual([]);
    // changed, it stays where it stood in the list
    const [first] = gardenNow().snapshot.places.filter((p) => !known.has(p.id));
    await changeHousehold(gardenNow(), { intent: "place", id: first!.id, name: "renamed", litres: "70" });
    expect(gardenNow().snapshot.places.find((p) => p.id === first!.id)).toMatchObject({
      name: "renamed",
      addedAt: first!.addedAt,
    });
  });
  it("a place says by how much it is off", () => {
    const { id } = plant("sweet-potato", { plants: 4 });
    change(db(), "a cold shelf", gardenNow().now, (c) =>
      c.put("places", {
        ...gardenNow().snapshot.places[0]!,
        id: "cold",
        name: "Cold shelf",
        kind: "cellar",
        tempMinC: 8,
        tempMaxC: 8,
      }),
    );
    const p = pick(id, { gross: "2 kg" });
    changeLot(p.id, { intent: "move", "move-place": "cold" }, "/keep");
    const cold = placesView(gardenNow()).find((x) => x.place.id === "cold")!;
    expect(cold.alerts.join(" ")).toMatch(/Too cold by 5 °C, under 13 °C, for sweet potato/);
  });
});

it("grams are conserved whatever was done above", () => {
  const { lots } = houseOf(gardenNow());
  for (const l of lots.values()) {
    const { useG, giveG, loseG, apartG, broughtG } = l.used;
    expect(l.leftG + useG + giveG + loseG + apartG).toBeCloseTo(l.startG + broughtG, 1);
  }
  expect(lotsNow([], []).size).toBe(0);
});
