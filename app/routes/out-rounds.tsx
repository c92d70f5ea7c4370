import { standInOn } from "#core/calendar/windows";
import { instantOf } from "#core/calendar/zone";
import { plantingName } from "#core/garden/name";
import { sayMass } from "#core/units/mass";
import { listRounds } from "#db/work";
import { writeRoundsIcs } from "#formats/rounds-ics";
import { db, desk } from "../server/desk.server";

/** The planned rounds as an iCalendar file. */
export function loader() {
  const { snapshot, outlook, now, today } = desk();
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  const { garden } = snapshot;
  const events = listRounds(db()).map(({ lines, ...round }) => ({
    round,
    by: standInOn(round.day, snapshot.trips),
    minutes: lines.reduce((s, l) => s + l.minutes, garden.roundMinutes),
    lines: lines.map((l) => {
      const p = byId.get(l.plantingId);
      return `${p?.bed.name ?? "?"}: ${p ? plantingName(p.planting, p.crop) : "?"}, ${l.take === "strip" ? "everything" : "what is ready"}, about ${sayMass(l.expectedG, garden.units)}. ${l.why}`;
    }),
  }));
  return new Response(writeRoundsIcs(garden.name, garden.timeZone, events, instantOf(now, garden.timeZone)), {
    headers: {
      "Content-Type": "text/calendar; charset=utf-8",
      "Content-Disposition": `attachment; filename="rounds-${today}.ics"`,
    },
  });
}
