import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { check, type Situation, situation } from "../fixtures/garden";
import { CROPS, cropOf, findCrop, schoolOf } from "../handbook";
import { HABITS } from "../handbook/crop";
import { readingFault } from "./cue-kinds";
import { judge } from "./judge";
import { observe, predictDay } from "./stage-filter";
import { CELLS, chancesOf, entropyBits, freshStage, landmarkAt, meanStage } from "./stage-grid";
import { isPick, type Verdict } from "./verdict";
import { sayReading, sayReasons } from "./words";

describe("the handbook", () => {
  it("has the crops of a home garden, of every habit", () => {
    expect(CROPS.length).toBeGreaterThanOrEqual(85);
    expect(new Set(CROPS.map((c) => c.habit)).size).toBe(HABITS.length);
    expect(findCrop("dragon-fruit")).toBeNull();
    expect(() => cropOf("dragon-fruit")).toThrow(RangeError);
  });
  it("gives every school cues that its crop has, and every choice options that exist", () => {
    for (const crop of CROPS)
      for (const school of crop.schools)
        for (const [cueId, view] of Object.entries(school.cues)) {
          const cue = crop.cues.find((c) => c.id === cueId);
          expect(cue, `${crop.id}/${school.id}/${cueId}`).toBeDefined();
          if (cue?.kind === "choice")
            for (const option of Object.keys(view.optionAt ?? {}))
              expect(cue.options.map((o) => o.id)).toContain(option);
        }
  });
  // C7.1: 7 CFR 51.1860, the six classes of fresh tomatoes in order; ripeness must rise with them
  it("orders the tomato colours as the US standards do", () => {
    const colour = cropOf("tomato").cues.find((c) => c.id === "colour");
    if (colour?.kind !== "choice") throw new Error("colour is a choice");
    expect(colour.options.slice(0, 6).map((o) => o.id)).toEqual([
      "green",
      "breaker",
      "turning",
      "pink",
      "light-red",
      "red",
    ]);
    const stages = colour.options.map((o) => o.at);
    expect([...stages].sort((a, b) => a - b)).toEqual(stages);
    expect(colour.options.map((o) => o.label).join()).toMatch(/up to 10 %.*10–30 %.*30–60 %.*60–90 %.*over 90 %/);
  });
  // C12.4: frost rank, USDA lists (order of magnitude, from memory): tender crops are lost at or just below 0 °C, kale is not
  it("ranks frost as the published lists do", () => {
    for (const id of ["tomato", "courgette", "french-bean-climbing", "winter-squash"])
      expect(cropOf(id).weather.killC).toBeGreaterThanOrEqual(-1);
    for (const id of ["carrot", "kale"]) expect(cropOf(id).weather.killC).toBeLessThan(-5);
  });
});

