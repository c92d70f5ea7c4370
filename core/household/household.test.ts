import { describe, expect, it } from "vitest";
import { slot, supply } from "../fixtures/problem";
import { CROPS, cropOf } from "../handbook";
import { householdStores } from "../planning/question/stores";
import { sayStore } from "../planning/words";
import { bulkOf } from "../weighing/bulk";
import {
  PLACE_KINDS,
  type Place,
  placeKindFor,
  placeSchema,
  placeWith,
  ROOM_IN,
  roomUnitLitres,
  roomUnitWords,
  sayRoom,
} from "./place";
import { tasteSchema, usualTaste } from "./taste";

const grown = (cropId: string, plantingId = cropId) => ({
  crop: cropOf(cropId),
  supply: supply(plantingId, { cropId }),
});
const taste = (crop: ReturnType<typeof cropOf>) => usualTaste(crop, 2);
const fridge: Place = placeWith({ id: "f", name: "fridge", kind: "fridge", litres: 100, takenLitres: 40 });
const none = new Map<string, number>();

describe("where a crop belongs after it is picked (common practice)", () => {
  const has =
    (...kinds: string[]) =>
    (k: string) =>
      kinds.includes(k);
  it.each([
    ["bulb-onion", "airy"],
    ["garlic", "airy"],
    ["winter-squash", "airy"],
    ["potato", "cellar"],
    ["carrot", "cellar"],
    ["lettuce-loose-leaf", "fridge"],
    ["tomato", "counter"],
    ["basil", "counter"],
  ])("%s goes to the %s where there is one of each", (id, kind) => {
    expect(placeKindFor(cropOf(id), has("fridge", "counter", "airy", "cellar"))).toBe(kind);
  });
  it("without a cellar roots go into the refrigerator and potatoes, which must not, onto the counter", () => {
    expect(placeKindFor(cropOf("carrot"), has("fridge"))).toBe("fridge");
    expect(placeKindFor(cropOf("potato"), has("fridge"))).toBe("counter");
  });
  it("every crop of the handbook has a place, and none that does not belong in a refrigerator goes there", () => {
    for (const crop of CROPS) {
      const kind = placeKindFor(crop, () => true);
      expect(PLACE_KINDS).toContain(kind);
      if (crop.after.fridge === "no") expect(kind).not.toBe("fridge");
    }
  });
  it("refuses a place more than full, one without a name, and one that holds nothing", () => {
    expect(placeSchema.safeParse(fridge).success).toBe(true);
    for (const wrong of [{ takenLitres: 101 }, { name: " " }, { litres: 0 }, { takenLitres: -1 }])
      expect(placeSchema.safeParse({ ...fridge, ...wrong }).success).toBe(false);
  });
});

