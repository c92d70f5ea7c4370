import { addDays, sayDay, sayNear } from "#core/calendar/day";
import { cautionsAt } from "#core/handbook/cautions";
import { keepingFactsOf } from "#core/handbook/storage";
import type { Place } from "#core/household/place";
import { blanchMinutes, COOK_FULLY, PRESERVED, type Preserved } from "#core/keeping/blanching";
import { type CurePlan, curePlan, type Lack } from "#core/keeping/cure-plan";
import { curingOf } from "#core/keeping/curing";
import { dishesFor } from "#core/keeping/dishes";
import { type LotEvent, placeOf } from "#core/keeping/lot";
import { airOf } from "#core/keeping/place-air";
import { spreadOut } from "#core/keeping/ripening";
import { ageingOf, daysUntil, shareGood, warningsOf } from "#core/keeping/shelf-life";
import { isStillUnripe } from "#core/keeping/stock";
import { preservingCautions, sayAgeing, sayWarning, sayWrongTemp } from "#core/keeping/words";
import { tastesOf } from "#core/planning/question/question";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { sayDegrees, sayTemp } from "#core/units/say";
import { GRADE_WORDS } from "#core/weighing/words";
import { listPeople } from "#db/garden";
import { db, type GardenNow } from "../server/garden-now.server";
import { findLot, houseOf, lotLine, placeName, sayPieces } from "./keep.server";

/** How far the curve of what is still good looks ahead, days at most. */
const CURVE_DAYS = 365;

/** Everything the page of a lot shows; null when there is no such lot. */
export function lotView(d: GardenNow, id: string) {
  const found = findLot(d, id);
  if (!found) return null;
  const { lot, crop, stocked } = found;
  const { snapshot, today } = d;
  const { units } = snapshot.garden;
  const green = isStillUnripe(lot);
  const facts = stocked?.facts ?? keepingFactsOf(crop, green);
  const horizon = Math.min(CURVE_DAYS, Math.max(14, Math.ceil((stocked?.halfInDays ?? 7) * 2.2)));
  const step = horizon <= 20 ? 0.5 : Math.max(1, Math.round(horizon / 40));
  const places = snapshot.places.map((place) => {
    const air = airOf(place, snapshot.placeReadings)(today);
    const { rate, factors } = ageingOf(facts, air, lot.grade, false);
    const half = stocked ? daysUntil(facts, stocked.livedDays, rate, 0.5) : 0;
    return {
      id: place.id,
      name: place.name,
      here: placeOf(lot) === place.id,
      freezer: place.kind === "freezer",
      rate,
      halfInDays: half,
      factors: factors.map((f) => sayAgeing(f.why, units)),
      warnings: [
        ...warningsOf(facts, air, place.kind === "fridge", {
          greens: crop.hazards?.includes("green-potatoes") ?? false,
          ripening: green || (stocked?.ripe ?? null) !== null,
        }).map((w) => sayWarning(w, crop.name, units)),
        ...(green || stocked?.ripe ? [sayWrongTemp(air.tempC, units) ?? ""].filter(Boolean) : []),
      ],
    };
  });
  const here = places.find((p) => p.here);
  const nameOfPlace = (pid: string | null) => snapshot.places.find((p) => p.id === pid)?.name ?? "place not said";
  const pieces = Math.round(lot.leftG / crop.yield.pieceG);
  const perDay = tastesOf(snapshot)(crop).weeklyG / 7 / crop.yield.pieceG;
  return {
    units,
    today,
    lot: {
      id: lot.id,
      kind: lot.kind,
      crop: crop.name,
      cropId: crop.id,
      glyph: crop.glyph,
      bed: lot.bed,
      grade: GRADE_WORDS[lot.grade],
      pickId: lot.pickId,
      plantingId: lot.plantingId,
      picked: lot.pickedAt.slice(0, 10),
      preserved: lot.preserved,
      note: lot.note,
      leftG: lot.leftG,
      left: `${lot.estimated ? "about " : ""}${sayMass(lot.leftG, units)}`,
      pieces: sayPieces(lot),
      dishes: dishesFor(snapshot.dishes, [crop.id]).map((x) => x.dish),
      start: sayMass(lot.startG, units),
      place: placeName(d, lot),
      from: lot.from,
      seen: lot.events.at(-1)?.id ?? "",
      useBy: lot.useBy ?? "",
    },
    line: stocked ? lotLine(stocked, units, today) : null,
    why: (stocked?.factors ?? []).map((f) => `${sayAgeing(f.why, units)} (${f.factor.toFixed(1)} times as fast)`),
    cure: (() => {
      const cure = lot.preserved || lot.part !== "crop" ? null : curingOf(crop);
      return cure && stocked?.curing
        ? {
            ...stocked.curing,
            test: cure.test,
            source: cure.source,
            range: cure.days,
            plan: sayCurePlan(
              curePlan(cure, stocked.curing, { ...stocked.air, ...movingOf(stocked.place) }, today),
              today,
              units,
            ),
          }
        : null;
    })(),
    ripening: stocked?.ripe !== null && stocked?.ripe !== undefined,
    batches:
      stocked?.ripe && pieces > 6
        ? spreadOut(pieces, perDay)
            .slice(0, 5)
            .map((b) => ({ ...b, day: sayDay(addDays(today, b.inDays)) }))
        : [],
    places,
    curves: stocked
      ? Array.from({ length: Math.floor(horizon / step) + 1 }, (_, k) => {
          const t = k * step;
          const share = (rate: number) =>
            Math.round(1000 * (shareGood(facts, stocked.livedDays + t * rate) / stocked.good)) / 10;
          return {
            t,
            day: addDays(today, Math.floor(t)),
            here: share(stocked.rate),
            ...Object.fromEntries(places.filter((p) => !p.here && !p.freezer).map((p) => [p.id, share(p.rate)])),
          };
        })
      : [],
    hereName: here?.name ?? "where it is",
    facts: {
      temp: facts.tempC,
      humidity: facts.humidityPct,
      days: facts.days,
      row: facts.row,
    },
    history: [...lot.events]
      .reverse()
      .map((e) => ({ id: e.id, at: e.at, words: sayEvent(e, lot.id, units, nameOfPlace) })),
    siblings: [...houseOf(d).lots.values()]
      .filter(
        (l) =>
          l.id !== lot.id &&
          l.cropId === lot.cropId &&
          l.part === lot.part &&
          l.leftG > 0 &&
          houseOf(d).stock.some((s) => s.lot.id === l.id),
      )
      .map((l) => ({
        id: l.id,
        name: `${l.kind}, ${sayMass(l.leftG, units)}, picked ${l.pickedAt.slice(0, 10)}`,
        same: l.kind === lot.kind,
      })),
    blanch: {
      least: blanchMinutes(crop, 0, snapshot.garden.elevationM),
      most: blanchMinutes(crop, 1, snapshot.garden.elevationM),
      steam: blanchMinutes(crop, 0, snapshot.garden.elevationM, true),
      cook: COOK_FULLY.includes(crop.like),
      high: snapshot.garden.elevationM >= 1524,
    },
    care: cautionsAt(crop, "storing", "kitchen"),
    giving: cautionsAt(crop, "giving"),
    cautions: Object.fromEntries(PRESERVED.map((h) => [h, preservingCautions(crop, h)])) as Record<Preserved, string[]>,
    people: [
      ...new Set([
        ...listPeople(db()).map((p) => p.name),
        ...snapshot.lotEvents.filter((e) => e.kind === "give").map((e) => e.who),
      ]),
    ].filter(Boolean),
  };
}

