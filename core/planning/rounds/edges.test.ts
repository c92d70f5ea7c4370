import { describe, expect, it } from "vitest";
import { problem, slot, supply } from "../../fixtures/problem";
import type { Store, StoreOf } from "../question/problem";
import { sayLeft, sayPlace, sayReason } from "../words";
import { linesOf, lostG, reasonOf, totalsOf } from "./explain";
import { type Fullest, fullestPlaces, leftStanding } from "./left";
import { scheduleOf, urgenciesOf } from "./rounds";

/** Worked by hand on plain numbers: what is said of a line, of what is left, and what a plan sums up to. */
const line = (over: object = {}) => ({
  ...{ plantingId: "a", slot: 0, take: "ready" as const, expectedG: 2000, primeG: 2000, minutes: 9 },
  ...{ lostFrostG: 0, lostGaleG: 0, lostOverG: 0, lostSickG: 0, nextSlot: -1, skipG: 0 },
  ...over,
});

describe("why a line stands where it does", () => {
  const plan = problem(
    [slot(0, "17:15", 60), slot(3, "17:15", 60)],
    [supply("a", { frost: { 2: 0.4, 5: 0.7 }, gale: { 1: 0.6 } })],
  );
  const say = (over: object, withRounds = true) =>
    sayReason(reasonOf(plan, plan.supplies[0]!, line(over)), "metric", withRounds);
  it("disease goes first where it takes most, then frost, then a gale, then age", () => {
    expect(say({ lostSickG: 900, lostFrostG: 800 })).toMatch(
      /^disease was seen in it, and spreads; left, 900 g is lost/,
    );
    expect(say({ lostSickG: 900, lostFrostG: 900 })).toMatch(/frost/);
    expect(say({ lostFrostG: 500, lostGaleG: 500, lostOverG: 500 })).toMatch(/frost/);
    expect(say({ lostFrostG: 500, lostGaleG: 501 })).toMatch(/gale/);
    expect(say({ lostGaleG: 500, lostOverG: 500 })).toMatch(/prime|goes over/);
  });
  it("names the likeliest night and day, with their chance", () => {
    expect(say({ lostFrostG: 500 })).toBe(
      "70 % chance of frost in this bed in the night to Sunday, which harms at −1 °C; left, 500 g is lost",
    );
    expect(say({ lostGaleG: 500 })).toBe("60 % chance of a gale on Wednesday; left, 500 g is lost");
  });
  it("under 15 g nothing is said to be lost", () => {
    expect(say({ lostFrostG: 14.9 })).toMatch(/would bear waiting$/);
    expect(say({ lostOverG: 14.9 })).toMatch(/would bear waiting$/);
    expect(say({ lostOverG: 15 })).toMatch(/left, 15 g is lost/);
  });
  it("the next round would still do where it loses less than 15 % of that", () => {
    expect(say({ lostFrostG: 1000, nextSlot: 1, skipG: 149 })).toMatch(/though Fri 9 Oct would still do$/);
    expect(say({ lostFrostG: 1000, nextSlot: 1, skipG: 150 })).not.toMatch(/would still do/);
    expect(say({ lostOverG: 1000, nextSlot: 1, skipG: 900 })).toMatch(/; the next round is Fri 9 Oct; left/);
    expect(say({ lostOverG: 1000, nextSlot: 1, skipG: 900 }, false)).not.toMatch(/next round/);
  });
  it("away in between is said", () => {
    const away = problem(
      [slot(0, "17:15", 60), slot(1, "17:15", 0, { away: true }), slot(3, "17:15", 60)],
      [supply("a")],
    );
    expect(
      sayReason(reasonOf(away, away.supplies[0]!, line({ lostOverG: 900, nextSlot: 2, skipG: 800 })), "metric"),
    ).toMatch(/you are away in between, and the next round is Fri 9 Oct/);
  });
  it("what bears on begins with a first handful", () => {
    const green = problem([slot(0, "17:15", 60)], [supply("a", { once: false, readyOn: 6 })]);
    expect(sayReason(reasonOf(green, green.supplies[0]!, line({ expectedG: 120 })), "metric")).toBe(
      "a first 120 g expected by then; it bears on",
    );
  });
});

