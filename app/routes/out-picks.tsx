import { writePicksCsv } from "#formats/picks-csv";
import { desk } from "../server/desk.server";
import { findPicks, loggedPicks } from "../server/picks.server";
import type { Route } from "./+types/out-picks";

/** The pick log as CSV: the picks that the log's own address would show, all of them when nothing is asked. */
export function loader({ request }: Route.LoaderArgs) {
  const { snapshot, today } = desk();
  const { found } = findPicks(loggedPicks(snapshot), new URL(request.url).searchParams);
  const rows = found.map(({ pick, reckoned, bed, crop, kind }) => ({ pick, net: reckoned, bed, crop, kind }));
  const headers = {
    "Content-Type": "text/csv; charset=utf-8",
    "Content-Disposition": `attachment; filename="picks-${today}.csv"`,
  };
  return new Response(writePicksCsv(rows), { headers });
}
