import { describe, expect, it } from "vitest";
import { callOf } from "../planting/call";
import { CROPS, cropOf, handbookWith } from "./index";

const asks = (id: string, cue: string) => cropOf(id).cues.some((c) => c.id === cue);
const NONE = { unready: 0, nearly: 0, ready: 1, past: 0 };

describe("how a crop is taken is a field, not a word in a sentence", () => {
  it("every crop of the handbook says it", () => {
    for (const crop of CROPS) expect(crop.harvest.length, crop.id).toBeGreaterThan(0);
  });
  it("whether the fork goes in is asked of what is dug, and of nothing that is lifted by hand", () => {
    for (const id of ["potato", "carrot", "garlic", "leek", "bulb-onion"]) expect(asks(id, "soil-hard"), id).toBe(true);
    for (const id of [
      "apple",
      "pear",
      "raspberry-summer",
      "raspberry-autumn",
      "tomato",
      "fig",
      "pumpkin",
      "currant-red",
    ])
      expect(asks(id, "soil-hard"), id).toBe(false);
  });
  it("a copy keeps it, and one made before it was a field has it from the crop in whose place it stands", () => {
    const old = { ...cropOf("potato"), harvest: [], splits: false, bruises: false, wear: [] };
    expect(handbookWith([old]).of("potato").harvest).toEqual(["fork"]);
    const own = { ...cropOf("potato"), id: "own-blue", name: "Blue one" };
    expect(handbookWith([own]).of("own-blue").harvest).toEqual(["fork"]);
  });
});

describe("what a sign calls for", () => {
  const event = (id: string, cue: string) => {
    const found = cropOf(id).cues.find((c) => c.id === cue);
    if (found?.kind !== "event") throw new Error(`${id} has no sign ${cue}`);
    return found;
  };
  it.each([
    ["lettuce-head", "bolting", "bolting"],
    ["garlic", "rust", "diseased"],
    ["tomato", "blight", "diseased"],
    ["kale", "bolting", "bolting"],
    ["strawberry", "bites", "take-bitten"],
  ] as const)("%s, %s: %s", (id, cue, call) => {
    expect(callOf("pick-all", NONE, cropOf(id), event(id, cue), 0)?.id).toBe(call);
  });
  it("rhubarb's flower stalk is cut out and picking goes on; basil in bud is pinched: neither is bolting", () => {
    for (const [id, cue] of [
      ["rhubarb", cropOf("rhubarb").cues.find((c) => c.kind === "event" && !c.shared && /stalk/.test(c.label))?.id],
      ["basil", "buds"],
    ] as const)
      expect(callOf("pick-some", NONE, cropOf(id), event(id, cue!), 0)?.id).not.toBe("bolting");
  });
  it("a gardener's own words switch nothing on: a sign called 'centre of the bed' calls for nothing", () => {
    const sign = { ...event("kale", "pest"), id: "centre", label: "centre of the bed", call: null };
    expect(callOf("pick-some", NONE, cropOf("leek"), sign, 0)).toBeNull();
  });
});
