import { z } from "zod";
import { localTimeSchema } from "../calendar/schemas";

/** A step of a list that was ticked off: what it is a step of says its id. */
export const tickSchema = z.object({ id: z.string().min(1).max(160), at: localTimeSchema });
export type Tick = z.infer<typeof tickSchema>;