/** Situations of the trade (common practice, no source, unless said) and the verdicts they must lead to. */
const cases: [string, Situation, Verdict[]][] = [
  [
    "onion, tops stiff in July",
    { cropId: "bulb-onion", age: 95, readings: { "tops-down": 0, neck: "stiff" } },
    ["not-yet"],
  ],
  [
    "onion, half the tops down and necks fold (Handbook 66: lift at 50–80 % down)",
    { cropId: "bulb-onion", age: 125, readings: { "tops-down": 60, neck: "folds" } },
    ["pick-all"],
  ],
  [
    "onion, a tenth down",
    { cropId: "bulb-onion", age: 115, readings: { "tops-down": 10, neck: "giving" } },
    ["nearly", "not-yet"],
  ],
  [
    "onion, all down, papery and rooting again",
    { cropId: "bulb-onion", age: 165, readings: { "tops-down": 100, neck: "papery" } },
    ["past-prime"],
  ],
  [
    "onion, flower stalks: those out now",
    { cropId: "bulb-onion", age: 80, readings: { "flower-stalk": true } },
    ["pick-some"],
  ],
  [
    "garlic at six months: like a leek",
    {
      cropId: "garlic",
      age: 180,
      planting: { startedOn: "2025-10-20" },
      readings: { "test-bulb": "leek", "leaves-brown": 5 },
    },
    ["not-yet"],
  ],
  [
    "garlic, a third brown and cloves plump",
    {
      cropId: "garlic",
      age: 262,
      planting: { startedOn: "2025-10-20" },
      readings: { "leaves-brown": 40, "test-bulb": "plump" },
    },
    ["pick-all"],
  ],
  [
    "garlic with rust: lift early",
    { cropId: "garlic", age: 215, planting: { startedOn: "2025-10-20" }, readings: { rust: true } },
    ["pick-all"],
  ],
  ["carrot, pencil shoulders at six weeks", { cropId: "carrot", age: 42, readings: { shoulder: 6 } }, ["not-yet"]],
  [
    "carrot, coin-wide shoulders",
    { cropId: "carrot", age: 95, schoolId: "bunching", readings: { shoulder: 25 } },
    ["pick-some"],
  ],
  [
    "carrot, finger school takes thumb-thin ones",
    { cropId: "carrot", age: 70, schoolId: "finger", readings: { shoulder: 15 } },
    ["pick-some"],
  ],
  [
    "the same width is not storing size",
    { cropId: "carrot", age: 75, schoolId: "storing", readings: { shoulder: 15 } },
    ["not-yet", "nearly"],
  ],
  ["potato, haulm green", { cropId: "potato", age: 85, readings: { "haulm-brown": 5 } }, ["not-yet"]],
  [
    "potato, haulm dead and skin holds",
    { cropId: "potato", age: 145, readings: { "haulm-brown": 95, "skin-rub": "holds" } },
    ["pick-all"],
  ],
  [
    "potato, skin slips: not for storing",
    { cropId: "potato", age: 115, readings: { "haulm-brown": 40, "skin-rub": "slips" } },
    ["not-yet", "nearly"],
  ],
  ["potato with blight", { cropId: "potato", age: 100, readings: { blight: true } }, ["pick-all"]],
  ["tomato, all green", { cropId: "tomato", age: 55, readings: { colour: "green", firmness: "hard" } }, ["not-yet"]],
  [
    "tomato, pink, half-colour school",
    { cropId: "tomato", age: 95, schoolId: "half-colour", readings: { colour: "pink" } },
    ["pick-some"],
  ],
  [
    "tomato, turning, first-blush school",
    { cropId: "tomato", age: 85, schoolId: "first-blush", readings: { colour: "turning", coloured: 9 } },
    ["pick-some"],
  ],
  [
    "tomato, pink, full-colour school waits",
    { cropId: "tomato", age: 92, schoolId: "full-colour", readings: { colour: "pink" } },
    ["nearly", "not-yet"],
  ],
  ["courgette, finger small", { cropId: "courgette", age: 38, readings: { length: 60 } }, ["not-yet"]],
  ["courgette, hand long", { cropId: "courgette", age: 60, readings: { length: 170 } }, ["pick-some"]],
  ["courgette, back from three days away", { cropId: "courgette", age: 75, readings: { length: 380 } }, ["past-prime"]],
  [
    "bean, thin pods that bend",
    { cropId: "french-bean-climbing", age: 65, readings: { "pod-width": 4, snap: "bends" } },
    ["not-yet", "nearly"],
  ],
  [
    "bean, pencil-thick and snapping",
    { cropId: "french-bean-climbing", age: 90, readings: { "pod-width": 8, snap: "snaps" } },
    ["pick-some"],
  ],
  [
    "bean, seeds outlined and stringy",
    { cropId: "french-bean-climbing", age: 112, readings: { "pod-fill": 85, snap: "stringy" } },
    ["past-prime"],
  ],
  [
    "lettuce, finger-long leaves",
    { cropId: "lettuce-loose-leaf", age: 26, readings: { "leaf-length": 60 } },
    ["not-yet"],
  ],
  [
    "lettuce, full heart",
    { cropId: "lettuce-loose-leaf", age: 58, readings: { "leaf-length": 135, heart: "full" } },
    ["pick-some"],
  ],
  [
    "lettuce bolting: all of it today",
    { cropId: "lettuce-loose-leaf", age: 62, readings: { bolting: true } },
    ["pick-all"],
  ],
  ["kale, hand-long leaves", { cropId: "kale", age: 80, readings: { "leaf-length": 190 } }, ["pick-some"]],
  [
    "kale neglected for weeks",
    { cropId: "kale", age: 140, readings: { "lower-leaves": "yellow", "leaf-length": 300 } },
    ["past-prime"],
  ],
  [
    "squash, nail dents and stalk green",
    { cropId: "winter-squash", age: 85, readings: { rind: "dents", stalk: "green" } },
    ["not-yet"],
  ],
  [
    "squash, hard rind, corky stalk",
    { cropId: "winter-squash", age: 125, readings: { rind: "hard", stalk: "corky" } },
    ["pick-all"],
  ],
];

