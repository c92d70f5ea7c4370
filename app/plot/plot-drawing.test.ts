import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { listChanges, undo } from "#db/change";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { db, gardenNow } from "../server/garden-now.server";
import { action, loader } from "./plot-draw";

let garden: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
});
afterAll(() => garden.end());

async function save(beds: unknown, gone: unknown = []) {
  const body = new FormData();
  body.set("beds", typeof beds === "string" ? beds : JSON.stringify(beds));
  body.set("gone", JSON.stringify(gone));
  const answer = await action({ request: new Request("http://garden/plot/draw", { method: "POST", body }) } as never);
  return answer instanceof Response ? "saved" : answer.data.errors.form;
}
const lie = { shape: "rectangle", xM: 1, yM: 1, widthM: 1.2, lengthM: 3 };

const page = () => loader({ request: new Request("http://garden/plot/draw") } as never);

describe("a plot drawn by hand", () => {
  it("is kept as one change, and one undo takes all of it back", async () => {
    const before = gardenNow().snapshot.beds;
    const [first] = page().beds;
    const { planted: _, ...old } = first!;
    const drawn = [
      { ...old, xM: old.xM + 0.2 },
      { ...lie, id: "new-1", name: "Herbs" },
      { ...lie, id: "new-2", name: "Pot 1", shape: "circle" },
    ];
    expect(await save(drawn)).toBe("saved");
    const { beds } = gardenNow().snapshot;
    expect(beds).toHaveLength(before.length + 2);
    const known = before.find((b) => b.id === old.id)!;
    // what the drawing does not show stays as it was
    expect(beds.find((b) => b.id === old.id)).toEqual({ ...known, xM: old.xM + 0.2 });
    expect(beds.find((b) => b.name === "Pot 1")).toMatchObject({ widthM: 1.2, lengthM: 1.2, cover: "none" });
    expect(new Set(beds.map((b) => b.walkOrder)).size).toBeGreaterThan(before.length);
    const entry = listChanges(db(), "Plot drawn", 0, 1).rows[0]!;
    expect(entry.label).toBe("Plot drawn: 2 beds added, 1 bed changed");
    expect(undo(db(), entry.id, gardenNow().now).ok).toBe(true);
    expect(gardenNow().snapshot.beds).toEqual(before);
  });
  it("takes out an empty bed, and none in which something grows or grew", async () => {
    await save([{ ...lie, id: "new-1", name: "Spare" }]);
    const spare = gardenNow().snapshot.beds.find((b) => b.name === "Spare")!;
    expect(page().beds.find((b) => b.id === spare.id)).toMatchObject({ planted: false });
    expect(await save([], [spare.id])).toBe("saved");
    expect(gardenNow().snapshot.beds.some((b) => b.id === spare.id)).toBe(false);
    const before = gardenNow().snapshot.beds;
    expect(await save([], [gardenNow().snapshot.plantings[0]!.bedId])).toMatch(/on its own page/);
    expect(gardenNow().snapshot.beds).toEqual(before);
  });
  it.each<[string, unknown, RegExp]>([
    ["no name", [{ ...lie, id: "new-1", name: " " }], /give the bed a name/],
    ["too small", [{ ...lie, id: "new-1", name: "Tiny", widthM: 0.01 }], /^Tiny: at least 0.1 m/],
    ["off the plot", [{ ...lie, id: "new-1", name: "Far", xM: -3 }], /^Far: not left/],
    ["no list", "{", /cannot be read|expected/i],
  ])("refuses what cannot be, names the bed, and writes nothing: %s", async (_, beds, words) => {
    const before = gardenNow().snapshot.beds;
    expect(await save(beds)).toMatch(words);
    expect(gardenNow().snapshot.beds).toEqual(before);
  });
});
