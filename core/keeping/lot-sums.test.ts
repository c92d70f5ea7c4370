import { describe, expect, it } from "vitest";
import { planting } from "../fixtures/garden";
import { event, seed } from "../fixtures/lots";
import { cropOf, handbookWith } from "../handbook";
import { blankPick, type PickRecord, type Way } from "../weighing/pick";
import { logged } from "../weighing/pick-log";
import { dishesFor, dishSchema } from "./dishes";
import { type LotEvent, lotEventSchema, lotsNow, massOfPieces, piecesLeft, placeOf, STILL_SOUND, soundOn } from "./lot";
import { outcomesOf } from "./outcomes";
import { keepingNote, replantNeeds } from "./replant";
import { seedsOf } from "./seeds";

const book = handbookWith([]);
const NOTHING = { useG: 0, giveG: 0, loseG: 0, apartG: 0, broughtG: 0 };
const lotsOf = (events: LotEvent[], ...seeds: Parameters<typeof seed>[0][]) =>
  lotsNow(
    [seed(), ...seeds].map((s) => seed(s)),
    events,
  );

describe("how a lot begins", () => {
  it.each<[Way, number, Partial<typeof NOTHING>]>([
    ["", 5000, {}],
    ["kitchen", 5000, {}],
    ["store", 5000, {}],
    ["preserve", 5000, {}],
    ["seed", 5000, {}],
    ["snacked", 0, { useG: 5000 }],
    ["give", 0, { giveG: 5000 }],
    ["animals", 0, { loseG: 5000 }],
    ["compost", 0, { loseG: 5000 }],
  ])("on its way “%s” %s g of it are there", (way, leftG, used) => {
    expect(lotsNow([seed({ way })], []).get("a")).toMatchObject({ startG: 5000, leftG, used: { ...NOTHING, ...used } });
  });
  it.each<[number | null, number, number | null]>([
    [10, 1200, 120],
    [0, 1200, null],
    [null, 1200, null],
    [10, 0, null],
  ])("counted %s and weighing %s g a piece weighs %s", (count, massG, pieceG) => {
    expect(lotsNow([seed({ count, massG })], []).get("a")!.pieceG).toBe(pieceG);
  });
  it("lies from its own day where the pick was laid, and nobody has said so", () => {
    const lot = lotsNow([seed()], []).get("a")!;
    expect(lot).toMatchObject({
      stays: [{ placeId: "cellar", from: "2026-09-20" }],
      placed: false,
      preserved: null,
      preservedOn: null,
      useBy: null,
      from: null,
      events: [],
      putByG: 0,
      estimated: false,
    });
    expect(placeOf(lot)).toBe("cellar");
  });
});

