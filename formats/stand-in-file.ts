import { z } from "zod";
import { localTimeSchema } from "#core/calendar/schemas";
import { type LocatedError, MOST_ERRORS } from "./located";

/** What a stand-in got of one planting, as his sheet writes it down. */
export const standInEntrySchema = z.object({
  /** his line's own id: read in twice, it is logged once */
  id: z.string().regex(/^[\w-]{8,40}$/),
  plantingId: z.string().min(1).max(40),
  roundId: z.string().max(40),
  at: localTimeSchema,
  /** as he wrote it: "3 kg", "12" */
  amount: z.string().trim().min(1).max(60),
  note: z.string().max(500),
});
export type StandInEntry = z.infer<typeof standInEntrySchema>;

export const STAND_IN_FILE = "akmedon stand-in 1";
export const standInFileSchema = z.object({
  format: z.literal(STAND_IN_FILE),
  tripId: z.string().min(1).max(60),
  entries: z.array(standInEntrySchema).max(500),
});
export type StandInFile = z.infer<typeof standInFileSchema>;

export type StandInRead = { ok: true; value: StandInFile } | { ok: false; errors: LocatedError[] };

const NOT_IT: LocatedError = { row: null, column: null, message: "this is not the file that a stand-in’s sheet makes" };

/** Reads the file that a stand-in's sheet gives; every fault with its entry (the first is 1) and field. */
export function readStandInFile(text: string): StandInRead {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { ok: false, errors: [NOT_IT] };
  }
  const read = standInFileSchema.safeParse(value);
  if (read.success) return { ok: true, value: read.data };
  const errors = read.error.issues.slice(0, MOST_ERRORS).map(({ path, message }): LocatedError => {
    const [part, entry, field] = path;
    if (part !== "entries" || typeof entry !== "number") return NOT_IT;
    return { row: entry + 1, column: field === undefined ? null : String(field), message };
  });
  return { ok: false, errors: errors.some((e) => e === NOT_IT) ? [NOT_IT] : errors };
}
