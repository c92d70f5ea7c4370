import { describe, expect, it } from "vitest";
import { bed, planting } from "../fixtures/garden";
import { event, seed } from "../fixtures/lots";
import { cropOf } from "../handbook";
import { lotsNow } from "../keeping/lot";
import { blankPick, type PickRecord } from "../weighing/pick";
import { logged } from "../weighing/pick-log";
import {
  comparedMeasures,
  figuresByLot,
  figuresByPick,
  figuresByPlanting,
  type Grown,
  MEASURES,
  SPLITS,
} from "./compare-ways";

const carrot = cropOf("carrot");
const grown = (id: string, over: Parameters<typeof planting>[1], picks: Partial<PickRecord>[], sunHours = 8): Grown => {
  const p = planting("carrot", { id, startedOn: "2026-05-01", ...over });
  const b = bed({ id: p.bedId, name: p.bedId, sunHours });
  const entries = picks.map((k, i) =>
    logged(
      blankPick({ id: `${id}${i}`, plantingId: id, at: `2026-08-0${i + 1}T18:00`, grossG: 1000, ...k }),
      p,
      carrot,
      b.name,
    ),
  );
  return { planting: p, bed: b, crop: carrot, entries };
};

describe("the sides of a comparison", () => {
  const list = [
    grown("a", { kind: "early", plants: 200, rowM: 4 }, [{ count: 20, minutes: 5 }, { count: 20 }]),
    grown("b", { kind: "late", plants: 40, rowM: 4, startedHow: "transplanted" }, [{ count: 8 }], 3),
    grown("c", { kind: "late", plants: null, rowM: 5 }, [{ grossG: 500 }]),
  ];
  const group = (split: "kind" | "start" | "spacing" | "sun") =>
    Object.fromEntries(figuresByPlanting(list, split).map((f) => [f.id, f.group]));
  it("by kind, by start, by sun; crowded and wide only where the plants are known", () => {
    expect(group("kind")).toEqual({ a: "early", b: "late", c: "late" });
    expect(group("start")).toEqual({ a: "sown", b: "transplanted", c: "sown" });
    expect(group("sun")).toEqual({ a: "sun", b: "shade", c: "sun" });
    // 50 and 10 plants a metre; the middle is 30
    expect(group("spacing")).toEqual({ a: "crowded", b: "wide" });
  });
  it("figures worked by hand: 2 kg over 200 plants and 4 m, pieces of 50 g, 5 minutes for the first kilo", () => {
    const [a] = figuresByPlanting(list, "kind");
    expect(a!.values).toMatchObject({ "per-plant": 10, "per-metre": 500, piece: 50, days: 92, minutes: 5 });
    expect(a!.values["per-m2"]).toBeUndefined();
  });
  it("by how it was picked: each pick is a figure, what was sorted out is not sound", () => {
    const cut = {
      method: "cut",
      minutes: 4,
      sorted: [{ grade: "damaged" as const, way: "" as const, massG: 250, count: null, note: "" }],
    };
    const picks = figuresByPick([
      grown("d", {}, [cut, { method: "pull" }, { method: "" }, { method: "pull", grade: "damaged" }]),
    ]);
    expect(picks.map((f) => [f.group, f.values.sound])).toEqual([
      ["cut", 0.75],
      ["pull", 1],
      ["pull", 0],
    ]);
    expect(picks[0]!.values).toMatchObject({ "per-pick": 1000, minutes: 4 });
  });
  it("by where it was kept: the place it lay in longest, what was lost of what is told, days until it was used up", () => {
    const lots = lotsNow(
      [seed({ id: "a", massG: 1000 }), seed({ id: "b", massG: 1000 }), seed({ id: "c", massG: 1000 })],
      [
        event({ lotId: "a", kind: "move", placeId: "cellar", at: "2026-09-21T08:00" }),
        event({ lotId: "a", kind: "use", massG: 750, at: "2026-10-20T08:00" }),
        event({ lotId: "a", kind: "lose", massG: 250, at: "2026-10-30T08:00" }),
        event({ lotId: "b", kind: "move", placeId: "cellar", at: "2026-09-21T08:00" }),
        event({ lotId: "b", kind: "move", placeId: "shed", at: "2026-09-23T08:00" }),
        event({ lotId: "b", kind: "use", massG: 300, at: "2026-10-20T08:00" }),
        event({ lotId: "c", kind: "use", massG: 300, at: "2026-10-20T08:00" }),
      ],
    );
    const told = figuresByLot([...lots.values()], (id) => id, "2026-11-30");
    // c was never said to lie anywhere
    expect(told.map((f) => [f.id, f.group, f.values.lost, f.values["kept-days"]])).toEqual([
      ["a", "cellar", 0.25, 40],
      ["b", "shed", 0, undefined],
    ]);
  });
  it("every measure belongs to some split, and every split has one", () => {
    expect(new Set(SPLITS.flatMap(comparedMeasures))).toEqual(new Set(MEASURES));
  });
});
