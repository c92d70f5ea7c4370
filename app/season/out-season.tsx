import { gardenNow } from "../server/garden-now.server";
import { csvFile } from "../server/table-out.server";
import type { Route } from "./+types/out-season";
import { compareRows } from "./season-compare.server";
import { rhythmRows } from "./season-rhythm.server";
import { weeksRows } from "./season-weeks.server";

const TABLES = { compare: compareRows, rhythm: rhythmRows, weeks: weeksRows };

/** The tables behind the pages of the season, as CSV. */
export function loader({ params, url }: Route.LoaderArgs) {
  const make = TABLES[params.table as keyof typeof TABLES];
  if (!make) throw new Response("There is no such table.", { status: 404 });
  const d = gardenNow();
  return csvFile(make(d, url.searchParams), d.today);
}
