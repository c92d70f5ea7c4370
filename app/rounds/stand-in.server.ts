import { redirect } from "react-router";
import { addDays, sayDay } from "#core/calendar/day";
import { isAway, standInDays, type Trip } from "#core/calendar/windows";
import { plantingName } from "#core/garden/name";
import { cautionsOfAll } from "#core/handbook/cautions";
import { sayMass } from "#core/units/mass";
import { proseIn } from "#core/units/prose";
import { standInKey, tripOfKey } from "#db/stand-in-links";
import { findPick } from "#db/work";
import { sayError } from "#formats/located";
import { readStandInFile, type StandInEntry } from "#formats/stand-in-file";
import { techniqueOf } from "../handbook/technique.server";
import { logPick } from "../picks/pick-action.server";
import { type FormFaults, refuse, typedOf } from "../server/forms.server";
import { dataDir, db, type GardenNow, gardenNow } from "../server/garden-now.server";
import { codeImage } from "../server/qr.server";
import { roundsAhead } from "./rounds.server";

/** The trip that is next, or that the household is on. */
export const nextTrip = ({ snapshot, today }: GardenNow): Trip | null =>
  snapshot.trips.filter((t) => t.toDay >= today).sort((a, b) => (a.fromDay < b.fromDay ? -1 : 1))[0] ?? null;

/** Under which id the pick of a stand-in's line is logged: entered again, it is put right, not added. */
const pickIdOf = (lineId: string): string => `stand-in-${lineId}`.slice(0, 40);

/** What stands in the log of a line, as he wrote it. */
function gotOf(lineId: string): string {
  const pick = findPick(db(), pickIdOf(lineId));
  return pick ? pick.entered || (pick.count === null ? "" : String(pick.count)) : "";
}

/** "12", "12 pieces": so many; anything else is a weight or a volume. */
const PIECES = /^(\d{1,4})(?: (?:pieces?|heads?|of them))?$/;

/** What a stand-in needs: when to come, what to take where and how, and what to leave alone. */
export function standInView(d: GardenNow, trip: Trip) {
  const { snapshot, outlook } = d;
  const { units } = snapshot.garden;
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  const all = roundsAhead(d).rounds;
  const his = all.filter((r) => isAway(r.day, [trip]));
  const rounds = his.map((r) => ({
    id: r.id,
    day: r.day,
    startsAt: r.startsAt,
    lines: r.lines.flatMap((l) => {
      const p = byId.get(l.plantingId);
      if (!p) return [];
      const { how, leave } = techniqueOf(d, p);
      const photo = snapshot.checks.filter((c) => c.plantingId === l.plantingId && c.photos.length > 0).at(-1);
      return [
        {
          id: l.id,
          plantingId: l.plantingId,
          kind: plantingName(p.planting, p.crop),
          glyph: p.crop.glyph,
          photo: photo?.photos[0] ?? null,
          bed: p.bed.name,
          all: l.take === "strip",
          once: p.supply.once,
          expected: sayMass(l.expectedG, units),
          how: proseIn(how, units),
          leave: proseIn(leave, units),
          atOnce: proseIn(p.crop.atOnce, units),
          got: gotOf(l.id),
        },
      ];
    }),
  }));
  const asked = new Set(his.flatMap((r) => r.lines.map((l) => l.plantingId)));
  // what is taken whole before the trip is not there any more
  const gone = new Set(
    all
      .filter((r) => r.day < trip.fromDay)
      .flatMap((r) => r.lines.filter((l) => l.take === "strip" || byId.get(l.plantingId)?.supply.once))
      .map((l) => l.plantingId),
  );
  return {
    trip,
    who: trip.standIn || "whoever stands in",
    gardenName: snapshot.garden.name,
    now: d.now,
    comes: standInDays(trip).length,
    rounds,
    cautions: cautionsOfAll(
      rounds.flatMap((r) => r.lines.flatMap((l) => byId.get(l.plantingId)?.crop ?? [])),
      "picking",
      "carrying",
      "kitchen",
    ),
    left: outlook.plantings
      .filter((p) => !asked.has(p.planting.id) && !gone.has(p.planting.id))
      .map((p) => ({ id: p.planting.id, kind: plantingName(p.planting, p.crop), bed: p.bed.name })),
  };
}
export type StandInView = ReturnType<typeof standInView>;

/** A day before a trip and a day after it the stand-in's sheet is open too: he gets ready, and writes down what he forgot. */
const AROUND_DAYS = 1;

