import { poundsFromGrams } from "#core/units/convert";
import type { UnitSystem } from "#core/units/mass";
import { writeTable } from "#formats/csv";

/** Masses of a table in the garden's own units: grams, or pounds to a thousandth; the unit's name goes into the heading. */
export const massOut = (units: UnitSystem): { unit: "g" | "lb"; of(massG: number): number } =>
  units === "us"
    ? { unit: "lb", of: (massG) => Math.round(poundsFromGrams(massG) * 1000) / 1000 }
    : { unit: "g", of: (massG) => Math.round(massG * 100) / 100 };

export type TableOut = { name: string; header: string[]; rows: (string | number | null)[][] };

/** A table as a CSV file to take away. */
export function csvFile({ name, header, rows }: TableOut, today: string): Response {
  return new Response(writeTable(header, rows), {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": `attachment; filename="${name}-${today}.csv"`,
    },
  });
}