describe("from situation to verdict", () => {
  it.each(cases)("%s", (_, s, verdicts) => {
    const j = judge(situation(s));
    expect(verdicts, JSON.stringify(j.chances)).toContain(j.verdict);
  });
});

describe("the same look, another school", () => {
  const ripe = (s: Situation) => {
    const { ready, past } = judge(situation(s)).chances;
    return ready + past;
  };
  it.each([
    [
      "onion tops 55 % down",
      "bulb-onion",
      118,
      { "tops-down": 55 },
      ["all-at-once", "half-down", "most-down", "cured-in-bed"],
    ],
    ["garlic 40 % brown", "garlic", 250, { "leaves-brown": 40 }, ["third-brown", "half-brown"]],
    ["carrot 20 mm wide", "carrot", 85, { shoulder: 20 }, ["finger", "bunching", "storing"]],
    ["tomato turning", "tomato", 78, { colour: "turning" }, ["first-blush", "half-colour", "full-colour"]],
    ["potato skins scuff", "potato", 125, { "skin-rub": "scuffs" }, ["dig-as-needed", "dead-top", "set-skin"]],
    ["courgette 12 cm", "courgette", 46, { length: 120 }, ["with-flower", "small", "large-tender"]],
    ["bean pods 6 mm thick", "french-bean-climbing", 76, { "pod-width": 6 }, ["thin", "standard"]],
    ["lettuce leaves 8 cm", "lettuce-loose-leaf", 38, { "leaf-length": 80 }, ["baby", "outer-leaves"]],
    ["kale leaves 9 cm", "kale", 50, { "leaf-length": 90 }, ["baby-cut", "bottom-up"]],
    ["squash with corky streaks", "winter-squash", 100, { stalk: "corking" }, ["one-day-before-frost", "vine-dead"]],
  ] as [string, string, number, Record<string, number | string>, string[]][])(
    "%s: readier for the earlier school",
    (_, cropId, age, readings, schools) => {
      const over = cropId === "garlic" ? { planting: { startedOn: "2025-10-20" } } : {};
      const chances = schools.map((schoolId) => ripe({ cropId, age, readings, schoolId, ...over }));
      expect([...chances].sort((a, b) => b - a)).toEqual(chances);
      expect(chances[0]! - chances.at(-1)!).toBeGreaterThan(0.02);
    },
  );
});

