import { tickSchema } from "#core/garden/tick";
import { change } from "#db/change";
import { db, gardenNow } from "../server/garden-now.server";

/** Ticks a step of a list off, or takes the tick away. @param at local time of it; absent: now */
export function tickOff(typed: Record<string, string>, at = gardenNow().now): { ok: boolean } {
  const tick = tickSchema.safeParse({ id: typed.id, at });
  if (!tick.success) return { ok: false };
  const off = typed.done === "no";
  change(db(), off ? "Tick taken away" : "Ticked off", at, (c) =>
    off ? c.remove("ticks", tick.data.id) : c.put("ticks", tick.data),
  );
  return { ok: true };
}