describe("what a line brings and costs", () => {
  it("all that stands and is ready, with its minutes; what skipping loses is what the night takes", () => {
    // ripe for long, good for long: 70 % frost before the second hour takes 90 % of it
    const plan = problem(
      [slot(0, "17:15", 60), slot(2, "17:15", 60)],
      [supply("a", { readyOn: -20, primeFor: 200, frost: { 1: 0.7 } })],
    );
    const [first] = linesOf(plan, plan.supplies[0]!, [{ slot: 0, take: "ready" }], [0, 1]);
    expect(first!.expectedG).toBeCloseTo(5000, 0);
    expect(first!.minutes).toBeCloseTo(3 + 5000 * 0.003, 1);
    expect(first!.nextSlot).toBe(1);
    expect(first!.skipG).toBeCloseTo(5000 * 0.7 * 0.9, -1);
    expect(lostG({ lostFrostG: 1, lostGaleG: 2, lostOverG: 3, lostSickG: 4 })).toBe(10);
  });
  it("a plan sums its lines, its rounds and what is lost untaken", () => {
    const plan = problem(
      [slot(0, "17:15", 60), slot(2, "17:15", 60)],
      ["a", "b", "c"].map((id) => supply(id, { readyOn: -20, primeFor: 200, frost: { 1: 0.7 } })),
    );
    const take = (s: number) => [{ slot: s, take: "ready" as const }];
    const both = totalsOf(plan, [take(0), take(0), []]);
    expect(both.keptG).toBeCloseTo(10_000, -1);
    expect(both.lostG).toBeCloseTo(5000 * 0.7 * 0.9, -1);
    // one round of 12 minutes, two lines of 3 and the picking
    expect(both.minutes).toBeCloseTo(12 + 2 * (3 + 15), 0);
    expect(totalsOf(plan, [take(0), take(1), []]).minutes).toBeGreaterThan(both.minutes + 12 - 10);
    expect(totalsOf(plan, [[], [], []])).toMatchObject({ keptG: 0, minutes: 0 });
  });
});

describe("what no round takes, and why", () => {
  const hour = [slot(0, "17:15", 60), slot(1, "17:15", 60)];
  const why = (over: Parameters<typeof supply>[1], more: Parameters<typeof problem>[2] = {}, slots = hour) => {
    const [left] = leftStanding(problem(slots, [supply("a", over)], more), [[]]);
    return left && sayLeft(left, "metric");
  };
  const ripe = { readyOn: -20, primeFor: 200 };
  const rafters: StoreOf = { kind: "room", place: "airy", names: ["shed rafters, airy and dry"] };
  const kale: StoreOf = { kind: "use", crop: "Kale", week: null, spared: false };
  const store = (of: StoreOf, capacity: number): Store => ({
    ...{ id: of.kind, of, capacity, over: 1 },
    draws: [{ plantingId: "a", perG: 0.002, fromT: 0, toT: 15 }],
  });
  it.each<[string, Parameters<typeof why>, string]>([
    ["nobody eats it", [{ ...ripe, worthPerG: 0 }], "you do not eat it"],
    ["green for the fortnight", [{ readyOn: 40 }], "not ready within the fortnight"],
    ["no hours", [ripe, {}, [slot(0, "17:15", 0)]], "there is no time to go out"],
    [
      "barred in every hour",
      [
        ripe,
        { bars: hour.map((s) => ({ plantingId: "a", slotId: s.id, why: { why: "for-seed" as const }, law: false })) },
      ],
      "it is kept for seed",
    ],
    [
      "longer than any hour",
      [{ ...ripe, minutesPerG: 0.02 }],
      "it takes 103 minutes, longer than any time you have for a round",
    ],
    ["a full shelf", [ripe, { stores: [store(rafters, 0)] }], "no room: shed rafters, airy and dry"],
    ["eaten enough", [ripe, { stores: [store(kale, 0)] }], "enough kale at home or on the way"],
    ["worth little", [{ ...ripe, standingG: 50 }], "it would bring less than the minutes are worth"],
    ["it can wait", [ripe], "it bears waiting"],
  ])("%s", (_, args, words) => expect(why(...args)).toBe(words));
  it("one hour that is open is enough not to be barred; tubs that are full are no room that is missing", () => {
    const one = { bars: [{ plantingId: "a", slotId: hour[0]!.id, why: { why: "wet-leaves" as const }, law: false }] };
    expect(why(ripe, one)).toBe("it bears waiting");
    expect(why(ripe, { stores: [store({ kind: "containers" }, 0)] })).toBe("it bears waiting");
  });
  it("what is taken is not left, and the rest of it is called so", () => {
    const plan = problem(hour, [supply("a", ripe), supply("a", ripe), supply("b", ripe)]);
    const left = leftStanding(plan, [[{ slot: 0, take: "ready" }], [], []]);
    expect(left.map((l) => [l.plantingId, sayLeft(l, "metric")])).toEqual([
      ["a", "the rest of it: it bears waiting"],
      ["b", "it bears waiting"],
    ]);
  });
});

