import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { situation } from "../fixtures/garden";
import { CROPS, cropOf } from "../handbook";
import type { Source } from "../handbook/crop";
import { daysRange } from "./clock";
import { judge } from "./judge";
import type { Verdict } from "./verdict";

type Readings = Record<string, number | string | boolean>;
/** crop, share of its usual days gone by, what is seen, verdicts that fit, source of the cue, school */
type Case = [string, number, Readings, Verdict[], Source, string?];

const WAIT: Verdict[] = ["not-yet", "nearly", "test-one"];
const SOME: Verdict[] = ["pick-some"];
const ALL: Verdict[] = ["pick-all"];
const PAST: Verdict[] = ["past-prime"];
const TAKE: Verdict[] = ["pick-some", "pick-all"];

/**
 * What a cue says, crop by crop. Sources are those of the cue in the crop handbook; CP is common practice, no source;
 * est an own estimate; all others as remembered from the publication named.
 */
const CASES: Case[] = [
  ["garlic-softneck", 0.75, { "test-bulb": "leek", "leaves-brown": 4 }, WAIT, "CP"],
  ["garlic-softneck", 1, { "test-bulb": "distinct", "leaves-brown": 40 }, ALL, "EXT"],
  ["garlic-softneck", 1.1, { "test-bulb": "splitting", "leaves-brown": 78 }, PAST, "EXT"],
  ["garlic-elephant", 1, { "scapes-cut": 23, "leaves-brown": 42 }, ALL, "CP"],
  ["garlic-elephant", 0.85, { "scapes-cut": 4, "leaves-brown": 8 }, WAIT, "CP"],
  ["garlic-elephant", 0.8, { rust: true }, ALL, "CP"],
  ["shallot", 1, { "tops-down": 70, neck: "folds" }, ALL, "RHS"],
  ["shallot", 0.8, { "tops-down": 5, neck: "stiff" }, WAIT, "RHS"],
  ["shallot", 1.25, { "tops-down": 100, neck: "rooting" }, PAST, "RHS"],
  ["spring-onion", 0.7, { shank: 4 }, WAIT, "EXT"],
  ["spring-onion", 1, { shank: 12, whole: 300 }, SOME, "EXT"],
  ["spring-onion", 1.4, { shank: 22 }, PAST, "EXT"],
  ["leek", 0.7, { shank: 9 }, WAIT, "RHS"],
  ["leek", 1, { shank: 14 }, SOME, "EXT", "slim"],
  ["leek", 1.1, { shank: 35, white: 150 }, SOME, "RHS"],
  ["leek", 1.6, { "flower-stem": true }, ALL, "RHS"],
  ["chives", 0.5, { "leaf-length": 60 }, WAIT, "EXT"],
  ["chives", 1, { "leaf-length": 200 }, SOME, "EXT"],
  ["radish", 0.6, { shoulder: 9 }, WAIT, "CP"],
  ["radish", 1, { shoulder: 27 }, SOME, "CP"],
  ["radish", 0.9, { shoulder: 18 }, SOME, "EXT", "small"],
  ["radish", 1.5, { shoulder: 45, firmness: "springy" }, PAST, "EXT"],
  ["radish", 1.2, { "flower-stalk": true }, ALL, "CP"],
  ["turnip", 0.6, { shoulder: 20 }, WAIT, "EXT"],
  ["turnip", 1, { shoulder: 56 }, SOME, "CP"],
  ["turnip", 1.5, { shoulder: 100 }, PAST, "EXT"],
  ["swede", 0.6, { width: 50 }, WAIT, "RHS"],
  ["swede", 1.1, { width: 110, frosts: "some" }, SOME, "RHS"],
  ["kohlrabi", 0.7, { width: 30 }, WAIT, "EXT"],
  ["kohlrabi", 1, { width: 55 }, SOME, "EXT", "small"],
  ["kohlrabi", 1.3, { width: 95, knife: "woody" }, PAST, "EXT"],
  ["kale", 0.5, { "leaf-length": 70 }, WAIT, "EXT"],
  ["kale", 0.6, { "leaf-length": 75 }, ALL, "EXT", "baby-cut"],
  ["mustard-greens", 1, { "leaf-length": 220 }, SOME, "EXT"],
  ["mustard-greens", 0.7, { "leaf-length": 70 }, WAIT, "EXT"],
  ["rocket", 0.5, { "leaf-length": 25 }, WAIT, "EXT"],
  ["rocket", 1, { "leaf-length": 85 }, ALL, "EXT"],
  ["mizuna", 1, { "leaf-length": 180 }, ALL, "est"],
  ["pak-choi", 0.6, { height: 110 }, WAIT, "EXT"],
  ["pak-choi", 1, { height: 260, base: "swollen" }, SOME, "EXT"],
  ["pak-choi", 1, { "centre-lifting": true }, ALL, "EXT"],
  ["cabbage", 0.7, { head: "cushion" }, WAIT, "EXT"],
  ["cabbage", 1.05, { head: "hard", width: 160 }, SOME, "EXT"],
  ["cabbage", 0.95, { head: "gives" }, ALL, "CP", "ahead-of-heat"],
  ["cabbage", 1.1, { crack: true }, ALL, "EXT"],
  ["calabrese", 0.8, { buds: "pinheads", width: 60 }, WAIT, "EXT"],
  ["calabrese", 1.12, { buds: "beads", width: 140 }, SOME, "EXT"],
  ["calabrese", 1, { yellow: true }, ALL, "CP"],
  ["cauliflower", 0.8, { curd: "closed", width: 60 }, WAIT, "EXT"],
  ["cauliflower", 1, { curd: "dense", width: 130 }, SOME, "EXT"],
  ["cauliflower", 1.2, { curd: "blown" }, PAST, "EXT"],
  ["brussels-sprouts", 0.7, { width: 12, firmness: "loose" }, WAIT, "EXT"],
  ["brussels-sprouts", 1, { width: 32, firmness: "hard" }, SOME, "EXT"],
  ["carrot", 0.95, { shoulder: 27 }, TAKE, "CP", "bunching"],
  ["carrot", 0.75, { shoulder: 15 }, SOME, "CP", "finger"],
  ["parsnip", 0.6, { crown: 20 }, WAIT, "EXT"],
  ["parsnip", 0.75, { crown: 20 }, SOME, "CP", "mini"],
  ["parsnip", 1.3, { crown: 60, cold: "long" }, SOME, "EXT"],
  ["celery", 0.7, { stalk: 90, snap: "thin" }, WAIT, "EXT"],
  ["celery", 1.05, { stalk: 200, snap: "juicy" }, SOME, "EXT"],
  ["celery", 1.4, { snap: "pithy", stalk: 300 }, PAST, "EXT"],
  ["celeriac", 0.7, { width: 45 }, WAIT, "RHS"],
  ["celeriac", 1.1, { width: 105 }, SOME, "RHS"],
  ["fennel-bulb", 0.7, { width: 40, shape: "flat" }, WAIT, "RHS"],
  ["fennel-bulb", 1, { width: 80, shape: "round" }, SOME, "RHS"],
  ["coriander", 1, { height: 150, leaf: "broad" }, SOME, "EXT"],
  ["coriander", 1.3, { feathery: true }, ALL, "EXT"],
  ["dill", 0.6, { height: 90 }, WAIT, "EXT"],
  ["parsley", 1, { stalk: 170, stalks: 60 }, SOME, "EXT"],
  ["beetroot", 0.7, { width: 20, clear: "buried" }, WAIT, "EXT"],
  ["beetroot", 1, { width: 44, clear: "half" }, SOME, "CP", "golf-ball"],
  ["beetroot", 0.95, { width: 40 }, WAIT, "CP", "tennis-ball"],
  ["chard", 0.5, { "leaf-length": 80 }, WAIT, "EXT"],
  ["chard", 1, { "leaf-length": 210 }, SOME, "EXT"],
  ["spinach", 1, { "leaf-length": 110, leaf: "round" }, SOME, "EXT"],
  ["spinach", 1.2, { "stem-rising": true }, ALL, "EXT"],
  ["potato-early", 0.7, { flowers: "none" }, WAIT, "EXT"],
  ["potato-early", 1.05, { flowers: "open", "test-dig": 42, "skin-rub": "slips" }, SOME, "EXT"],
  ["potato", 1.1, { "haulm-brown": 90, "haulm-dead": 18 }, ALL, "EXT", "set-skin"],
  ["potato", 1.0, { "haulm-brown": 85, "haulm-dead": 3, "skin-rub": "slips" }, WAIT, "EXT", "set-skin"],
  ["tomato-cherry", 0.8, { colour: "green", detach: "torn" }, WAIT, "H66"],
  ["tomato-cherry", 1.05, { colour: "pink", detach: "twist" }, SOME, "H66"],
  ["pepper-sweet", 0.95, { walls: "firm", width: 80, colour: 0 }, SOME, "CP", "green"],
  ["pepper-sweet", 0.95, { walls: "firm", width: 80, colour: 0 }, WAIT, "CP", "full-colour"],
  ["pepper-sweet", 1.3, { colour: 95 }, SOME, "est", "full-colour"],
  ["chilli", 0.9, { colour: 10, skin: "full" }, WAIT, "EXT"],
  ["chilli", 1.1, { colour: 95, skin: "coloured" }, SOME, "EXT"],
  ["aubergine", 0.9, { thumb: "bounces", length: 80 }, WAIT, "EXT"],
  ["aubergine", 1.05, { thumb: "recovers", shine: "glossy" }, SOME, "EXT"],
  ["aubergine", 1.3, { shine: "dull", thumb: "stays" }, PAST, "EXT"],
  ["sweet-potato", 0.8, { "root-width": 30 }, WAIT, "CP"],
  ["sweet-potato", 0.9, { "frost-due": true }, ALL, "CP"],
  ["sweet-potato", 1.1, { "root-width": 70, "tips-yellow": 15 }, ALL, "CP"],
  ["ginger", 1.15, { "stems-brown": 60, edge: "knobs" }, ALL, "EXT"],
  // C12.2: silk to milk stage 18 to 22 days (Ritchie, Hanway & Benson, Iowa State Special Report 48, 1986)
  ["sweet-corn", 1, { "silk-out": 20, silk: "brown" }, SOME, "EXT"],
  ["sweet-corn", 0.95, { "silk-out": 12, silk: "tips" }, WAIT, "EXT"],
  ["sweet-corn", 1.1, { juice: "dough", silk: "crumbly" }, PAST, "EXT"],
  ["okra", 1.2, { length: 85, tip: "snaps" }, SOME, "EXT"],
  ["okra", 1.1, { length: 140, tip: "bends" }, PAST, "EXT"],
  ["cucumber", 0.9, { length: 90, colour: "thin" }, WAIT, "EXT"],
  ["cucumber", 0.9, { length: 95 }, SOME, "CP", "snack"],
  ["cucumber", 1.05, { length: 210, colour: "even" }, SOME, "EXT"],
  ["cucumber", 1.2, { length: 290, colour: "dull" }, PAST, "EXT"],
  ["courgette", 1.05, { length: 170, width: 40 }, SOME, "CP"],
  ["patty-pan", 1.15, { width: 64, rind: "nicked" }, SOME, "EXT"],
  ["patty-pan", 1.2, { width: 115, rind: "hard" }, PAST, "EXT"],
  ["pumpkin", 0.8, { colour: 30, rind: "dents" }, WAIT, "EXT"],
  ["pumpkin", 1.1, { colour: 95, rind: "hard" }, ALL, "EXT"],
  ["melon-netted", 0.9, { slip: "tight", colour: "green" }, WAIT, "EXT"],
  ["melon-netted", 1.05, { slip: "full", colour: "gold", smell: "sweet" }, SOME, "EXT"],
  ["melon-netted", 1.1, { slip: "off", smell: "sour" }, PAST, "EXT"],
  ["watermelon", 0.9, { tendril: "green", ground: "white" }, WAIT, "EXT"],
  ["watermelon", 1.05, { tendril: "dry", ground: "yellow" }, SOME, "EXT"],
  ["french-bean-bush", 0.85, { "pod-width": 3.5, snap: "bends" }, WAIT, "EXT"],
  ["french-bean-bush", 1, { "pod-width": 8, snap: "snaps" }, SOME, "EXT"],
  ["runner-bean", 1.05, { "pod-length": 200, snap: "clean" }, SOME, "RHS"],
  ["runner-bean", 1.2, { "pod-length": 270, snap: "string" }, PAST, "RHS"],
  ["broad-bean", 0.9, { "pod-fill": 20, scar: "none" }, WAIT, "EXT"],
  ["broad-bean", 1.05, { "pod-fill": 75, scar: "green" }, SOME, "EXT"],
  ["broad-bean", 1.2, { "pod-fill": 100, scar: "black" }, PAST, "EXT"],
  ["dry-bean", 0.95, { "pods-tan": 30, nail: "dents" }, WAIT, "EXT"],
  ["dry-bean", 1.1, { "pods-tan": 88, sound: "rattles" }, ALL, "EXT"],
  ["dry-bean", 1, { "long-rain": true }, ALL, "EXT"],
  ["pea-shelling", 0.9, { "pod-fill": 40, colour: "flat" }, WAIT, "CP"],
  ["pea-shelling", 1.05, { "pod-fill": 90, colour: "glossy" }, SOME, "CP"],
  ["pea-shelling", 1.25, { colour: "dull", taste: "mealy" }, PAST, "EXT"],
  ["pea-snap", 1.05, { "pod-fill": 80, thickness: 12 }, SOME, "EXT"],
  ["mangetout", 1, { "pod-fill": 8, length: 70 }, SOME, "EXT"],
  ["mangetout", 1.15, { "pod-fill": 55 }, PAST, "EXT"],
  ["lettuce-head", 0.8, { head: "loose" }, WAIT, "EXT"],
  ["lettuce-head", 1, { head: "gives" }, SOME, "EXT"],
  ["chamomile", 1, { rays: "flat", smell: "apple" }, SOME, "EXT"],
  ["zinnia", 1, { wobble: "stiff", bloom: "open" }, SOME, "CUT"],
  ["zinnia", 0.95, { wobble: "wobbles", bloom: "opening" }, WAIT, "CUT"],
  ["dahlia", 1.2, { bloom: "full", back: "firm" }, SOME, "CUT"],
  ["cosmos", 1.15, { bud: "coloured" }, SOME, "CUT"],
  ["sunflower-seed", 0.9, { back: "green", seed: "soft" }, WAIT, "EXT"],
  ["sunflower-seed", 1.1, { back: "brown", seed: "plump" }, SOME, "EXT"],
  ["basil", 1, { height: 180, stem: "green" }, SOME, "EXT"],
  ["basil", 1, { buds: true }, ALL, "CP"],
  ["oregano", 1.05, { height: 220, buds: "seen" }, ALL, "EXT"],
  ["strawberry", 0.85, { colour: 30, detach: "torn" }, WAIT, "EXT"],
  ["strawberry", 1.05, { colour: 100, detach: "twist" }, SOME, "EXT"],
  ["raspberry-summer", 1.05, { detach: "twist", colour: "full" }, SOME, "CP"],
  ["raspberry-autumn", 0.9, { detach: "torn", colour: "pale" }, WAIT, "CP"],
  ["peach", 0.9, { ground: "green", firmness: "hard" }, WAIT, "CP"],
  ["peach", 1.05, { ground: "none", firmness: "hint", detach: "twist" }, SOME, "CP"],
  ["peach", 1.1, { firmness: "mush", detach: "ground" }, PAST, "EXT"],
  ["apple", 0.9, { detach: "torn", ground: "grass" }, WAIT, "RHS"],
  ["apple", 1.05, { detach: "twist", seed: "brown" }, SOME, "RHS"],
  ["pear", 1.12, { tilt: "snaps", firmness: "hard" }, ALL, "EXT"],
  ["pear", 0.85, { tilt: "holds", seed: "white" }, WAIT, "EXT"],
  ["plum", 1.05, { firmness: "gives", colour: "full" }, SOME, "EXT"],
  ["currant-red", 1.05, { colour: "through", firmness: "hint" }, ALL, "CP"],
  ["blackcurrant", 1.05, { colour: "black", black: 5 }, SOME, "RHS"],
  ["gooseberry", 0.8, { width: 15, firmness: "hard" }, SOME, "RHS", "green-thinning"],
  ["gooseberry", 1.1, { width: 23, firmness: "gives", colour: "full" }, SOME, "RHS", "dessert"],
  ["blueberry", 0.95, { colour: "red-ring", detach: "torn" }, WAIT, "EXT"],
  ["blueberry", 1.1, { colour: "blue", detach: "falls" }, SOME, "EXT"],
  ["fig", 1.05, { feel: "soft", detach: "twist", neck: "hanging" }, SOME, "CP"],
  ["rhubarb", 0.7, { stalk: 150 }, WAIT, "EXT"],
  ["rhubarb", 1.1, { stalk: 330 }, SOME, "EXT"],
  ["asparagus", 1.2, { length: 200, tip: "tight" }, SOME, "EXT"],
  ["asparagus", 1.5, { thin: true }, ["leave-for-seed"], "EXT"],
];

