import { instantOf } from "#core/calendar/zone";
import { writeGardenIcs } from "#formats/garden-ics";
import { gardenNow } from "../server/garden-now.server";
import { roundEvents } from "./feed.server";

/** The planned rounds as an iCalendar file. */
export function loader() {
  const d = gardenNow();
  const { garden } = d.snapshot;
  const name = `${garden.name}: picking rounds`;
  const text = writeGardenIcs(name, garden.timeZone, roundEvents(d, null), instantOf(d.now, garden.timeZone));
  return new Response(text, {
    headers: {
      "Content-Type": "text/calendar; charset=utf-8",
      "Content-Disposition": `attachment; filename="rounds-${d.today}.ics"`,
    },
  });
}
