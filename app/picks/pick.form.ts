import { isDay } from "#core/calendar/day";
import { readMass, type UnitSystem } from "#core/units/mass";
import { readAmount } from "#core/weighing/amount";
import type { Bulk } from "#core/weighing/bulk";
import { type Container, type PickRecord, partSchema, pickSchema, type TareItem } from "#core/weighing/pick";
import { formSchema, NO_ID, numberOf, type Typed } from "../ui/form-schema";

/** Most parts that the form takes; the log holds as many. */
export const MOST_PARTS = 12;

type Scale = {
  containers: readonly Pick<Container, "id" | "name" | "tareG">[];
  units: UnitSystem;
  /** what a litre of the crop weighs, and the measures of one's own */
  bulk: Bulk;
};

/** A pick as it is entered at the scale: weights as written, containers by their counts. Its photos come after. */
export const pickForm = ({ containers, units, bulk }: Scale) =>
  formSchema(
    pickSchema,
    (typed) => {
      const errors: Record<string, string> = {};
      const amountIn = (field: string) => {
        const written = (typed[field] ?? "").trim();
        const read = written === "" ? null : readAmount(written, units, bulk);
        if (read && !read.ok) errors[field] = read.message;
        return read?.ok ? read.amount : null;
      };
      const amount = amountIn("gross");
      const again = amountIn("again");
      const tare = tareIn(typed, containers, units, errors);
      if (amount && amount.litres > 0 && tare.length > 0)
        errors.gross = "a volume is without its containers: set them to none, or weigh it";
      const at = (typed.at ?? "").slice(0, 16);
      const row = {
        id: NO_ID,
        plantingId: typed.plantingId ?? "",
        roundId: typed.roundId || null,
        at,
        by: typed.by ?? "",
        method: typed.method ?? "",
        extent: typed.extent,
        count: numberOf(typed.count),
        grossG: amount?.massG ?? null,
        entered: (typed.gross ?? "").trim(),
        tare,
        topsOn: typed.topsOn === "on",
        grade: typed.grade,
        estimated: typed.estimated === "on" || (amount?.estimated ?? false),
        note: typed.note ?? "",
        part: typed.part || "crop",
        purpose: typed.purpose || "harvest",
        condition: typed.condition ?? "",
        minutes: numberOf(typed.minutes),
        left: typed.left ?? "",
        way: typed.way ?? "",
        sorted: sortedIn(typed, amountIn, errors),
        againG: again?.massG ?? null,
        rowDone: typed.extent === "some" ? numberOf(typed.rowDone) : null,
        againHow: again ? typed.againHow || "tops-off" : "",
        photos: [],
      } satisfies Record<keyof PickRecord, unknown>;
      const rest = restFault(typed.restOn ?? "", at.slice(0, 10), typed.extent === "final");
      if (rest) errors.restOn = rest;
      return { row, errors };
    },
    { againG: "again", grossG: "gross", entered: "gross" },
  );

type Errors = Record<string, string>;

/** The empties under the load: the garden's own containers by their counts, and what else stood there. */
function tareIn(typed: Typed, containers: Scale["containers"], units: UnitSystem, errors: Errors): TareItem[] {
  const tare = containers.flatMap((c) => {
    const count = numberOf(typed[`box-${c.id}`]) ?? 0;
    return count > 0 ? [{ name: c.name, tareG: c.tareG, count }] : [];
  });
  const written = (typed.otherTare ?? "").trim();
  const other = written === "" ? null : readMass(written, units);
  if (other && !other.ok) errors.otherTare = other.message;
  return other?.ok && other.massG > 0 ? [...tare, { name: "other container", tareG: other.massG, count: 1 }] : tare;
}

/** The parts told apart when the pick was sorted: a row each, by weight or by count. Rows left empty count for nothing. */
function sortedIn(typed: Typed, amountIn: (field: string) => { massG: number } | null, errors: Errors): unknown[] {
  return Array.from({ length: MOST_PARTS }, (_, i) => `part-${i}-`).flatMap((row) => {
    const filled = ["amount", "count"].some((column) => (typed[row + column] ?? "").trim() !== "");
    if (!filled) return [];
    const amount = amountIn(`${row}amount`);
    const part = {
      grade: typed[`${row}grade`],
      way: typed[`${row}way`] ?? "",
      massG: amount?.massG ?? null,
      count: numberOf(typed[`${row}count`]),
      note: typed[`${row}note`] ?? "",
    };
    const checked = partSchema.safeParse(part);
    if (checked.success) return [checked.data];
    for (const issue of checked.error.issues) {
      const column = String(issue.path[0] ?? "amount");
      errors[`${row}${column === "massG" ? "amount" : column}`] ??=
        issue.code === "custom" ? issue.message : "write a whole number";
    }
    return [];
  });
}

/** What is wrong with the day that the rest is left for; null: nothing. */
function restFault(restOn: string, pickedOn: string, last: boolean): string | null {
  if (restOn === "") return null;
  if (!isDay(restOn) || restOn < pickedOn) return "a day after this pick";
  return last ? "nothing is left: the crop is said to be finished" : null;
}