describe("readings on the way to ripe, for every measured cue of every crop", () => {
  const cues = CROPS.flatMap((crop) =>
    crop.cues.filter((c) => c.kind === "measure" || c.kind === "percent").map((cue) => ({ crop, cue })),
  );
  it.each(cues.map(({ crop, cue }) => [`${crop.name}: ${cue.label}`, crop, cue] as const))(
    "%s: more of it never makes ripe less likely, up to ready",
    (_, crop, cue) => {
      const marks = "marks" in cue ? cue.marks : null;
      const age =
        crop.id === "garlic"
          ? 245
          : 0.95 * ((crop.days.sown ?? crop.days.transplanted ?? crop.days.planted ?? [80, 80])[1] ?? 80);
      const chances = [0.4, 0.7, 0.9, 1.1].map((s) => {
        const value = Math.max(1, Math.round(landmarkAt(marks!, s)));
        const { ready, past } = judge(
          situation({
            cropId: crop.id,
            age: Math.round(age),
            readings: { [cue.id]: value },
            ...(crop.id === "garlic" ? { planting: { startedOn: "2025-10-20" } } : {}),
          }),
        ).chances;
        return ready + past;
      });
      chances.forEach((c, i) => {
        // a look that contradicts the clock by far may leave some doubt, never a verdict to pick
        if (i > 0) expect(c).toBeGreaterThanOrEqual(chances[i - 1]! - 0.15);
      });
      if (cue.role === "decisive") expect(chances[0]).toBeLessThan(0.5);
    },
  );
});

describe("what readings do", () => {
  it("one wild reading widens the doubt instead of flipping the verdict", () => {
    const calm = situation({ cropId: "bulb-onion", age: 125, readings: { "tops-down": 65, neck: "folds" } });
    const wild = {
      ...calm,
      checks: [...calm.checks, check(calm.today, [{ cueId: "bulb-width", value: 5 }])],
    };
    const before = judge(calm);
    const after = judge(wild);
    expect(isPick(after.verdict)).toBe(true);
    expect(after.chances.ready).toBeLessThanOrEqual(before.chances.ready + 1e-9);
    expect(entropyBits(after.chances)).toBeGreaterThan(entropyBits(before.chances));
  });
  it("deleting a reading takes back all it did", () => {
    const input = situation({ cropId: "tomato", age: 72, readings: { colour: "red" } });
    const without = judge({ ...input, checks: [] });
    expect(judge({ ...input, checks: [] }).chances).toEqual(without.chances);
    const riper = judge(input).chances;
    expect(riper.ready + riper.past).toBeGreaterThan(without.chances.ready + without.chances.past + 0.1);
  });
  it("puts the weightiest reason first, in words with dates", () => {
    const input = situation({
      cropId: "bulb-onion",
      age: 112,
      readings: { "tops-down": 75, "bulb-width": 66 },
    });
    const reasons = sayReasons(judge(input), input.crop, input.school, input.today, "metric");
    expect(reasons[0]).toBe("tops fallen 75 % (today): right for this way of picking");
    expect(reasons.at(-1)).toMatch(/day 112; the handbook says 100–150; \d+ % of the warmth to “Half down” has come/);
  });
  it("asks for the cheap telling reading before the costly one", () => {
    const worth = judge(situation({ cropId: "potato", age: 125 })).worth;
    expect(worth[0]!.cue.id).toBe("haulm-brown");
    expect(worth[0]!.bits).toBeGreaterThan(0.1);
    expect(worth.at(-1)!.cue.kind).toBe("event");
  });
  it("a full pick starts a repeat cropper's clock again and ends a once-over one", () => {
    const s: Situation = { cropId: "courgette", age: 70, readings: { length: 190 } };
    const today = addDays("2026-05-25", 70);
    const picked = judge(situation({ ...s, picks: [{ day: today, extent: "all-ready" }] }));
    expect(isPick(picked.verdict)).toBe(false);
    expect(picked.regime).toBe("bears");
    expect(picked.days[5]!.ready + picked.days[5]!.past).toBeGreaterThan(0.8);
  });
  it("says to look again sooner the nearer it is, and never today", () => {
    const early = judge(situation({ cropId: "winter-squash", age: 40 }));
    const late = judge(situation({ cropId: "winter-squash", age: 95, readings: { rind: "marks" } }));
    expect(late.lookAgain > addDays("2026-05-25", 95)).toBe(true);
    expect(early.lookAgain > addDays("2026-05-25", 47)).toBe(true);
  });
  it("refuses values a cue cannot have, and says readings in the user's units", () => {
    const onion = cropOf("bulb-onion");
    const cue = (id: string) => onion.cues.find((c) => c.id === id)!;
    expect(readingFault(cue("tops-down"), 120)).toMatch(/0 to 100/);
    expect(readingFault(cue("neck"), "floppy")).toMatch(/one of: stiff/);
    expect(readingFault(cue("bulb-width"), -1)).toMatch(/above zero/);
    expect(readingFault(cue("flower-stalk"), "yes")).toBe("yes or no");
    expect(readingFault(cue("neck"), "folds")).toBeNull();
    expect(sayReading(cue("bulb-width"), 64, "us")).toBe("bulb width 2.5 in");
  });
});

