import { archiveOf } from "#db/archive";
import { gardenOf, nowAt } from "#db/garden";
import { writeArchive } from "#formats/archive";
import { db } from "../server/garden-now.server";

/** The whole garden as one JSON archive. */
export function loader() {
  const day = nowAt(gardenOf(db())).slice(0, 10);
  return new Response(writeArchive(archiveOf(db())), {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="garden-${day}.json"`,
    },
  });
}
