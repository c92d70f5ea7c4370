import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { houseOf } from "../keep/keep.server";
import { gardenNow } from "../server/garden-now.server";
import { takeWaiting } from "./waiting.server";

let garden: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
});
afterAll(() => garden.end());

function send(to: string, fields: Record<string, string>) {
  const form = new FormData();
  for (const [name, value] of Object.entries({ to, ...fields })) form.append(name, value);
  return takeWaiting(form);
}
const HOUR_MS = 3_600_000;

describe("the door for changes that waited for the signal", () => {
  it("logs a look and a pick once, however often they are sent", async () => {
    const look = { id: "waited-look-1", "cue-colour": "red", note: "by the wall" };
    const pick = {
      ...{ id: "waited-pick-1", plantingId: "tom-wall", gross: "900 kg", extent: "some", grade: "sound" },
      ...{ at: "2026-10-06T14:00", part: "crop" },
    };
    for (let i = 0; i < 2; i++) {
      expect(await send("/walk/tom-wall", look)).toEqual({ taken: true });
      // 900 kg would be doubted at the form; nobody is there to be asked, so it is kept
      expect(await send("/picks/new", pick)).toEqual({ taken: true });
    }
    const { checks, picks } = gardenNow().snapshot;
    expect(checks.filter((c) => c.id === "waited-look-1")).toMatchObject([{ note: "by the wall" }]);
    expect(picks.filter((p) => p.id === "waited-pick-1")).toMatchObject([{ grossG: 900_000 }]);
  });
  it("bears the hour at which it was done, not at which it came", async () => {
    expect(await send("/tick", { id: "kit knife", done: "yes", agoMs: `${2 * HOUR_MS}` })).toEqual({ taken: true });
    expect(gardenNow().snapshot.ticks.find((t) => t.id === "kit knife")?.at).toBe("2026-10-06T13:30");
    expect(await send("/tick", { id: "kit knife", done: "no" })).toEqual({ taken: true });
    expect(gardenNow().snapshot.ticks.some((t) => t.id === "kit knife")).toBe(false);
  });
  it("says why it does not take something, and changes nothing", async () => {
    const picks = gardenNow().snapshot.picks.length;
    expect(await send("/walk/gone", { id: "waited-2xx" })).toMatchObject({
      refused: "what it belongs to is no longer in the garden",
    });
    const wrong = { id: "waited-pick-2", plantingId: "tom-wall", gross: "heaps", extent: "some", grade: "sound" };
    expect(await send("/picks/new", { ...wrong, at: "2026-10-06T14:00" })).toMatchObject({ taken: false });
    expect(await send("/settings", { id: "waited-3xx" })).toMatchObject({ refused: "it cannot wait like this" });
    expect(await send("/jobs/mark", { id: "waited-4xx", jobId: "none", of: "", what: "done" })).toMatchObject({
      refused: "it is no longer there to be marked",
    });
    expect(gardenNow().snapshot.picks).toHaveLength(picks);
  });
  it("shows what was done to a lot meanwhile, and does it all the same only when told to, once", async () => {
    const lot = houseOf(gardenNow()).stock[0]!.lot;
    const to = `/keep/lots/${lot.id}`;
    const seen = lot.events.at(-1)?.id ?? "";
    expect(await send(to, { id: "waited-note-1", intent: "check", "check-note": "soft", seen })).toEqual({
      taken: true,
    });
    const use = { id: "waited-use-1", intent: "use", seen };
    expect(await send(to, use)).toMatchObject({ taken: false, meanwhile: expect.stringContaining("Looked at: soft") });
    const uses = () => gardenNow().snapshot.lotEvents.filter((e) => e.lotId === lot.id && e.kind === "use");
    const used = uses().length;
    const made = { ...use, sure: "yes", agoMs: "60000" };
    expect(await send(to, made)).toEqual({ taken: true });
    expect(uses()).toHaveLength(used + 1);
    expect(houseOf(gardenNow()).lots.get(lot.id)!.leftG).toBe(0);
  });
  it("what was done to one lot within a minute keeps its order", async () => {
    const lot = houseOf(gardenNow()).stock[1]!.lot;
    const to = `/keep/lots/${lot.id}`;
    const place = gardenNow().snapshot.places.at(-1)!.id;
    await send(to, { id: "waited-zz-first", intent: "move", "move-place": place, agoMs: "5000" });
    await send(to, { id: "waited-aa-later", intent: "check", "check-note": "after", agoMs: "1000" });
    const events = houseOf(gardenNow()).lots.get(lot.id)!.events.slice(-2);
    expect(events.map((e) => e.kind)).toEqual(["move", "check"]);
  });
});
