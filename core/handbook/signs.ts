import type { Crop, Cue } from "./crop";

/** Somebody looked a planting all over, and nothing was ready to take: the one sign that every crop's model reads. */
export const NOTHING_READY = "nothing-ready";

type Sign = {
  id: string;
  label: string;
  ask: string;
  verdict: Extract<Cue, { kind: "event" }>["verdict"];
  advice: string;
  call?: Extract<Cue, { kind: "event" }>["call"];
  source: Cue["source"];
  on: (crop: Pick<Crop, "parts" | "habit" | "nature" | "cues" | "harvest" | "weather" | "days" | "thins">) => boolean;
};

const bears =
  (...parts: Crop["parts"]) =>
  (crop: Pick<Crop, "parts">) =>
    crop.parts.some((p) => parts.includes(p));
const fruits = bears("fruit", "pod");
const dug = (crop: Pick<Crop, "harvest">) => crop.harvest[0] === "fork";

/**
 * Signs that many crops share and that a round by the beds should catch: bites, pests, rot, failed pollination, hard
 * soil. Each says what to do; some decide by themselves. Advice is common practice unless said otherwise.
 */
const SIGNS: readonly Sign[] = [
  {
    id: "bites",
    label: "animal bites",
    ask: "Bites of birds, mice, squirrels?",
    verdict: "pick-some",
    advice: "Take what is ready or nearly so today, before the animals do; bitten pieces are for today, trimmed.",
    call: "take-bitten",
    source: "CP",
    on: bears("fruit", "pod", "seed"),
  },
  {
    id: "pest",
    label: "pests or eggs",
    ask: "Eggs, aphids, caterpillars? Turn a leaf over.",
    verdict: null,
    advice: "Crush or strip the worst, and look again in two days: eggs come back until the bed is clean.",
    source: "CP",
    on: () => true,
  },
  {
    id: "disease",
    label: "disease",
    ask: "Spots, mould, wilting that spreads?",
    verdict: null,
    advice: "Photograph it, take the affected parts away from the garden, touch this bed last and wash the blade.",
    call: "diseased",
    source: "CP",
    on: () => true,
  },
  {
    id: "sun-scald",
    label: "sun scald",
    ask: "Pale, papery patches on the sunny side?",
    verdict: null,
    advice: "Cut the patch away and use those first; leave leaves as shade.",
    source: "CP",
    on: (c) => fruits(c) && c.cues.every((q) => q.id !== "silk"),
  },
  {
    id: "split",
    label: "splitting",
    ask: "Splits or cracks?",
    verdict: "pick-some",
    advice: "Take the split ones and those as ripe as they were; they will not keep.",
    source: "CP",
    on: (c) => bears("fruit", "head")(c) || (bears("root", "stem")(c) && c.habit !== "leaf-by-leaf" && dug(c)),
  },
  {
    id: "no-pollination",
    label: "failed pollination",
    ask: "Young fruit narrow at one end, yellow or dropping?",
    verdict: null,
    advice: "Dry, hot or few insects, not a disease: take these off, water at the foot, and look at the next flowers.",
    source: "CP",
    on: (c) => fruits(c) && c.habit === "repeat",
  },
  {
    id: "heart-gone",
    label: "growing point gone",
    ask: "The tiny centre leaves eaten or cut?",
    verdict: "pick-all",
    advice: "It will not grow again: take what is there and clear it.",
    source: "CP",
    on: (c) => c.habit === "leaf-by-leaf" || c.habit === "cut-again",
  },
  {
    id: "bolting",
    label: "bolting",
    ask: "A flower stem rising?",
    verdict: "pick-all",
    advice: "Take it now while it is good, or leave it for seed if you want some.",
    call: "bolting",
    source: "CP",
    on: (c) => bears("leaf", "root", "head", "bulb")(c) && c.nature === "sizes",
  },
  {
    id: "foliage-wet",
    label: "leaves wet",
    ask: "Dew or rain on the leaves?",
    verdict: null,
    advice: "Hands off until they are dry: wet hands carry disease from plant to plant.",
    source: "EXT",
    on: (c) => c.weather.foliage === "dry" || c.weather.foliage === "fruit-dry" || c.weather.foliage === "better-dry",
  },
  {
    id: "soil-hard",
    label: "soil hard",
    ask: "Does the fork refuse to slide in?",
    verdict: null,
    advice: "Water lightly the evening before lifting: less torn skin, fewer broken roots.",
    source: "CP",
    on: dug,
  },
  {
    id: "for-seed",
    label: "leave for seed",
    ask: "Do you want to keep this one for seed?",
    verdict: "leave-for-seed",
    advice: "Mark the plant, pick nothing from it, and look when it rattles dry.",
    source: "CP",
    on: (c) => bears("pod", "seed", "leaf", "head", "root", "bulb", "fruit")(c) && c.days.yearly === null,
  },
  {
    id: "going-over",
    label: "plant going over",
    ask: "Vines or plants yellow, flopped, fruits misshapen: is it at its end?",
    verdict: "pick-all",
    advice: "It brings no more: take what is of use, and clear the bed.",
    source: "CP",
    on: (c) => fruits(c) && c.habit === "repeat" && c.days.yearly === null,
  },
  {
    id: "crowded",
    label: "crowded",
    ask: "Do they stand shoulder to shoulder?",
    verdict: "pick-some",
    advice: "Take the biggest from between the others: it is a harvest and a thinning.",
    source: "CP",
    on: (c) => c.thins,
  },
  {
    id: NOTHING_READY,
    label: "nothing to take",
    ask: "Looked it all over, and nothing is ready?",
    verdict: null,
    advice: "Noted: nothing was ready; what comes next is reckoned from here.",
    source: "CP",
    on: () => true,
  },
];