describe("what befalls a lot, worked by hand", () => {
  it("is taken in the order of time, within a minute in the order of ids, however it is listed", () => {
    const take = (id: string, at: string, kind: "use" | "give") => event({ id, at, kind, massG: 4000 });
    const first = lotsOf([take("b", "2026-09-25T11:00", "give"), take("a", "2026-09-25T10:00", "use")]).get("a")!;
    expect(first.used).toEqual({ ...NOTHING, useG: 4000, giveG: 1000 });
    const tie = lotsOf([take("b", "2026-09-25T10:00", "give"), take("a", "2026-09-25T10:00", "use")]).get("a")!;
    expect(tie.used).toEqual({ ...NOTHING, useG: 4000, giveG: 1000 });
  });
  it("more than is left is never taken, and without an amount all of it", () => {
    expect(lotsOf([event({ massG: 9000 })]).get("a")).toMatchObject({ leftG: 0, used: { useG: 5000 } });
    expect(lotsOf([event({ kind: "lose" })]).get("a")).toMatchObject({ leftG: 0, used: { loseG: 5000 } });
    expect(lotsOf([event({ kind: "give", massG: 100.25 })]).get("a")).toMatchObject({
      leftG: 4899.75,
      used: { giveG: 100.25 },
    });
  });
  it("of a lot that is not there changes nothing", () => {
    expect(lotsOf([event({ lotId: "nobody" })]).get("a")).toMatchObject({ leftG: 5000, events: [] });
  });
  it("a look takes nothing and is kept with it", () => {
    const lot = lotsOf([event({ kind: "check", massG: 10, note: STILL_SOUND })]).get("a")!;
    expect([lot.leftG, lot.events.length, lot.used]).toEqual([5000, 1, NOTHING]);
  });
  it("the last look that found it sound counts, whatever else was noted since", () => {
    const look = (day: string, note: string) => event({ kind: "check", at: `2026-09-${day}T10:00`, note });
    const lot = lotsOf([
      look("22", STILL_SOUND),
      look("24", STILL_SOUND),
      look("26", "soft ones"),
      event({ at: "2026-09-27T10:00", massG: 10, note: STILL_SOUND }),
    ]).get("a")!;
    expect(soundOn(lot)).toBe("2026-09-24");
    expect(soundOn({ events: [] })).toBeNull();
  });
  it("a part set apart has its own sums, and one whose name is taken is not set apart", () => {
    const split = event({ kind: "split", massG: 1200, toLot: "part", note: "forked" });
    const lots = lotsOf(
      [event({ at: "2026-09-21T10:00", kind: "preserve", massG: 500, toLot: "jar", how: "jam", outG: 400 }), split],
      { id: "b", pickId: "b" },
    );
    expect(lots.get("a")).toMatchObject({ leftG: 3300, putByG: 500, used: { ...NOTHING, useG: 500, apartG: 1200 } });
    expect(lots.get("part")).toMatchObject({
      startG: 1200,
      leftG: 1200,
      putByG: 0,
      note: "forked",
      from: "a",
      used: NOTHING,
      events: [],
    });
    const taken = lotsOf([event({ kind: "split", massG: 1200, toLot: "b" })], { id: "b", pickId: "b" });
    expect([taken.get("a")!.leftG, taken.get("b")!.leftG]).toEqual([5000, 5000]);
    expect(lotsOf([event({ kind: "split", massG: 1200, toLot: null })]).get("a")!.leftG).toBe(5000);
  });
  it("two counted lots laid together: 2 kg at 100 g and 1 kg at 200 g are 25 pieces of 120 g", () => {
    const two = { massG: 2000, count: 20 };
    const one = { id: "b", pickId: "b", massG: 1000, count: 5, estimated: true };
    const lots = lotsNow([seed(two), seed(one)], [event({ kind: "merge", lotId: "b", toLot: "a" })]);
    const a = lots.get("a")!;
    expect(a.pieceG).toBeCloseTo(120, 9);
    expect(piecesLeft(a)).toBe(25);
    expect(a).toMatchObject({ leftG: 3000, estimated: true, used: { ...NOTHING, broughtG: 1000 } });
    expect(a.events.map((e) => e.kind)).toEqual(["merge"]);
    expect(lots.get("b")).toMatchObject({ leftG: 0, used: { ...NOTHING, apartG: 1000 } });
    const part = lotsNow([seed(two), seed(one)], [event({ kind: "merge", lotId: "b", toLot: "a", massG: 400 })]);
    expect(part.get("a")).toMatchObject({ leftG: 2400 });
    // 20 pieces and 2 more
    expect(piecesLeft(part.get("a")!)).toBe(22);
    expect(part.get("b")).toMatchObject({ leftG: 600, estimated: true });
  });
  it("laid together with an uncounted one, or uncounted itself, nobody knows the pieces", () => {
    const of = (into: number | null, from: number | null) =>
      lotsNow(
        [seed({ massG: 2000, count: into }), seed({ id: "b", massG: 1000, count: from })],
        [event({ kind: "merge", lotId: "b", toLot: "a" })],
      ).get("a")!.pieceG;
    expect([of(20, null), of(null, 5), of(null, null)]).toEqual([null, null, null]);
  });
  it("laid together with itself it stays as it is", () => {
    const lot = lotsOf([event({ kind: "merge", toLot: "a" })]).get("a")!;
    expect([lot.leftG, lot.used]).toEqual([5000, NOTHING]);
  });
  it("what was put by: what came out, or what went in where nobody weighed it; where it lies only when said", () => {
    const put = (over: Partial<LotEvent>) =>
      lotsNow(
        [seed({ count: 50 })],
        [
          event({ kind: "date", until: "2026-11-01", at: "2026-09-21T10:00" }),
          event({ kind: "preserve", massG: 3000, toLot: "jar", how: "pickled", note: "with dill", ...over }),
        ],
      );
    expect(put({ outG: 2500, placeId: "fridge" }).get("jar")).toMatchObject({
      startG: 2500,
      leftG: 2500,
      estimated: false,
      from: "a",
      stays: [{ placeId: "fridge", from: "2026-09-25" }],
      placed: true,
      pieceG: null,
      preserved: "pickled",
      preservedOn: "2026-09-25",
      useBy: null,
      note: "with dill",
      putByG: 0,
      used: NOTHING,
    });
    expect(put({}).get("jar")).toMatchObject({ startG: 3000, leftG: 3000, estimated: true, placed: false });
    expect(put({}).get("a")).toMatchObject({ leftG: 2000, putByG: 3000, used: { useG: 3000 } });
    const lacking: Partial<LotEvent>[] = [{ toLot: null }, { how: null }, { toLot: "a" }];
    for (const over of lacking) expect(put(over).get("a")!.leftG).toBe(5000);
  });
});

