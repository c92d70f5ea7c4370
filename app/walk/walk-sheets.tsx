import { gardenNow } from "../server/garden-now.server";
import { walkOrder, walkSheet } from "./walk.server";

/** Every sheet of the walk in one answer, kept by the page so that the walk goes on without a signal. */
export function loader() {
  const d = gardenNow();
  return Response.json(
    { at: d.now, sheets: walkOrder(d).flatMap((p) => walkSheet(d, p.planting.id) ?? []) },
    { headers: { "Cache-Control": "no-store" } },
  );
}
