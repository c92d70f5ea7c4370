import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { addDays } from "#core/calendar/day";
import { trayDays } from "#core/season/series";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { loader as plantingPage } from "../plot/planting";
import { gardenNow, handbook } from "../server/garden-now.server";
import { bedFree } from "./estimates.server";
import { bedsView } from "./season-beds.server";
import { loader as sowingsPage } from "./season-sowings";
import { aheadOf, changeSeries } from "./series.server";

let garden: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
});
afterAll(() => garden.end());

const view = (query: string) => sowingsPage({ url: new URL(`http://garden/season/sowings?${query}`) } as never);
const send = (typed: Record<string, string>) => changeSeries(gardenNow(), typed, "");
const planned = () => gardenNow().snapshot.planned.filter((p) => p.kind === "spring red");

describe("a series raised in trays", () => {
  const series = { intent: "series", cropId: "lettuce-loose-leaf", kind: "spring red", bedId: "upper-1" };
  const raised = () => trayDays(handbook().of("lettuce-loose-leaf"));
  it("is sown on its days and set out later, each a row with both", () => {
    expect(
      send({ ...series, how: "trays", first: "2027-03-01", every: "14", times: "2", plants: "12" }),
    ).toBeInstanceOf(Response);
    expect(planned().map((p) => [p.trayOn, p.startOn, p.startedHow])).toEqual([
      ["2027-03-01", addDays("2027-03-01", raised()), "transplanted"],
      ["2027-03-15", addDays("2027-03-15", raised()), "transplanted"],
    ]);
    const lines = aheadOf(gardenNow()).filter((a) => a.name.includes("spring red"));
    expect(lines.map((l) => l.how).sort()).toEqual(["to set out", "to set out", "to sow in trays", "to sow in trays"]);
  });
  it("sown is ticked off, set out it is a planting; both can be undone, and neither is done twice", () => {
    const [first] = planned();
    expect(send({ intent: "sown", id: first!.id })).toBeInstanceOf(Response);
    expect(
      aheadOf(gardenNow())
        .filter((a) => a.id === first!.id)
        .map((a) => a.how),
    ).toEqual(["to set out"]);
    expect(send({ intent: "start", id: first!.id })).toBeInstanceOf(Response);
    const back = changeSeries(gardenNow(), { intent: "skip", id: planned()[1]!.id }, "?crop=x&done=before") as Response;
    expect(back.headers.get("Location")).toMatch(/^\/season\/sowings\?crop=x&done=(?!before)[\w-]+#ahead$/);
    const made = gardenNow().snapshot.plantings.find((p) => p.kind === "spring red")!;
    expect(made).toMatchObject({
      startedHow: "transplanted",
      startedOn: gardenNow().today,
      plants: 12,
      bedId: "upper-1",
    });
    expect(aheadOf(gardenNow()).some((a) => a.id === first!.id)).toBe(false);
    expect(() => send({ intent: "start", id: first!.id })).toThrow();
    expect(() => send({ intent: "sown", id: "nobody" })).toThrow();
  });
  it("too late to be set out is refused with the reason, and nothing is written", () => {
    const before = gardenNow().snapshot.planned.length;
    expect(send({ ...series, how: "trays", first: "2026-10-20", every: "14", times: "2", plants: "12" })).toMatchObject(
      {
        data: { errors: { first: expect.stringContaining("too late") } },
      },
    );
    expect(gardenNow().snapshot.planned).toHaveLength(before);
  });
});

describe("where there is room", () => {
  it("each bed says when it is free by what grows in it; the page offers trays for one that is taken", () => {
    const { beds } = view("crop=lettuce-loose-leaf&bed=wall");
    const wall = beds.find((b) => b.id === "wall")!;
    expect(wall.free).toMatch(/^about half of it is free, all of it about \d+ Nov$/);
    expect(wall.freeOn! > gardenNow().today).toBe(true);
    expect(beds.find((b) => b.id === "upper-3")!.free).toBe("free");
    expect(view("crop=lettuce-loose-leaf").raisedDays).toBe(trayDays(handbook().of("lettuce-loose-leaf")));
  });
  it("a bed that is partly free is offered with its share, and is the same to every page", () => {
    const d = gardenNow();
    const free = bedsView(d, new URLSearchParams()).free;
    for (const bed of d.snapshot.beds) {
      const { share } = bedFree(d, bed.id);
      expect(
        free.some((f) => f.id === bed.id),
        bed.id,
      ).toBe(share > 0);
    }
    expect(free.find((f) => f.id === "upper-3")!.share).toBe("");
  });
});

describe("what is to be expected of a planting", () => {
  it("its last pick, what a week without a pick costs, and whether it is too much", () => {
    const says = (plantingId: string) =>
      plantingPage({ params: { plantingId }, url: new URL("http://garden/") } as never).estimates.join(" ");
    expect(says("squash-round")).toMatch(/Last pick .*: all of it at once\./);
    expect(says("cou-lower")).toMatch(/Last pick about .*: frost comes about then/);
    expect(says("cou-lower")).toMatch(/A week without a pick from now on: about [\d.]+ k?g over-age or lost\./);
    // what is over has nothing to come
    expect(says("on-26")).toBe("");
  });
});