describe("from situation to verdict, crop by crop", () => {
  it("covers at least 60 crops in at least 120 situations", () => {
    expect(CASES.length).toBeGreaterThanOrEqual(120);
    expect(new Set(CASES.map(([crop]) => crop)).size).toBeGreaterThanOrEqual(60);
  });
  it.each(
    CASES.map((c) => {
      const [crop, share, readings, verdicts, , school] = c;
      const seen = Object.entries(readings).map(([cue, value]) => (value === true ? cue : `${cue} ${value}`));
      return [`${crop}${school ? ` (${school})` : ""} at ${share}: ${seen.join(", ")} → ${verdicts[0]}`, c] as const;
    }),
  )("%s", (_, [cropId, share, readings, verdicts, , schoolId]) => {
    const crop = cropOf(cropId);
    const start = crop.days.sown ? "sown" : crop.days.transplanted ? "transplanted" : "planted";
    const { minDays, maxDays } = daysRange({ packetMinDays: null, packetMaxDays: null, startedHow: start }, crop);
    const age = Math.round((share * (minDays + maxDays)) / 2);
    const year = crop.usualStart >= "09-01" ? "2025" : "2026";
    const s = {
      cropId,
      age,
      readings,
      ...(crop.days.yearly ? {} : { planting: { startedOn: `${year}-${crop.usualStart}` } }),
      ...(schoolId ? { schoolId } : {}),
    };
    const j = judge(situation(s));
    expect(verdicts, `${j.verdict} ${JSON.stringify(j.chances)} mean ${j.meanStage.toFixed(2)}`).toContain(j.verdict);
    expect(j.lookAgain > addDays(`${year}-${crop.usualStart}`, age)).toBe(true);
  });
  it("a school that goes by the date takes carrots of any size once it has come, and not before", () => {
    const at = (age: number, schoolId: string) =>
      judge(situation({ cropId: "carrot", schoolId, age, readings: { shoulder: 12 } })).verdict;
    expect([at(114, "by-date"), at(60, "by-date"), at(114, "bunching")]).toEqual(["pick-all", "nearly", "not-yet"]);
  });
  it("names a source for every cue of every crop", () => {
    for (const crop of CROPS) for (const cue of crop.cues) expect(cue.source, `${crop.id}/${cue.id}`).toBeTruthy();
  });
});
