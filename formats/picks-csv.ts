import type { Net } from "#core/weighing/net";
import { EXTENT_WORDS, GRADE_WORDS, type Pick } from "#core/weighing/pick";
import { writeTable } from "./csv";

export type PickRow = { pick: Pick; net: Net; bed: string; crop: string; kind: string };

/** The pick log as CSV; masses in grams, one row a pick, weighed and estimated told apart. */
export const writePicksCsv = (rows: readonly PickRow[]): string =>
  writeTable(
    [
      "date",
      "time",
      "bed",
      "crop",
      "kind",
      "by",
      "method",
      "extent",
      "count",
      "gross_g",
      "tare_g",
      "net_g",
      "tops_on",
      "without_tops_g",
      "grade",
      "figure",
      "as_entered",
      "note",
      "id",
    ],
    rows.map(({ pick, net, bed, crop, kind }) => [
      pick.at.slice(0, 10),
      pick.at.slice(11),
      bed,
      crop,
      kind,
      pick.by,
      pick.method,
      EXTENT_WORDS[pick.extent],
      pick.count,
      pick.grossG,
      pick.grossG === null ? null : net.tareG,
      net.netG,
      pick.topsOn,
      net.trimmedG,
      GRADE_WORDS[pick.grade],
      net.estimated ? "estimated" : "weighed",
      pick.entered,
      pick.note,
      pick.id,
    ]),
  );
