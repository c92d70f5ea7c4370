import { median } from "simple-statistics";
import { daysBetween, sayDay, sayNear } from "#core/calendar/day";
import type { Crop } from "#core/handbook/crop";
import { tastesOf } from "#core/planning/question/question";
import { perPlantOf } from "#core/season/plants-enough";
import { trayDays } from "#core/season/series";
import { lastSowings, readyDay, type Site } from "#core/season/sowing-clock";
import { bearsDays, nextSowing, successionOf } from "#core/season/succession";
import { isKeeper } from "#core/season/weeks";
import { sayMass } from "#core/units/mass";
import { soilState } from "#core/weather/soil";
import { SOIL_WORDS } from "#core/weather/words";
import { type GardenNow, handbook } from "../server/garden-now.server";
import { bedFree } from "./estimates.server";
import { grownOf, openSite, riskAsked, siteOf, yieldsAPlant } from "./season-data.server";

const HOW_WORDS = { sown: "sown in place", transplanted: "set out as plants", planted: "planted" } as const;

/** The bed that was asked for, or an open one in full sun. */
function siteAsked(d: GardenNow, bedId: string | null): { bedId: string; site: Site } {
  const bed = d.snapshot.beds.find((b) => b.id === bedId);
  return bed ? { bedId: bed.id, site: siteOf(d, bed) } : { bedId: "", site: openSite(d) };
}

/** The season a sowing is thought of for: this one while anything can still be sown, else the next. */
const seasonYear = (today: string): number => Number(today.slice(0, 4)) + (today.slice(5) >= "09-15" ? 1 : 0);

/** Last dates of every crop that is liked, and the succession of one. */
export function sowingsView(d: GardenNow, q: URLSearchParams) {
  const { snapshot, today } = d;
  const { units } = snapshot.garden;
  const book = handbook();
  const risk = riskAsked(q.get("risk"));
  const { bedId, site } = siteAsked(d, q.get("bed"));
  const tasteOf = tastesOf(snapshot);
  const south = snapshot.garden.latitudeDeg < 0;
  const year = south ? Number(today.slice(0, 4)) : seasonYear(today);
  const grownIds = new Set(snapshot.plantings.map((p) => p.cropId));
  const all = q.get("all") === "yes";
  const liked = book.all.filter((c) => tasteOf(c).liking > 0 && (all || grownIds.has(c.id)));
  const lasts = liked
    .flatMap((crop) =>
      lastSowings(crop, snapshot.weather, year, site, risk)
        .filter((l, i, list) => l.latest !== null && list.findIndex((o) => o.latest === l.latest) === i)
        .slice(0, 2)
        .map((l) => ({ crop, ...l, latest: l.latest! })),
    )
    .sort((a, b) => (a.latest < b.latest ? -1 : a.latest > b.latest ? 1 : a.crop.name < b.crop.name ? -1 : 1));
  const sowable = book.all.filter(
    (c) => !c.days.yearly && !isKeeper(c) && (grownIds.has(c.id) || tasteOf(c).liking > 0),
  );
  const cropId =
    sowable.find((c) => c.id === q.get("crop"))?.id ??
    sowable.find((c) => grownIds.has(c.id) && c.habit === "cut-again")?.id ??
    sowable.find((c) => grownIds.has(c.id))?.id ??
    sowable[0]?.id;
  const crop = cropId ? book.of(cropId) : null;
  return {
    units,
    today,
    year,
    risk,
    bedId,
    all,
    beds: snapshot.beds.map((b) => {
      const { share, on, words } = bedFree(d, b.id);
      return { id: b.id, name: b.name, taken: share === 0, freeOn: on, free: words };
    }),
    raisedDays: crop?.days.transplanted ? trayDays(crop) : null,
    years: new Set(snapshot.weather.map((w) => w.day.slice(0, 4))).size,
    lasts: lasts.map((l) => ({
      key: `${l.crop.id} ${l.how}`,
      id: l.crop.id,
      name: l.crop.name,
      glyph: l.crop.glyph,
      how: HOW_WORDS[l.how],
      latest: sayDay(l.latest),
      by: l.limitBy === "frost" ? `frost, ${sayDay(l.limit)}` : `short days, ${sayDay(l.limit)}`,
      days: daysBetween(l.latest, readyDay(l.crop, l.latest, l.needDd, site) ?? l.limit),
    })),
    crops: sowable.map((c) => ({ id: c.id, name: c.name, grown: grownIds.has(c.id) })),
    cropId: cropId ?? "",
    plan: crop ? planOf(d, crop, site, year, risk) : null,
    soil: soilHolds(d),
  };
}

