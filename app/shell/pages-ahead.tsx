import { roundsAhead } from "../rounds/rounds.server";
import { gardenNow } from "../server/garden-now.server";

/** Pages that a device keeps for the time without a signal, those that are needed first in front. */
export function loader() {
  const d = gardenNow();
  const crops = new Set(d.outlook.plantings.map((p) => p.crop.id));
  const pages = [
    "/",
    "/walk",
    "/rounds",
    "/picks/new",
    "/keep",
    "/jobs",
    ...roundsAhead(d).rounds.map((r) => `/rounds/${r.id}`),
    ...d.outlook.plantings.map((p) => `/walk/${p.planting.id}`),
    "/plot",
    "/weather",
    "/handbook",
    ...[...crops].map((id) => `/handbook/${id}`),
  ];
  return Response.json({ pages }, { headers: { "Cache-Control": "no-store" } });
}
