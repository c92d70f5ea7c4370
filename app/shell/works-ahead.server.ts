import type { Route } from "../+types/root";
import { jobsNow } from "../jobs/jobs.server";
import { roundsAhead } from "../rounds/rounds.server";
import { roundsView } from "../rounds/rounds-view.server";
import { gardenNow } from "../server/garden-now.server";

/** What the pages after a change are drawn from, and after how long, ms: first what is seen next, with room for its page. */
const WANTED: readonly { afterMs: number; make: () => unknown }[] = [
  { afterMs: 0, make: gardenNow },
  { afterMs: 4, make: () => jobsNow(gardenNow()) },
  { afterMs: 4, make: () => roundsAhead(gardenNow()) },
  { afterMs: 180, make: () => roundsView(gardenNow()) },
];

let due: NodeJS.Timeout | null = null;
function next(k: number): void {
  const work = WANTED[k];
  if (!work) return;
  due = setTimeout(() => {
    try {
      work.make();
    } catch {
      // whoever asks for the page meets the fault and is told of it there
    }
    next(k + 1);
  }, work.afterMs);
  due.unref();
}

/** After a change the garden is judged, and what its next pages are drawn from made, before anybody asks for them. */
export const worksAhead: Route.MiddlewareFunction = async ({ request }, answer) => {
  const response = await answer();
  if (request.method !== "GET" && request.method !== "HEAD") {
    if (due) clearTimeout(due);
    next(0);
  }
  return response;
};
