import { type Taste, tasteSchema, usualTaste } from "#core/household/taste";
import { tastesOf } from "#core/planning/question/question";
import { fullestPlaces } from "#core/planning/rounds/left";
import { scheduleOf } from "#core/planning/rounds/rounds";
import { readMass, sayMass } from "#core/units/mass";
import { change, orderedId } from "#db/change";
import { listPlaces } from "#db/garden";
import { roundsAhead } from "../rounds/rounds.server";
import { byIntent, done, numberOf, readForm, refuse } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { roomForm } from "./room.form";

/** Crops that grow or were spoken of, each with what the household thinks of it; and the places with their room. */
export function householdView(d: GardenNow) {
  const { snapshot, outlook } = d;
  const { eaters, units } = snapshot.garden;
  const tasteOf = tastesOf(snapshot);
  const said = new Set(snapshot.tastes.map((t) => t.id));
  const ids = new Set([...outlook.plantings.map((p) => p.crop.id), ...said]);
  const crops = [...ids]
    .flatMap((id) => handbook().find(id) ?? [])
    .sort((a, b) => a.name.localeCompare(b.name, "en"))
    .map((crop) => {
      const taste = tasteOf(crop);
      return {
        id: crop.id,
        name: crop.name,
        glyph: crop.glyph,
        said: said.has(crop.id),
        liking: taste.liking,
        weekly: sayMass(taste.weeklyG, units),
        spared: sayMass(taste.sparedG, units),
      };
    });
  const { rounds, problem } = roundsAhead(d);
  const schedule = scheduleOf(problem, rounds);
  return {
    units,
    eaters,
    crops,
    places: listPlaces(db()),
    // what is planned meets the room: each kind of place when it is fullest
    fullest: fullestPlaces(problem, schedule).filter((f) => f.peak > 0.5),
  };
}

/** What a gardener says of likings and places. */
export async function changeHousehold(d: GardenNow, typed: Record<string, string>) {
  const places = "/settings/household#places";
  return byIntent(typed, {
    tastes: () => saveTastes(d, typed),
    place: () => {
      const known = listPlaces(db()).find((p) => p.id === typed.id) ?? null;
      const read = readForm(roomForm(d.snapshot.garden.units, known), typed);
      if (!read.ok) return refuse(read.faults);
      const place = { ...read.row, id: known?.id ?? orderedId(), addedAt: known?.addedAt ?? d.now };
      return done(
        places,
        change(db(), `${place.name} ${known ? "changed" : "added"}`, d.now, (c) => c.put("places", place)),
      );
    },
    "remove-place": () =>
      done(
        places,
        change(db(), "Place removed", d.now, (c) => c.remove("places", typed.id ?? "")),
      ),
  });
}

/** How gladly each crop is eaten and how much of it, kept where it is not as in most homes. */
function saveTastes(d: GardenNow, typed: Record<string, string>) {
  const { units, eaters } = d.snapshot.garden;
  const tastes: Taste[] = [];
  const errors: Record<string, string> = {};
  for (const { id } of householdView(d).crops) {
    const crop = handbook().find(id)!;
    const usual = usualTaste(crop, eaters);
    const mass = (name: string, otherwise: number) => {
      const text = (typed[`${name}-${id}`] ?? "").trim();
      const read = text === "" ? null : readMass(text, units);
      if (read && !read.ok) errors[`${name}-${id}`] = read.message;
      // a figure shown rounded and left as it was is not a new one
      return read?.ok && text !== sayMass(otherwise, units) ? read.massG : otherwise;
    };
    const known = d.snapshot.tastes.find((t) => t.id === id) ?? usual;
    const taste = {
      id,
      liking: numberOf(typed[`liking-${id}`]) ?? 1,
      weeklyG: mass("weekly", known.weeklyG),
      sparedG: mass("spared", known.sparedG),
    };
    const checked = tasteSchema.safeParse(taste);
    if (!checked.success) errors[`liking-${id}`] = checked.error.issues[0]!.message;
    else tastes.push(checked.data);
  }
  if (Object.keys(errors).length > 0) return refuse({ errors, typed });
  return done(
    "/settings/household",
    change(db(), "What you like saved", d.now, (c) => {
      for (const t of tastes) {
        const usual = usualTaste(handbook().find(t.id)!, eaters);
        const same = t.liking === 1 && t.weeklyG === usual.weeklyG && t.sparedG === usual.sparedG;
        if (same) c.remove("tastes", t.id);
        else c.put("tastes", t);
      }
    }),
  );
}