/** The crop with every shared sign that applies to it and that it does not name itself. */
export function withSigns(crop: Crop): Crop {
  const own = new Set(crop.cues.map((c) => c.id));
  const bolts = crop.cues.some((c) => c.kind === "event" && c.call === "bolting");
  const cues = SIGNS.filter((s) => !own.has(s.id) && s.on(crop) && !(s.id === "bolting" && bolts)).map(
    ({ on: _, ...s }): Cue => ({
      kind: "event",
      role: "override",
      reliability: "high",
      seconds: 2,
      usesUp: false,
      shared: true,
      call: null,
      ...s,
    }),
  );
  return { ...crop, cues: [...crop.cues, ...stockCounts(crop), ...cues] };
}

/** Counts every crop picked again and again can give: how many ready, how many soon, how many too old. */
function stockCounts(crop: Crop): Cue[] {
  if (crop.habit !== "repeat" || !bears("fruit", "pod", "head")(crop)) return [];
  const has = (of: string) => crop.cues.some((c) => c.kind === "count" && c.of === of);
  const base = { role: "supporting", reliability: "low", usesUp: false, source: "est", guessed: 4 } as const;
  const each = Math.min(40, Math.max(1, 250 / crop.yield.pieceG));
  const count = (of: "ready" | "nearly" | "over", label: string, ask: string, seconds: number, at: number[]): Cue[] =>
    has(of)
      ? []
      : [
          {
            ...base,
            kind: "count",
            id: `${of}-count`,
            of,
            label,
            ask,
            seconds,
            marks: {
              start: at[0]! * each,
              early: at[1]! * each,
              ready: at[2]! * each,
              upper: at[3]! * each,
              past: at[4]! * each,
            },
          },
        ];
  return [
    ...count("ready", "ready now", "How many are ready, on the whole planting?", 15, [0, 0.2, 0.8, 1.6, 2.4]),
    ...count("nearly", "ready within days", "How many will be ready within days?", 15, [0, 0.5, 1, 1, 1]),
    ...count("over", "too old", "How many are too old?", 15, [0, 0, 0.05, 0.5, 2]),
  ];
}