describe("what may be noted of a lot", () => {
  const mayBe = (over: Partial<LotEvent>) => lotEventSchema.safeParse(event(over)).success;
  it.each<[Partial<LotEvent>, boolean]>([
    [{ kind: "use", massG: 1 }, true],
    [{ kind: "use", massG: 0 }, false],
    [{ kind: "use", massG: 5_000_001 }, false],
    [{ kind: "preserve", toLot: "b", how: "jam", outG: 900 }, true],
    [{ kind: "preserve", toLot: "b", how: "jam", outG: 5_000_001 }, false],
    [{ kind: "move", placeId: "cellar" }, true],
    [{ kind: "move", placeId: "" }, false],
    [{ kind: "split", massG: 5, toLot: "b" }, true],
    [{ kind: "split", massG: 5, toLot: null }, false],
    [{ kind: "merge", toLot: "b" }, true],
    [{ kind: "merge", toLot: null }, false],
    [{ kind: "preserve", toLot: "b", how: "jam" }, true],
    [{ kind: "preserve", toLot: null, how: "jam" }, false],
    [{ kind: "preserve", toLot: "b", how: "jam", outG: 0 }, false],
    [{ kind: "check", ready: "ready" }, true],
    [{ kind: "date", until: "2026-13-01" }, false],
    [{ kind: "lose", cause: "x".repeat(61) }, false],
    [{ id: "" }, false],
    [{ lotId: "" }, false],
    [{ note: "x".repeat(501) }, false],
    [{ who: "x".repeat(61) }, false],
  ])("%j: %s", (over, may) => expect(mayBe(over)).toBe(may));
});

describe("what became of some picks, worked by hand", () => {
  const p = planting("carrot", { id: "p" });
  const of = (over: Partial<PickRecord>): PickRecord =>
    blankPick({ plantingId: "p", at: "2026-09-20T10:00", grossG: 1000, ...over });
  const outcomes = (picks: PickRecord[], events: LotEvent[] = []) =>
    outcomesOf(
      picks.map((x) => logged(x, p, cropOf("carrot"), "Low")),
      events,
      (entries) => seedsOf(entries, new Map([["p", p]]), book, []),
    );
  const none = {
    eatenG: 0,
    putByG: 0,
    givenG: 0,
    animalsG: 0,
    compostG: 0,
    lostG: 0,
    apartG: 0,
    leftG: 0,
    causes: [],
  };
  it("of which nothing was noted goes by its way from the basket", () => {
    const ways: Way[] = ["snacked", "give", "animals", "compost", "store", ""];
    const all = outcomes(ways.map((way, k) => of({ id: `w${k}`, way, grossG: 100 * (k + 1) })));
    expect(all).toEqual({ ...none, eatenG: 100, givenG: 200, animalsG: 300, compostG: 400, leftG: 1100 });
  });
  it("of its tops and flowers nothing is counted", () => {
    expect(outcomes([of({ id: "t", part: "tops" })])).toEqual(none);
  });
  it("that were followed: eaten without what was put by, lost by cause, most first", () => {
    const lose = (massG: number | null, cause: string) => event({ lotId: "a", kind: "lose", massG, cause });
    const all = outcomes(
      [of({ id: "a" })],
      [
        event({ lotId: "a", massG: 100 }),
        event({ lotId: "a", kind: "preserve", massG: 200, toLot: "jar", how: "jam" }),
        event({ lotId: "a", kind: "give", massG: 50 }),
        lose(30, "rotten"),
        lose(40, "mould"),
        lose(20, "rotten"),
        lose(10, ""),
      ],
    );
    expect(all).toEqual({
      ...none,
      eatenG: 100,
      putByG: 200,
      givenG: 50,
      lostG: 100,
      leftG: 550,
      causes: [
        ["rotten", 50],
        ["mould", 40],
        ["not said", 10],
      ],
    });
  });
  it("causes of the same weight stand by their names; a part's own loss counts once", () => {
    const all = outcomes(
      [of({ id: "a" })],
      [
        event({ lotId: "a", kind: "split", massG: 300, toLot: "part" }),
        event({ lotId: "part", kind: "lose", massG: 25, cause: "sprouted" }),
        event({ lotId: "a", kind: "lose", massG: 25, cause: "mould" }),
      ],
    );
    expect(all.causes).toEqual([
      ["mould", 25],
      ["sprouted", 25],
    ]);
    expect(all).toMatchObject({ apartG: 300, lostG: 25, leftG: 675 });
  });
  it("animals and compost of a sorted pick are told apart from what spoiled", () => {
    const sorted = (way: Way) => ({ grade: "damaged" as const, way, massG: 200, count: null, note: "" });
    expect(outcomes([of({ id: "a", sorted: [sorted("animals"), sorted("compost")] })])).toMatchObject({
      animalsG: 200,
      compostG: 200,
      lostG: 0,
      leftG: 600,
    });
  });
});