describe("stores of a household", () => {
  it("a crop that does not keep is eaten week by week, one that keeps over all its weeks", () => {
    const stores = householdStores([grown("lettuce-loose-leaf"), grown("bulb-onion")], taste, [], [], none, [], 14);
    const eat = (id: string) => stores.filter((s) => s.id.startsWith(`eat ${id}`));
    expect(eat("lettuce-loose-leaf").map((s) => s.draws[0]!.fromT)).toEqual([0, 7]);
    expect(eat("bulb-onion")).toHaveLength(1);
    const onion = usualTaste(cropOf("bulb-onion"), 2);
    const [low, high] = cropOf("bulb-onion").after.days;
    expect(eat("bulb-onion")[0]!.capacity).toBeCloseTo((onion.weeklyG * (low + high)) / 2 / 7, 6);
  });
  it("what is at home already is taken off the first week, never below nothing", () => {
    const at = (g: number) =>
      householdStores([grown("lettuce-loose-leaf")], taste, [], [], new Map([["lettuce-loose-leaf", g]]), [], 14)
        .filter((s) => s.id.startsWith("eat"))
        .map((s) => s.capacity);
    const { weeklyG } = usualTaste(cropOf("lettuce-loose-leaf"), 2);
    expect(at(100)).toEqual([weeklyG - 100, weeklyG]);
    expect(at(1e6)).toEqual([0, weeklyG]);
  });
  it("two beds of one crop share one appetite", () => {
    const stores = householdStores([grown("kale", "a"), grown("kale", "b")], taste, [], [], none, [], 7);
    const shared = stores
      .filter((s) => s.id.startsWith("eat"))
      .map((s) => [...new Set(s.draws.map((d) => d.plantingId))]);
    expect(shared).toEqual([["a", "b"]]);
  });
  it("a refrigerator is looked into every other day, and a kilo fills it by the crop's bulk", () => {
    const rooms = householdStores([grown("spinach")], taste, [fridge], [], none, [], 14).filter(
      (s) => s.of.kind === "room",
    );
    expect(rooms.map((s) => s.capacity)).toEqual(Array(7).fill(60));
    expect(rooms[0]!.draws[0]!.perG * 1000 * bulkOf(cropOf("spinach")).kgPerL).toBeCloseTo(1, 9);
    // a pick stays at most a week: at day 14 one of day 3 has left
    expect(rooms.at(-1)!.draws[0]).toMatchObject({ fromT: 7, toT: 14 });
  });
  it("what two places of one kind hold adds up", () => {
    const two = [fridge, { ...fridge, id: "g", name: "garage one", litres: 50, takenLitres: 0 }];
    const room = householdStores([grown("spinach")], taste, two, [], none, [], 14).find((s) => s.of.kind === "room")!;
    expect(room.capacity).toBe(110);
    expect(sayStore(room.of)).toBe("fridge and garage one (refrigerator)");
  });
  it("containers hold one round; those whose size or number nobody said count for nothing", () => {
    const slots = [slot(0, "17:30", 60), slot(1, "17:30", 60)];
    const crate = { id: "c", name: "crate", tareG: 1500, litres: 30, atHand: 2 };
    const stores = (
      containers: (typeof crate)[] | { id: string; name: string; tareG: number; litres: null; atHand: null }[],
    ) =>
      householdStores([grown("potato")], taste, [], containers, none, slots, 14).filter(
        (s) => s.of.kind === "containers",
      );
    expect(stores([crate]).map((s) => s.capacity)).toEqual([60, 60]);
    expect(stores([{ ...crate, litres: null, atHand: null }])).toEqual([]);
    // a round fills only its own
    expect(stores([crate])[1]!.draws[0]!.fromT).toBeGreaterThan(stores([crate])[0]!.draws[0]!.toT);
  });
  it("tastes out of reason are refused", () => {
    const fine = usualTaste(cropOf("kale"), 3);
    expect(tasteSchema.safeParse(fine).success).toBe(true);
    for (const wrong of [{ liking: 3 }, { liking: -1 }, { weeklyG: -5 }, { sparedG: 1e9 }])
      expect(tasteSchema.safeParse({ ...fine, ...wrong }).success).toBe(false);
  });
});

describe("room in what a place is counted in", () => {
  it.each([
    ["litres", null, 24, "24 litres"],
    ["trays", 8, 20, "2.5 trays"],
    ["trays", 10, 10, "1 tray"],
    // 60 lb of potatoes in 35.239 litres, a US bushel (USDA Agricultural Handbook 697)
    ["kilos", null, 35.239, "27 kilos"],
  ] as const)("%s of %s litres: %s litres are %s", (roomIn, trayLitres, litres, words) => {
    expect(sayRoom(litres, { roomIn, trayLitres }, "metric")).toBe(words);
  });
  it("goes to litres and back in every unit", () => {
    for (const system of ["metric", "us"] as const)
      for (const roomIn of ROOM_IN) {
        const unit = roomUnitLitres({ roomIn, trayLitres: null }, system);
        const words = roomUnitWords(roomIn, system).many;
        expect(sayRoom(7 * unit, { roomIn, trayLitres: null }, system)).toBe(`7 ${words}`);
      }
  });
  it("a US bushel of potatoes is 60 pounds there, and 37 liquid quarts of room", () => {
    expect(sayRoom(35.239, { roomIn: "kilos", trayLitres: null }, "us")).toBe("60 pounds");
    expect(sayRoom(35.239, { roomIn: "litres", trayLitres: null }, "us")).toBe("37 quarts");
  });
});