/** What a secret address opens: the sheet of its trip, in words when it is not open, null where there is no such address. */
export function standInByKey(key: string): { view: StandInView } | { closed: string } | null {
  const tripId = tripOfKey(dataDir(), key);
  const d = gardenNow();
  const trip = d.snapshot.trips.find((t) => t.id === tripId);
  if (!trip) return null;
  const [from, to] = [addDays(trip.fromDay, -AROUND_DAYS), addDays(trip.toDay, AROUND_DAYS)];
  if (d.today < from || d.today > to) return { closed: `This sheet is open from ${sayDay(from)} to ${sayDay(to)}.` };
  return { view: standInView(d, trip) };
}

/** Entries as a page's form sends them: a box by line. */
export function standInEntries(view: StandInView, form: FormData): StandInEntry[] {
  const typed = typedOf(form);
  return view.rounds.flatMap((r) =>
    r.lines.flatMap((l) => {
      const amount = (typed[`got-${l.id}`] ?? "").trim().slice(0, 60);
      const note = (typed[`note-${l.id}`] ?? "").trim().slice(0, 500);
      // what stands in the box already is not logged anew
      if (amount === "" || (amount === l.got && note === "")) return [];
      return [{ id: l.id, plantingId: l.plantingId, roundId: r.id, at: view.now, amount, note }];
    }),
  );
}

/**
 * Logs what a stand-in got, under his name, each line once.
 * @returns what was logged, and by line what could not be
 */
export function logStandIn(
  view: StandInView,
  entries: readonly StandInEntry[],
): { logged: number; faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  const lines = new Map(view.rounds.flatMap((r) => r.lines.map((l) => [l.id, { line: l, roundId: r.id }] as const)));
  let logged = 0;
  for (const entry of entries) {
    const known = lines.get(entry.id);
    if (!known || known.line.plantingId !== entry.plantingId) {
      faults[entry.id] = "this is not on the stand-in’s rounds any more";
      continue;
    }
    const pieces = PIECES.exec(entry.amount)?.[1];
    const outcome = logPick({
      id: pickIdOf(entry.id),
      plantingId: entry.plantingId,
      roundId: known.roundId,
      at: entry.at > view.now ? view.now : entry.at,
      by: view.trip.standIn || "stand-in",
      extent: known.line.all || known.line.once ? "final" : "all-ready",
      grade: "sound",
      ...(pieces ? { count: pieces } : { gross: entry.amount }),
      note: entry.note,
    });
    if (outcome instanceof Response) logged += 1;
    else {
      const { errors } = outcome.data as FormFaults;
      faults[entry.id] =
        errors.gross ?? Object.values(errors).filter((e) => !e.endsWith("as it is."))[0] ?? "it cannot be so";
    }
  }
  return { logged, faults };
}

/**
 * The stand-in's link: its address on the home network, a code for his phone, and whether it reaches him at all.
 * @param origin where the garden is open now
 */
export async function standInLink(trip: Trip, origin: string) {
  const key = standInKey(dataDir(), trip.id);
  const home = process.env.AKMEDON_HOME_ADDRESS;
  if (!key) return { address: null, code: null, atHome: Boolean(home) };
  const address = `${home || origin}/for/${key}`;
  return { address, code: await codeImage(address), atHome: Boolean(home) };
}

/** Most bytes of a stand-in's file: a few hundred lines are far less. */
const MOST_FILE_BYTES = 200_000;

/** Logs what a stand-in's file holds, each line once. */
export async function readBack(d: GardenNow, trip: Trip, file: FormDataEntryValue | null) {
  const fault = (...words: string[]) => refuse({ errors: { file: words.join("; ") }, typed: {} });
  if (!(file instanceof File) || file.size === 0) return fault("choose the file that the stand-in gave you");
  if (file.size > MOST_FILE_BYTES) return fault("this is more than a stand-in’s file holds");
  const read = readStandInFile(await file.text());
  if (!read.ok) return fault(...read.errors.map(sayError));
  if (read.value.tripId !== trip.id) return fault("this file is of another trip");
  const view = standInView(d, trip);
  const { logged, faults } = logStandIn(view, read.value.entries);
  const names = new Map(view.rounds.flatMap((r) => r.lines.map((l) => [l.id, l.kind] as const)));
  const said = Object.entries(faults).map(([id, words]) => `${names.get(id) ?? "a planting"}: ${words}`);
  const taken = `${logged} ${logged === 1 ? "entry is" : "entries are"} in the log`;
  return said.length > 0
    ? fault(taken, ...said)
    : redirect(`/picks?said=${encodeURIComponent(`${taken}, by ${view.who}.`)}`);
}
