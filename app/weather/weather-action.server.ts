import { data } from "react-router";
import { addDays, sayDay } from "#core/calendar/day";
import { bedReadingSchema } from "#core/weather/bed-offset";
import { type Forecast, type WeatherDay, weatherDaySchema } from "#core/weather/daily";
import { change, newId } from "#db/change";
import { maySimulate } from "../server/devices/device";
import { simulatedForecast } from "../server/devices/simulated.server";
import { byIntent, done, type FormFaults, missing, numberOf, refuse, typedOf } from "../server/forms.server";
import { db, type GardenNow } from "../server/garden-now.server";
import { importWeather, newForecastId } from "../server/weather-import.server";

const MOST_BYTES = 4_000_000;

/**
 * What the page of the weather is asked to change.
 * @param shownDay the day whose nights the page shows
 */
export function changeWeather(d: GardenNow, form: FormData, shownDay: string | null) {
  const typed = typedOf(form);
  const answer = (to: string, a: Answer) => (a.ok ? done(to, a.journalId) : refuse(a.faults));
  const putForecast = (label: string, forecast: Omit<Forecast, "id">) =>
    done(
      "/weather",
      change(db(), label, d.now, (c) => c.put("forecasts", { id: newForecastId(), ...forecast })),
    );
  return byIntent(typed, {
    simulate: () => {
      if (!maySimulate(d)) throw missing("real forecast office");
      return putForecast("A simulated forecast was issued", simulatedForecast(d));
    },
    cover: () => answer(`/weather?day=${typed.night ?? ""}#beds`, toggleCover(d, typed)),
    // a reading is of a night that has been: the page stays on the night that was looked at
    thermometer: () => answer(`/weather${shownDay ? `?day=${shownDay}` : ""}#beds`, saveBedReading(d, typed)),
    typed: () => {
      const read = readTypedForecast(d, typed);
      return read.ok
        ? putForecast(`Forecast typed in: ${read.days.length} days`, {
            source: "Typed by hand",
            issuedOn: d.today,
            days: read.days,
          })
        : refuse(read.faults);
    },
    import: () => bringIn(d, form, typed),
    columns: () => bringIn(d, form, typed),
    preview: () => bringIn(d, form, typed),
  });
}

/** A record or a forecast from a file or pasted; one whose columns are not known comes back to be shown first. */
async function bringIn(d: GardenNow, form: FormData, typed: Record<string, string>) {
  const file = form.get("file");
  if (file instanceof File && file.size > MOST_BYTES)
    return refuse({ errors: { file: "The file is larger than 4 MB; split it by years." }, typed });
  const text = file instanceof File && file.size > 0 ? await file.text() : (typed.text ?? "").trim();
  if (text === "") return refuse({ errors: { file: "Choose a CSV file, or paste its lines." }, typed });
  const imported = await importWeather(d, typed, text);
  switch (imported.kind) {
    case "done":
      return imported.journalId
        ? done("/weather", imported.journalId)
        : done("/weather?said=These+days+were+there+already", null);
    case "refused":
      return refuse(imported.faults);
    case "preview":
      return data(
        { ...imported.faults, preview: imported.preview, text: imported.text },
        { status: Object.keys(imported.faults.errors).length > 0 ? 422 : 200 },
      );
  }
}

type Answer = { ok: true; journalId: string | null } | { ok: false; faults: FormFaults };
const fault = (field: string, message: string, typed: Record<string, string>): Answer => ({
  ok: false,
  faults: { errors: { [field]: message }, typed },
});

/** A thermometer reading of a bed, typed in the user's units. */
function saveBedReading(d: GardenNow, typed: Record<string, string>): Answer {
  const bed = d.snapshot.beds.find((b) => b.id === typed.bedId);
  if (!bed) return fault("form", "there is no such bed", typed);
  const shown = numberOf(typed.minimum);
  const field = `minimum-${bed.id}`;
  if (shown === null || Number.isNaN(shown)) return fault(field, "write the lowest it showed, as −1.5", typed);
  const minC = d.snapshot.garden.units === "us" ? ((shown - 32) * 5) / 9 : shown;
  const checked = bedReadingSchema.safeParse({ id: newId(), bedId: bed.id, day: typed.night || d.today, minC });
  if (!checked.success) return fault(field, checked.error.issues[0]?.message ?? "this cannot be", typed);
  if (checked.data.day > d.today) return fault(field, "that night has not been yet", typed);
  const twin = d.snapshot.bedReadings.find((r) => r.bedId === bed.id && r.day === checked.data.day);
  return {
    ok: true,
    journalId: change(db(), `${bed.name}: thermometer read for ${sayDay(checked.data.day)}`, d.now, (c) =>
      c.put("bedReadings", { ...checked.data, id: twin?.id ?? checked.data.id }),
    ),
  };
}

/** Lays a cover over a bed for the night before a day, or takes it off again. */
function toggleCover(d: GardenNow, typed: Record<string, string>): Answer {
  const bed = d.snapshot.beds.find((b) => b.id === typed.bedId);
  const day = d.outlook.days.find((x) => x.weather.day === typed.night)?.weather.day;
  if (!bed || !day) return fault("form", "there is no such bed or night", typed);
  const laid = d.snapshot.covers.find((c) => c.bedId === bed.id && c.day === day);
  return {
    ok: true,
    journalId: laid
      ? change(db(), `${bed.name}: cover off for the night to ${sayDay(day)}`, d.now, (c) =>
          c.remove("covers", laid.id),
        )
      : change(db(), `${bed.name}: cover on for the night to ${sayDay(day)}`, d.now, (c) =>
          c.put("covers", { id: newId(), bedId: bed.id, day }),
        ),
  };
}

/** Days of a forecast typed by hand: low and high wanted, rain and gust if known; empty lines are left out. */
export const TYPED_DAYS = 7;

function readTypedForecast(
  d: GardenNow,
  typed: Record<string, string>,
): { ok: true; days: WeatherDay[] } | { ok: false; faults: FormFaults } {
  const us = d.snapshot.garden.units === "us";
  const errors: Record<string, string> = {};
  const days: WeatherDay[] = [];
  for (let k = 0; k < TYPED_DAYS; k++) {
    const [low, high, rain, gust] = ["low", "high", "rain", "gust"].map((f) => numberOf(typed[`${f}${k}`]));
    if (low === null && high === null && rain === null && gust === null) continue;
    const day = addDays(d.today, k);
    if (low === null || high === null || low === undefined || high === undefined) {
      errors[`low${k}`] = `${sayDay(day)}: give both the lowest and the highest`;
      continue;
    }
    const checked = weatherDaySchema.safeParse({
      day,
      tempMinC: us ? ((low - 32) * 5) / 9 : low,
      tempMaxC: us ? ((high - 32) * 5) / 9 : high,
      rainMm: us ? (rain ?? 0) * 25.4 : (rain ?? 0),
      windMs: gust == null ? null : (us ? gust * 0.44704 : gust / 3.6) / 2,
      gustMs: gust == null ? null : us ? gust * 0.44704 : gust / 3.6,
      humidityPct: null,
      cloudPct: null,
    });
    if (checked.success) days.push(checked.data);
    else errors[`low${k}`] = `${sayDay(day)}: ${checked.error.issues[0]?.message ?? "this cannot be"}`;
  }
  if (days.length === 0 && Object.keys(errors).length === 0) errors.low0 = "type at least one day";
  return Object.keys(errors).length > 0 ? { ok: false, faults: { errors, typed } } : { ok: true, days };
}