describe("dishes of the household", () => {
  const dish = (name: string, ...cropIds: string[]) => ({ id: name, name, cropIds, note: "" });
  it("equal in what they use stand by what is most urgent, then by name", () => {
    const all = [dish("stew", "leek"), dish("bake", "kale"), dish("ash", "kale")];
    expect(dishesFor(all, ["kale", "leek"]).map((x) => x.dish.name)).toEqual(["ash", "bake", "stew"]);
    expect(dishesFor(all, [])).toEqual([]);
  });
  it.each([
    [{ name: " " }, false],
    [{ name: "x".repeat(81) }, false],
    [{ cropIds: [] }, false],
    [{ cropIds: Array(13).fill("kale") }, false],
    [{ note: "x".repeat(1001) }, false],
    [{}, true],
  ])("%j may be kept: %s", (over, may) =>
    expect(dishSchema.safeParse({ ...dish("soup", "kale"), ...over }).success).toBe(may),
  );
});

describe("what is set aside for planting, worked by hand (common practice, no source)", () => {
  // pieces = plants × share × 1.1, rounded up
  it.each([
    ["garlic", 70, 11, 660],
    ["garlic-softneck", 110, 11, 660],
    ["garlic-elephant", 10, 3, 750],
    ["shallot", 20, 22, 440],
    ["potato", 10, 11, 660],
    ["sweet-potato", 16, 3, 750],
    ["runner-bean", 10, 15, 16.5],
  ])("%s, %s plants: %s pieces, %s g", (cropId, plants, pieces, needG) => {
    const [need] = replantNeeds([planting(cropId, { plants, startedOn: "2026-05-01" })], book, "2026");
    expect(need).toMatchObject({ cropId, plants, pieces });
    expect(need!.needG).toBeCloseTo(needG, 6);
    expect(need!.words).toBe(keepingNote({ like: cropId }));
  });
  it("of two plantings together, by the year in which they were started or ended; uncounted ones are left out", () => {
    const of = (over: object) => planting("potato", { plants: 10, startedOn: "2026-04-01", ...over });
    expect(replantNeeds([of({}), of({ plants: 5 })], book, "2026")[0]!.plants).toBe(15);
    expect(replantNeeds([of({ startedOn: "2025-10-01", endedOn: "2026-07-01" })], book, "2026")).toHaveLength(1);
    expect(replantNeeds([of({ startedOn: "2025-10-01", endedOn: null })], book, "2026")).toEqual([]);
    expect(replantNeeds([of({ plants: null })], book, "2026")).toEqual([]);
    expect(replantNeeds([planting("tomato", { plants: 4 })], book, "2026")).toEqual([]);
    expect(keepingNote({ like: "tomato" })).toBe("");
  });
});

it("pieces by the usual mass are rounded to a hundredth of a gram", () => {
  expect(massOfPieces("3 pieces", { pieceG: 33.333333 }, 1)).toBe(100);
  expect(piecesLeft({ leftG: 250, pieceG: 100 })).toBe(3);
  expect(piecesLeft({ leftG: 250, pieceG: null })).toBeNull();
});
