import { progressOf } from "../server/progress.server";
import type { Route } from "./+types/progress";

/** How far an import has got, for the bar on its page. */
export function loader({ params }: Route.LoaderArgs) {
  return Response.json({ done: progressOf(params.token) }, { headers: { "Cache-Control": "no-store" } });
}