describe("laws of the filter", () => {
  it("stays a distribution through any steps and readings", () => {
    const step = fc.record({
      before: fc.double({ min: 0, max: 0.4, noNaN: true }),
      after: fc.double({ min: 0, max: 0.9, noNaN: true }),
      spreadBefore: fc.double({ min: 0, max: 0.6, noNaN: true }),
      spreadAfter: fc.double({ min: 0, max: 0.6, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 60 }), fc.double({ min: 0, max: 2, noNaN: true }), (steps, centre) => {
        let stage = freshStage();
        for (const s of steps) stage = predictDay(stage, s, new Float64Array(CELLS));
        observe(
          stage,
          Float64Array.from(stage, (_, i) => 0.05 + Math.exp(-((i / 80 - centre) ** 2))),
        );
        const sum = stage.reduce((a, b) => a + b, 0);
        expect(sum).toBeCloseTo(1, 9);
        expect(Math.min(...stage)).toBeGreaterThanOrEqual(-1e-12);
        const c = chancesOf(stage);
        expect(c.unready + c.nearly + c.ready + c.past).toBeCloseTo(1, 9);
      }),
    );
  });
  it("moves the mean by the day's progress and the variance by the spread", () => {
    let stage = freshStage();
    for (let i = 0; i < 50; i++)
      stage = predictDay(
        stage,
        { before: 0.01, after: 0.01, spreadBefore: 0.15, spreadAfter: 0.15 },
        new Float64Array(CELLS),
      );
    const variance = stage.reduce((v, p, i) => v + p * (i * 0.0125 - meanStage(stage)) ** 2, 0);
    expect(meanStage(stage)).toBeCloseTo(0.5, 1);
    expect(Math.sqrt(variance)).toBeCloseTo(0.15 * Math.SQRT1_2, 1);
  });
  it("more warmth is never later", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CROPS.map((c) => c.id)),
        fc.integer({ min: 30, max: 110 }),
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        (cropId, age, warmer) => {
          const cool = judge(situation({ cropId, age }));
          const warm = judge(situation({ cropId, age, warmerC: warmer }));
          // a flush that is over sooner leaves nothing sooner: that is not later
          if (warm.flushOver) return;
          expect(warm.chances.ready + warm.chances.past).toBeGreaterThanOrEqual(
            cool.chances.ready + cool.chances.past - 1e-9,
          );
        },
      ),
      { numRuns: 60 },
    );
  });
  it("shade and a cold pocket are later, a polytunnel earlier", () => {
    const plain = judge(situation({ cropId: "tomato", age: 75 })).meanStage;
    expect(judge(situation({ cropId: "tomato", age: 75, bed: { sunHours: 3 } })).meanStage).toBeLessThan(plain);
    expect(judge(situation({ cropId: "tomato", age: 75, bed: { nightOffsetC: -2 } })).meanStage).toBeLessThan(plain);
    expect(judge(situation({ cropId: "tomato", age: 75, bed: { cover: "polytunnel" } })).meanStage).toBeGreaterThan(
      plain,
    );
  });
  it("reads landmark curves at their corners", () => {
    const marks = { start: 0, early: 10, ready: 20, upper: 30, past: 50 };
    expect([0, 0.6, 1, 1.5, 2].map((s) => landmarkAt(marks, s))).toEqual([0, 10, 20, 30, 50]);
  });
  it("falls back to a crop's first school when a school is unknown", () => {
    expect(schoolOf(cropOf("kale"), "nonsense").id).toBe("bottom-up");
  });
});
