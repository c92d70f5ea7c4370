import { missing } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { nextTrip, standInView } from "./stand-in.server";
import { standInDocument } from "./stand-in-page.server";

/** The stand-in's sheet as one file that opens anywhere, without this server, and makes a file to read back in. */
export function loader() {
  const d = gardenNow();
  const trip = nextTrip(d);
  if (!trip) throw missing("trip");
  return new Response(standInDocument(standInView(d, trip), { kind: "file" }), {
    headers: {
      "Content-Type": "text/html; charset=utf-8",
      "Content-Disposition": `attachment; filename="stand-in-${trip.fromDay}.html"`,
    },
  });
}
