import { handbookWith } from "#core/handbook/index";
import type { Snapshot } from "#core/planning/outlook";
import { type Net, netOf } from "#core/weighing/net";
import type { Pick } from "#core/weighing/pick";

export const PICK_SORTS = ["at", "kind", "crop", "bed", "net", "by"] as const;
export type PickSort = (typeof PICK_SORTS)[number];

/** A pick with the names and figures that the log shows. */
export type LoggedPick = {
  pick: Pick;
  reckoned: Net;
  net: number;
  at: string;
  kind: string;
  crop: string;
  cropId: string;
  bed: string;
  by: string;
};

/** Every pick of a garden, named and reckoned. */
export function loggedPicks(snapshot: Snapshot): LoggedPick[] {
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const book = handbookWith(snapshot.ownCrops);
  const plantingOf = new Map(snapshot.plantings.map((p) => [p.id, p]));
  return snapshot.picks.flatMap((pick) => {
    const p = plantingOf.get(pick.plantingId);
    if (!p) return [];
    const crop = book.of(p.cropId);
    const reckoned = netOf(pick, crop.topsShare, crop.yield.pieceG);
    return [
      {
        pick,
        reckoned,
        net: reckoned.trimmedG,
        at: pick.at,
        kind: p.kind || crop.name,
        crop: crop.name,
        cropId: crop.id,
        bed: bedName.get(p.bedId) ?? "",
        by: pick.by,
      },
    ];
  });
}

/** The picks that a log's address asks for (words, crop, year, grade), in the order it asks for. */
export function findPicks(
  all: readonly LoggedPick[],
  query: URLSearchParams,
): { found: LoggedPick[]; sort: PickSort; down: boolean } {
  const words = (query.get("q") ?? "").trim().toLowerCase();
  const is = (name: string, value: string) => [null, "", value].includes(query.get(name));
  const found = all.filter(
    (r) =>
      is("crop", r.cropId) &&
      is("year", r.at.slice(0, 4)) &&
      is("grade", r.pick.grade) &&
      (words === "" || `${r.kind} ${r.crop} ${r.bed} ${r.by} ${r.pick.note}`.toLowerCase().includes(words)),
  );
  const sort = PICK_SORTS.find((s) => s === query.get("sort")) ?? "at";
  const down = query.get("down") !== "0";
  const order = (a: LoggedPick, b: LoggedPick) =>
    a[sort] < b[sort] ? -1 : a[sort] > b[sort] ? 1 : a.pick.id < b.pick.id ? -1 : 1;
  return { found: found.sort((a, b) => order(a, b) * (down ? -1 : 1)), sort, down };
}
