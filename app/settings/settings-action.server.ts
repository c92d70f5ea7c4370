import { addDays, sayDay } from "#core/calendar/day";
import type { DatedWindow } from "#core/calendar/windows";
import { change, newId } from "#db/change";
import { saveGarden } from "#db/garden";
import { sayError } from "#formats/located";
import { changeFeed } from "../rounds/feed.server";
import { letDaysPass } from "../server/clock.server";
import { byIntent, done, readForm, refuse, typedOf } from "../server/forms.server";
import { db, type GardenNow } from "../server/garden-now.server";
import { endSession } from "../server/home-network.server";
import { readTripsInThread } from "../server/reading.server";
import type { FormSchema } from "../ui/form-schema";
import { gardenForm } from "./garden.form";
import { bringGardenBack } from "./garden-back.server";
import { containerForm, datedForm, personForm, tripForm, windowForm } from "./lists.form";

/** How far ahead trips are taken from a calendar. */
const TRIP_DAYS = 400;
/** The lists of the garden that Settings show, each with where it stands on the page. */
const LISTS = {
  windows: "windows",
  datedWindows: "windows",
  trips: "trips",
  people: "people",
  containers: "containers",
} as const;
type List = keyof typeof LISTS;

/** What the page of the settings is asked to change. */
export function changeSettings(d: GardenNow, form: FormData) {
  const typed = typedOf(form);
  const feed = () => {
    changeFeed(form);
    return done("/settings#calendar", null);
  };
  return byIntent(typed, {
    garden: () => {
      const read = readForm(gardenForm(d.snapshot.garden), typed);
      return read.ok ? done("/settings", saveGarden(db(), read.row)) : refuse(read.faults);
    },
    ...additions(d, typed),
    remove: () => removeFrom(d, typed),
    calendar: () => takeTrips(d, form),
    feed,
    "feed-renew": feed,
    "feed-close": feed,
    clock: () => done("/", letDaysPass(d, Number(typed.days))),
    "end-session": () => {
      endSession(typed.session ?? "");
      return done("/settings", null);
    },
    restore: () => bringGardenBack(form.get("archive"), d.now, form.get("rest") === "on"),
  });
}

/** What is added to a list of the garden, by intent. */
function additions(d: GardenNow, typed: Record<string, string>) {
  const add =
    <T extends { id: string }>(list: List, form: FormSchema<T>, label: (row: T) => string) =>
    () => {
      const read = readForm(form, typed);
      if (!read.ok) return refuse(read.faults);
      const row = { ...read.row, id: newId() };
      return done(
        `/settings#${LISTS[list]}`,
        change(db(), label(row), d.now, (c) => c.put(list, row as never)),
      );
    };
  const named = (row: { name: string }) => `${row.name} added`;
  const sayDated = (w: DatedWindow) => `${sayDay(w.day)} ${w.startsAt === null ? "kept free" : "has its own hour"}`;
  return {
    window: add("windows", windowForm, () => "Time to go out added"),
    dated: add("datedWindows", datedForm, sayDated),
    trip: add("trips", tripForm, () => "Trip added"),
    person: add("people", personForm, named),
    container: add("containers", containerForm(d.snapshot.garden.units), named),
  };
}

function removeFrom(d: GardenNow, typed: Record<string, string>) {
  const list = (Object.keys(LISTS) as List[]).find((t) => t === typed.table);
  const { id } = typed;
  if (!list || !id) return refuse({ errors: { form: "Nothing was asked." }, typed });
  return done(
    `/settings#${LISTS[list]}`,
    change(db(), "Removed", d.now, (c) => c.remove(list, id)),
  );
}

/** Times away from a calendar file, those that are not here already. */
async function takeTrips(d: GardenNow, form: FormData) {
  const not = (calendar: string) => refuse({ errors: { calendar }, typed: {} });
  const file = form.get("calendar");
  if (!(file instanceof File) || file.size === 0) return not("choose a calendar, a file called …ics");
  const { timeZone } = d.snapshot.garden;
  const read = await readTripsInThread(await file.text(), timeZone, d.today, addDays(d.today, TRIP_DAYS));
  if (!read.ok) return not(`${read.errors.slice(0, 8).map(sayError).join("\n")}\nNo trip was taken.`);
  const known = new Set(d.snapshot.trips.map((t) => `${t.name} ${t.fromDay} ${t.toDay}`));
  const fresh = read.value.filter((t) => !known.has(`${t.name} ${t.fromDay} ${t.toDay}`));
  if (fresh.length === 0) {
    const said =
      read.value.length > 0 ? "These trips were there already." : "No time away in the coming year in this calendar.";
    return done(`/settings?said=${encodeURIComponent(said)}#trips`, null);
  }
  return done(
    "/settings#trips",
    change(db(), `${fresh.length} ${fresh.length === 1 ? "trip" : "trips"} taken from the calendar`, d.now, (c) => {
      for (const { uid: _, ...t } of fresh) c.put("trips", { id: newId(), ...t, standIn: "", standInMinutes: 0 });
    }),
  );
}
