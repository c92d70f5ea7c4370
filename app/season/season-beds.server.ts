import { addDays, daysBetween, sayDay, sayNear } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { cautionsAt } from "#core/handbook/cautions";
import { SOURCES, type Source } from "#core/handbook/sources";
import { tastesOf } from "#core/planning/question/question";
import { perennialYear } from "#core/planting/perennial";
import { isSick } from "#core/planting/sick";
import { clearingOf, regrowthOf, standsForYears } from "#core/season/after-last-pick";
import { coverOff } from "#core/season/covers-off";
import { type Fits, fitsInto, isFree, leftInBed } from "#core/season/freed-bed";
import { pastOf } from "#core/season/rotation";
import { ROTATION_WORDS, sayRotation, sayShare } from "#core/season/words";
import { soilState } from "#core/weather/soil";
import { SOIL_WORDS } from "#core/weather/words";
import { change } from "#db/change";
import { done, missing } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { bedFree } from "./estimates.server";
import { diseasesIn, type GrownHere, grownOf, pickedOf, riskAsked, siteOf } from "./season-data.server";

/** A bed that was cleared is spoken of for so long, days. */
const CLEARED_DAYS = 90;
const FITS_SHOWN = 7;
const YEARS_SHOWN = 5;
const DAYS_OF_SOIL = 30;

/** Whether disease was seen on a planting in its last weeks, or one that lasts in the ground at any time. */
function sickOf(d: GardenNow, g: GrownHere): boolean {
  const end = g.planting.endedOn ?? d.today;
  const checks = d.snapshot.checks.filter((c) => c.plantingId === g.planting.id);
  return isSick(checks, end) || g.planting.disease !== "";
}

/** Plantings that are over, or were picked to the last and still stand in the book. */
function overOf(d: GardenNow): { g: GrownHere; cleared: boolean }[] {
  return grownOf(d).flatMap((g): { g: GrownHere; cleared: boolean }[] => {
    const { endedOn } = g.planting;
    if (standsForYears(g.crop)) return [];
    if (endedOn !== null)
      return endedOn <= d.today && daysBetween(endedOn, d.today) <= CLEARED_DAYS ? [{ g, cleared: true }] : [];
    return g.entries.at(-1)?.pick.extent === "final" ? [{ g, cleared: false }] : [];
  });
}

/** What would ripen but should not follow there, crops with the same reason told together. */
function ratherNot(fits: readonly Fits[]): { names: string; why: string }[] {
  const by = new Map<string, string[]>();
  for (const f of fits)
    if (f.rotation === "wary" || f.rotation === "no") {
      const why = f.reasons.map(sayRotation).join("; ");
      by.set(why, [...(by.get(why) ?? []), f.crop.name.toLowerCase()]);
    }
  return [...by].slice(0, 3).map(([why, names]) => ({ names: names.slice(0, 5).join(", "), why }));
}