/** An entry of a lot in words. @param lotId whose history tells it */
export function sayEvent(
  e: LotEvent,
  lotId: string,
  units: "metric" | "us",
  nameOf: (id: string | null) => string,
): string {
  const amount = e.massG === null ? "all of it" : sayMass(e.massG, units);
  const tail = [e.note].filter(Boolean).join("");
  const said = (() => {
    switch (e.kind) {
      case "move":
        return `Moved to ${nameOf(e.placeId)}`;
      case "use":
        return `Used ${amount}`;
      case "give":
        return `Gave ${amount}${e.who ? ` to ${e.who}` : ""}`;
      case "lose":
        return `Lost ${amount}${e.cause ? `: ${e.cause}` : ""}`;
      case "check":
        return e.ready === null ? "Looked at" : e.ready === "ready" ? "Tested: ready" : "Tested: not yet";
      case "split":
        return `Set ${amount} apart`;
      case "date":
        return e.until === null ? "Keeps by the handbook again" : `Good until ${sayDay(e.until)}, a date of your own`;
      case "merge":
        return e.toLot === lotId ? `${amount} of another lot laid to it` : `Laid together with another lot, ${amount}`;
      case "preserve":
        return `${amount} put by, ${e.how}${e.outG ? `: ${sayMass(e.outG, units)} came out` : ""}`;
    }
  })();
  return tail ? `${said}: ${tail}` : said;
}

const movingOf = (place: Place | null) => (place?.air ? { moving: place.air === "moving" } : {});

/** What makes up for what a place lacks (common practice). */
const MAKES_UP: Record<Lack["what"], string> = {
  cold: "a warmer room, or a heat mat under the trays, away from any water",
  hot: "shade, or a cooler room",
  dry: "a cloth laid over, and a dish of water beside it",
  damp: "more air: a fan, wider spacing",
  still: "a fan, or an open window",
};

/** The cure plan in sentences: both ends, then each thing the place lacks with what makes up for it. */
function sayCurePlan(plan: CurePlan, today: string, units: UnitSystem): { ends: string; lacks: string[] } {
  const on = ([a, b]: readonly [string, string]) =>
    a === b ? sayNear(a, today) : `between ${sayNear(a, today)} and ${sayNear(b, today)}`;
  const { tempC, humidityPct } = plan.right;
  const air = [
    `${sayTemp(tempC[0], units)} to ${sayTemp(tempC[1], units)}`,
    humidityPct ? `${humidityPct[0]} to ${humidityPct[1]} % humidity` : "",
  ]
    .filter(Boolean)
    .join(", ");
  const degrees = (k: number) => sayDegrees(k, units);
  const words: Record<Lack["what"], (by: number) => string> = {
    cold: (by) => `${degrees(by)} too cold`,
    hot: (by) => `${degrees(by)} too warm`,
    dry: (by) => `${Math.round(by)} points too dry`,
    damp: (by) => `${Math.round(by)} points too damp`,
    still: () => "the air stands still",
  };
  return {
    ends: `In the right air, ${air}, it would end ${on(plan.thereOn)}. Where it lies ${plan.hereOn ? `it ends ${on(plan.hereOn)}` : "it does not go on: too cold"}.`,
    lacks: plan.lacks.map((l) => `${words[l.what](l.by ?? 0)}: ${MAKES_UP[l.what]}.`),
  };
}