/** Whether seed can go in at all: baked or sodden ground waits for rain, or for a drying wind. */
function soilHolds(d: GardenNow): string {
  const { state } = soilState(d.snapshot.weather.filter((w) => w.day < d.today).slice(-30));
  return state === "baked" || state === "sodden" || state === "frozen" ? SOIL_WORDS[state] : "";
}

/** What a series by the calendar comes nearest to the one by warmth with: its middle gap, days, and middle number of plants. */
function usualOf(sowings: readonly { gapDays: number | null; plants: number | null }[]) {
  const middle = (xs: readonly (number | null)[]): number | null => {
    const known = xs.filter((x): x is number => x !== null);
    return known.length > 0 ? Math.round(median(known)) : null;
  };
  return { gapDays: middle(sowings.map((s) => s.gapDays)), plants: middle(sowings.map((s) => s.plants)) };
}

function planOf(d: GardenNow, crop: Crop, site: Site, year: number, risk: number) {
  const { snapshot } = d;
  const { units } = snapshot.garden;
  const taste = tastesOf(snapshot)(crop);
  const own = yieldsAPlant(grownOf(d).filter((g) => g.crop.id === crop.id));
  const perPlant = perPlantOf(crop, own);
  const plan = successionOf(crop, snapshot.weather, year, site, risk, taste.weeklyG, perPlant);
  if (!plan || plan.sowings.length === 0) return { crop: crop.name, glyph: crop.glyph, none: true as const };
  const skipped = plan.byCalendar.filter((s) => s.skip);
  const first = plan.sowings[0]!;
  const span = daysBetween(first.readyOn, plan.sowings.at(-1)!.untilOn);
  const at = (day: string) =>
    Math.max(
      0,
      Math.min(
        1,
        daysBetween(first.startOn, day) / Math.max(1, daysBetween(first.startOn, plan.sowings.at(-1)!.untilOn)),
      ),
    );
  return {
    none: false as const,
    crop: crop.name,
    glyph: crop.glyph,
    how: HOW_WORDS[plan.how],
    weekly: sayMass(taste.weeklyG, units),
    perPlant: perPlant ? sayMass(perPlant, units) : "",
    learned: own.length,
    weeks: Math.round(span / 7),
    bears: bearsDays(crop, first.readyOn, site),
    usual: usualOf(plan.sowings),
    sowings: plan.sowings.map((s) => ({
      key: s.startOn,
      start: sayDay(s.startOn),
      ready: sayDay(s.readyOn),
      until: sayDay(s.untilOn),
      plants: s.plants,
      gap: s.gapDays === null ? "" : `${s.gapDays} days, ${s.gapDd} °C·day after the one before`,
      from: at(s.startOn),
      readyAt: at(s.readyOn),
      to: at(s.untilOn),
    })),
    byCalendar: {
      count: plan.byCalendar.length,
      skip: skipped.map((s) => sayDay(s.startOn)),
    },
    next: nextOf(
      d,
      crop,
      site,
      plan.sowings.map((s) => s.gapDd),
    ),
  };
}

/** Whether it is time for another sowing now, by the warmth since the last one in the garden. */
function nextOf(d: GardenNow, crop: Crop, site: Site, gaps: readonly (number | null)[]): string {
  const { snapshot, today } = d;
  const last = snapshot.plantings
    .filter((p) => p.cropId === crop.id && p.startedOn <= today && daysBetween(p.startedOn, today) < 150)
    .map((p) => p.startedOn)
    .sort()
    .at(-1);
  const want = gaps.filter((g): g is number => g !== null);
  if (!last || want.length === 0) return "";
  const middle = [...want].sort((a, b) => a - b)[want.length >> 1]!;
  const weather = new Map(snapshot.weather.map((w) => [w.day, w]));
  const next = nextSowing(crop, last, middle, site, weather, today);
  const begun = `${Math.round(next.gatheredDd)} of ${Math.round(middle)} °C·day since the one of ${sayDay(last)}`;
  if (next.due) return `Time for the next one: ${begun}.`;
  return next.expected ? `The next one about ${sayNear(next.expected, today)}: ${begun}.` : "";
}