/** What is done after the last pick, what fits into free beds, what stood where, and what stands for years. */
export function bedsView(d: GardenNow, q: URLSearchParams) {
  const { snapshot, today } = d;
  const book = handbook();
  const risk = riskAsked(q.get("risk"));
  const ticked = new Set(snapshot.ticks.map((t) => t.id));
  const tasteOf = tastesOf(snapshot);
  const year = Number(today.slice(0, 4));
  const grown = grownOf(d);
  const oldest = Math.min(year - 2, ...grown.map((g) => Number(g.planting.startedOn.slice(0, 4))));
  const count = Math.min(YEARS_SHOWN, year - oldest + 1);
  const years = Array.from({ length: count }, (_, k) => year - count + 1 + k);
  const soil = soilState(snapshot.weather.filter((w) => w.day < today).slice(-DAYS_OF_SOIL));
  const shareOf = (b: { id: string }) => bedFree(d, b.id).share;
  const free = snapshot.beds.filter((b) => shareOf(b) > 0).sort((a, b) => shareOf(b) - shareOf(a));
  return {
    today,
    risk,
    soil: soil.state === "workable" ? "" : SOIL_WORDS[soil.state],
    over: overOf(d)
      .map(({ g, cleared }) => ({
        id: g.planting.id,
        name: plantingName(g.planting, g.crop),
        crop: g.crop.name,
        bed: g.bed.name,
        glyph: g.crop.glyph,
        cleared,
        when: cleared ? `over since ${sayNear(g.planting.endedOn!, today)}` : "picked to the last",
        // where something stands again, the ground is no longer bare
        cautions: cautionsAt(g.crop, "clearing"),
        tasks: clearingOf(g.planting, g.crop, sickOf(d, g))
          .filter((t) => !cleared || !t.id.endsWith("compost-mulch") || isFree(g.bed.id, snapshot.plantings, today))
          .map((t) => ({
            ...t,
            source: SOURCES[t.source as Source],
            done: ticked.has(t.id),
          })),
      }))
      .filter((o) => o.tasks.length > 0)
      .sort((a, b) => Number(a.cleared) - Number(b.cleared) || (a.name < b.name ? -1 : 1)),
    free: free.map((bed) => {
      const site = siteOf(d, bed);
      const past = pastOf(bed.id, snapshot.plantings, book, addDays(today, 1));
      const left = leftInBed(today, snapshot.weather, site, risk);
      const fits = fitsInto(past, today, book, tasteOf, snapshot.weather, site, risk, diseasesIn(d, bed.id));
      return {
        id: bed.id,
        name: bed.name,
        share: sayShare(bedFree(d, bed.id).share),
        before: past[0] ? past[0].crop.name : "",
        since: past[0]?.until ? sayNear(past[0].until, today) : "",
        left: left.days,
        frost: left.frost ? sayDay(left.frost) : "",
        fits: fits
          .filter((f) => f.rotation === "good" || f.rotation === "fine")
          .slice(0, FITS_SHOWN)
          .map((f) => ({
            id: f.crop.id,
            name: f.crop.name,
            glyph: f.crop.glyph,
            how: f.how,
            ready: f.overWinter
              ? `stands the winter; ready about ${sayDay(f.readyOn)} ${f.readyOn.slice(0, 4)}`
              : `ready about ${sayDay(f.readyOn)}`,
            spare: f.spareDays,
            why: [f.rotation === "good" ? "a good follower" : "", ...f.reasons.map(sayRotation)]
              .filter(Boolean)
              .join(": "),
          })),
        not: ratherNot(fits),
      };
    }),
    years,
    history: snapshot.beds.map((bed) => ({
      id: bed.id,
      name: bed.name,
      years: years.map((n) => {
        const y = `${n}`;
        return grown
          .filter(
            (g) =>
              g.bed.id === bed.id &&
              g.planting.startedOn.slice(0, 4) <= y &&
              (g.planting.endedOn ?? today).slice(0, 4) >= y,
          )
          .map((g) => ({ id: g.planting.id, name: g.crop.name, family: g.crop.family, glyph: g.crop.glyph }))
          .filter((x, i, all) => all.findIndex((o) => o.name === x.name) === i);
      }),
    })),
    standing: grown
      .filter((g) => g.planting.endedOn === null && standsForYears(g.crop))
      .flatMap((g) => {
        const p = perennialYear(g.planting, g.crop, today, snapshot.garden.latitudeDeg);
        if (!p) return [];
        return [
          {
            id: g.planting.id,
            name: plantingName(g.planting, g.crop),
            crop: g.crop.name,
            bed: g.bed.name,
            age: p.age,
            says: [
              p.young ? `First full crop in ${p.firstCropYear}${p.otherwise ? `; ${p.otherwise}` : ""}.` : "",
              p.lastDay ? `${p.over ? "Its season ended" : "Its season ends"} ${sayDay(p.lastDay)}: ${p.lastWhy}.` : "",
              p.old ? "Old by the book: renew it, elsewhere." : "",
            ].filter(Boolean),
            tasks: p.tasks
              .filter((t) => t.state === "now" || t.state === "soon")
              .map((t) => ({
                ...t,
                done: ticked.has(t.id),
                when: t.state === "now" ? "now" : `from ${sayDay(t.from)}`,
              })),
          },
        ];
      }),
    shoots: grown.flatMap((g) => {
      if (g.crop.habit !== "main-then-side" || g.planting.endedOn !== null) return [];
      const days = [...new Set(pickedOf(g.entries).map((p) => p.day))];
      const r = regrowthOf(g.planting, g.crop, days, snapshot.weather, today);
      if (!r) return [];
      return [
        {
          id: g.planting.id,
          name: plantingName(g.planting, g.crop),
          bed: g.bed.name,
          look: sayNear(r.nextLook < today ? today : r.nextLook, today),
          due: r.nextLook <= today,
          rots: r.rots ? `${Math.round(r.rainMm)} mm of rain since the cut: the stump may rot before they come` : "",
        },
      ];
    }),
    covers: grown.flatMap((g) => {
      const off = coverOff(g.planting, g.bed, g.crop, siteOf(d, g.bed));
      return off && daysBetween(today, off) <= 30 && daysBetween(off, today) <= 45
        ? [
            {
              id: g.planting.id,
              name: plantingName(g.planting, g.crop),
              bed: g.bed.name,
              day: sayNear(off, today),
              late: off < today,
            },
          ]
        : [];
    }),
    rotationWords: ROTATION_WORDS,
  };
}

/** Closes a planting that was picked to the last: its bed is free from today. */
export function clearBed(d: GardenNow, typed: Record<string, string>) {
  const planting = d.snapshot.plantings.find((p) => p.id === typed.plantingId);
  if (!planting) throw missing("planting");
  const name = plantingName(planting, handbook().of(planting.cropId));
  return done(
    "/season/beds",
    change(db(), `${name} cleared`, d.now, (c) => c.put("plantings", { ...planting, endedOn: d.today })),
  );
}
