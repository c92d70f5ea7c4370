import { writeReportMarkdown } from "#formats/season-report";
import { gardenNow } from "../server/garden-now.server";
import type { Route } from "./+types/out-report";
import { reportOf } from "./season-report.server";

/** The season's report as one Markdown file with its picture inside. */
export function loader({ url }: Route.LoaderArgs) {
  const { year, report } = reportOf(gardenNow(), url.searchParams.get("year"));
  return new Response(writeReportMarkdown(report), {
    headers: {
      "Content-Type": "text/markdown; charset=utf-8",
      "Content-Disposition": `attachment; filename="season-${year}.md"`,
    },
  });
}
