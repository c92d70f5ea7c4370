import { tickSchema } from "#core/garden/tick";
import { change } from "#db/change";
import { db, desk } from "../server/desk.server";
import { formOf, typedOf } from "../server/forms.server";
import type { Route } from "./+types/tick";

/** Ticks a step of a list off, or takes the tick away. */
export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  const now = desk().now;
  const tick = tickSchema.safeParse({ id: typed.id, at: now });
  if (!tick.success) return { ok: false };
  const off = typed.done === "no";
  change(db(), off ? "Tick taken away" : "Ticked off", now, (c) =>
    off ? c.remove("ticks", tick.data.id) : c.put("ticks", tick.data),
  );
  return { ok: true };
}
