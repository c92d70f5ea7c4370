import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { change, listChanges, undo } from "#db/change";
import { findPick } from "#db/work";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { db, gardenNow } from "../server/garden-now.server";
import { findPicks, loggedPicks } from "./picks.server";
import { changePicks } from "./picks-change.server";

let garden: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
});
afterAll(() => garden.end());

const ofCrop = (cropId: string) =>
  loggedPicks(gardenNow().snapshot)
    .filter((e) => e.cropId === cropId)
    .map((e) => e.pick);
function ask(intent: string, ids: readonly string[], more: Record<string, string> = {}) {
  const form = new FormData();
  for (const [k, v] of Object.entries({ intent, ...more })) form.set(k, v);
  for (const id of ids) form.append("pick", id);
  return changePicks(gardenNow(), form, "/picks?sort=at");
}
const faultOf = (answer: ReturnType<typeof ask>) => (answer instanceof Response ? "" : answer.data.errors.form);

describe("several picks at once", () => {
  it("one thing is changed in all of them, and one undo puts each back as it was", () => {
    const picks = ofCrop("carrot").slice(0, 3);
    const before = picks.map((p) => findPick(db(), p.id)!);
    const ids = picks.map((p) => p.id);
    expect(ask("change-picks", ids, { give: "way", value: "give" })).toBeInstanceOf(Response);
    expect(ids.map((id) => findPick(db(), id)!.way)).toEqual(ids.map(() => "give"));
    const [last] = listChanges(db(), "", 0, 1).rows;
    expect(last!.label).toBe(`${ids.length} picks: given away`);
    undo(db(), last!.id, gardenNow().now);
    expect(ids.map((id) => findPick(db(), id))).toEqual(before);
  });
  it("who picked, what for and the grade go the same way", () => {
    const [p] = ofCrop("carrot");
    ask("change-picks", [p!.id], { give: "by", value: "Tam" });
    ask("change-picks", [p!.id], { give: "purpose", value: "test" });
    ask("change-picks", [p!.id], { give: "grade", value: "small" });
    expect(findPick(db(), p!.id)).toMatchObject({ by: "Tam", purpose: "test", grade: "small" });
  });
  it("what cannot be is refused, and nothing is written", () => {
    const picks = [...ofCrop("slicing-tomato"), ...ofCrop("tomato")].slice(0, 1).concat(ofCrop("carrot").slice(0, 1));
    const ids = picks.map((p) => p.id);
    const before = ids.map((id) => findPick(db(), id));
    const count = () => listChanges(db(), "", 0, 1).all;
    const changes = count();
    expect(faultOf(ask("change-picks", ids, { give: "grade", value: "green-to-ripen" }))).toMatch(
      /Carrot does not ripen/,
    );
    expect(faultOf(ask("change-picks", ids, { give: "way", value: "to the moon" }))).toMatch(/Say what/);
    expect(faultOf(ask("change-picks", ids, { give: "__proto__", value: "x" }))).toMatch(/Say what/);
    expect(faultOf(ask("change-picks", [], { give: "way", value: "give" }))).toMatch(/Choose picks/);
    expect(faultOf(ask("remove-picks", ["no-such-pick"]))).toMatch(/Choose picks/);
    expect(ids.map((id) => findPick(db(), id))).toEqual(before);
    expect(count()).toBe(changes);
  });
  it("taken out together, a planting that one of them had closed is open again", () => {
    const planting = gardenNow().snapshot.plantings.find((x) => x.id === "cou-lower")!;
    const [p, other] = gardenNow().snapshot.picks.filter((x) => x.plantingId === planting.id);
    change(db(), "closed by it", gardenNow().now, (c) => {
      c.put("picks", { ...p!, extent: "final" });
      c.put("plantings", { ...planting, endedOn: p!.at.slice(0, 10) });
    });
    ask("remove-picks", [p!.id, other!.id]);
    expect(findPick(db(), p!.id)).toBeNull();
    expect(gardenNow().snapshot.plantings.find((x) => x.id === planting.id)!.endedOn).toBeNull();
  });
  it("the chosen ones alone go out as a file", () => {
    const ids = ofCrop("carrot")
      .slice(0, 2)
      .map((p) => p.id);
    const { found } = findPicks(loggedPicks(gardenNow().snapshot), new URLSearchParams(ids.map((id) => ["id", id])));
    expect(found.map((e) => e.pick.id).sort()).toEqual([...ids].sort());
  });
});