describe("places when they are fullest", () => {
  const fridge: Fullest = {
    room: { kind: "room", place: "fridge", names: ["refrigerator"] },
    ...{ capacity: 35, peak: 0, day: "2026-10-06" },
  };
  it("in litres, the tightest first, with the day", () => {
    const ripe = { readyOn: -20, primeFor: 200 };
    const room = (id: string, of: StoreOf, capacity: number, plantingId: string): Store => ({
      ...{ id, of, capacity, over: 1 },
      draws: [{ plantingId, perG: 0.002, fromT: 0, toT: 15 }],
    });
    const plan = problem([slot(0, "17:15", 60)], [supply("a", ripe), supply("b", ripe)], {
      stores: [
        room("x", { kind: "room", place: "cellar", names: ["cellar"] }, 100, "a"),
        room("y", { kind: "room", place: "airy", names: ["rafters"] }, 20, "b"),
        room("z", { kind: "containers" }, 1, "a"),
      ],
    });
    const full = fullestPlaces(plan, [[{ slot: 0, take: "ready" }], [{ slot: 0, take: "ready" }]]);
    expect(full.map((f) => [f.room.names[0], Math.round(f.peak), f.day])).toEqual([
      ["rafters", 10, "2026-10-06"],
      ["cellar", 10, "2026-10-06"],
    ]);
  });
  it.each([
    [35.4, "refrigerator: 35 of 35 free litres filled by Tue 6 Oct"],
    [35.6, "refrigerator: 36 litres come by Tue 6 Oct, and 35 are free"],
  ])("%f of 35 litres is said as it is", (peak, words) => expect(sayPlace({ ...fridge, peak }, "metric")).toBe(words));
  it("in a US garden it is told in quarts", () =>
    // 30 litres are 31.7 US liquid quarts, 35 are 37.0
    expect(sayPlace({ ...fridge, peak: 30 }, "us")).toBe("refrigerator: 32 of 37 free quarts filled by Tue 6 Oct"));
});

describe("stored rounds as a schedule", () => {
  const round = (day: string, lines: [string, "ready" | "strip", number?][]) =>
    ({
      ...{ id: day, day, startsAt: "17:15", note: "", pinned: false, status: "planned", minutes: 0, source: "plan" },
      lines: lines.map(([plantingId, take, expectedG = 0], i) => ({
        ...{ id: `${day}${i}`, roundId: day, plantingId, take, expectedG, lostG: 0, minutes: 0, why: "" },
      })),
    }) as never;
  const slots = [slot(0, "17:15", 60), slot(1, "17:15", 60), slot(2, "17:15", 60)];
  it("in the order of the hours, whatever order the rounds stand in; unknown hours are left out", () => {
    const plan = problem(slots, [supply("a", { once: false }), supply("b")]);
    expect(
      scheduleOf(plan, [
        round("2026-10-08", [["a", "ready"]]),
        round("2026-10-06", [
          ["a", "ready"],
          ["b", "ready"],
        ]),
        round("2026-12-01", [["a", "ready"]]),
      ]),
    ).toEqual([
      [
        { slot: 0, take: "ready" },
        { slot: 2, take: "ready" },
      ],
      [{ slot: 0, take: "ready" }],
    ]);
  });
  it("what is lifted at once is lifted once, and a strip ends the crop", () => {
    const plan = problem(slots, [supply("a"), supply("b", { once: false })]);
    const both = (day: string, take: "ready" | "strip") =>
      round(day, [
        ["a", "ready"],
        ["b", take],
      ]);
    expect(
      scheduleOf(plan, [both("2026-10-06", "ready"), both("2026-10-07", "strip"), both("2026-10-08", "ready")]),
    ).toEqual([
      [{ slot: 0, take: "ready" }],
      [
        { slot: 0, take: "ready" },
        { slot: 1, take: "strip" },
      ],
    ]);
  });
  it("a line of a long job holds as many parts as its mass says", () => {
    const part = (index: number) => supply("a", { standingG: 1000, part: { index, of: 3 } });
    const plan = problem(slots, [part(0), part(1), part(2)]);
    expect(
      scheduleOf(plan, [round("2026-10-07", [["a", "ready", 900]]), round("2026-10-06", [["a", "ready", 2100]])]).map(
        (s) => s[0]?.slot,
      ),
    ).toEqual([0, 0, 1]);
  });
});

describe("what is urgent", () => {
  const slots = [slot(0, "17:15", 60)];
  const of = (...supplies: ReturnType<typeof supply>[]) => urgenciesOf(problem(slots, supplies));
  it("is told by what would be lost, dearest first, with its cause", () => {
    const ripe = { readyOn: -20, primeFor: 200 };
    const all = of(
      supply("frosted", { ...ripe, frost: { 2: 0.5 } }),
      supply("blown", { ...ripe, gale: { 2: 0.9 }, galeLossShare: 0.9, worthPerG: 0.01 }),
      supply("quiet", ripe),
    );
    expect(all.map((u) => [u.plantingId, u.cause])).toEqual([
      ["blown", "gale"],
      ["frosted", "frost"],
    ]);
    expect(all[1]!.lostG).toBeCloseTo(5000 * 0.5 * 0.9, -1);
    expect(all[1]!.worth).toBeCloseTo(all[1]!.lostG * 0.0015, 6);
  });
  it("is nothing that bears on and is green, nothing worth less than a hundred grams of potatoes, nothing without an hour", () => {
    expect(of(supply("green", { once: false, readyOn: 9, rateG: 500, frost: { 2: 0.9 } }))).toEqual([]);
    expect(of(supply("small", { readyOn: -20, primeFor: 200, standingG: 100, frost: { 2: 0.5 } }))).toEqual([]);
    expect(urgenciesOf(problem([], [supply("a")]))).toEqual([]);
  });
});
