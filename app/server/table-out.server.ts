import { writeTable } from "#formats/csv";

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
