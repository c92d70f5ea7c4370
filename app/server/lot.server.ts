import { addDays, sayDay, sayNear } from "#core/calendar/day";
import { cautionsAt } from "#core/handbook/cautions";
import { keepingFactsOf } from "#core/handbook/storage";
import type { Place } from "#core/household/place";
import { blanchMinutes, COOK_FULLY, PRESERVED, type Preserved, preservingCautions } from "#core/keeping/blanching";
import { type CurePlan, curePlan, type Lack } from "#core/keeping/cure-plan";
import { curingOf } from "#core/keeping/curing";
import { dishesFor } from "#core/keeping/dishes";
import { LOT_EVENT_WORDS, type Lot, type LotEvent, lotEventSchema, massOfPieces, placeOf } from "#core/keeping/lot";
import { airOf } from "#core/keeping/place-air";
import { sayWrongTemp, spreadOut } from "#core/keeping/ripening";
import { ageingOf, daysUntil, shareGood, warningsOf } from "#core/keeping/shelf-life";
import { tastesOf } from "#core/planning/question/question";
import { roundMass, sayMass, type UnitSystem } from "#core/units/mass";
import { proseIn } from "#core/units/prose";
import { sayTemp } from "#core/units/say";
import { readAmount } from "#core/weighing/amount";
import { bulkOf } from "#core/weighing/bulk";
import { GRADE_WORDS, isUnripe } from "#core/weighing/pick";
import { change, orderedId } from "#db/change";
import { listPeople } from "#db/garden";
import { type Desk, db, desk } from "./desk.server";
import { done, faultsOf, missing, numberOf, refuse } from "./forms.server";
import { findLot, keptOf, lotLine, placeName, sayPieces } from "./keep.server";

/** How far the curve of what is still good looks ahead, days at most. */
const CURVE_DAYS = 365;

/** Everything the page of a lot shows; null when there is no such lot. */
export function lotView(d: Desk, id: string) {
  const found = findLot(d, id);
  if (!found) return null;
  const { lot, crop, stocked } = found;
  const { snapshot, today } = d;
  const { units } = snapshot.garden;
  const green = isUnripe(lot.grade);
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
      factors: factors.map((f) => proseIn(f.words, units)),
      warnings: [
        ...warningsOf(
          crop.name,
          facts,
          air,
          place.kind === "fridge",
          crop.hazards?.includes("green-potatoes") ?? false,
        ),
        ...(green || stocked?.ripe ? [sayWrongTemp(air.tempC) ?? ""].filter(Boolean) : []),
      ].map((w) => proseIn(w, units)),
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
    },
    line: stocked ? lotLine(stocked, units, today) : null,
    why: (stocked?.why ?? []).map((w) => proseIn(w, units)),
    cure: (() => {
      const cure = lot.preserved ? null : curingOf(crop);
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
    siblings: [...keptOf(d).lots.values()]
      .filter(
        (l) =>
          l.id !== lot.id && l.cropId === lot.cropId && l.leftG > 0 && keptOf(d).stock.some((s) => s.lot.id === l.id),
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

function sayEvent(e: LotEvent, lotId: string, units: "metric" | "us", nameOf: (id: string | null) => string): string {
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
      case "merge":
        return e.toLot === lotId ? `${amount} of another lot laid to it` : `Laid together with another lot, ${amount}`;
      case "preserve":
        return `${amount} put by, ${e.how}${e.outG ? `: ${sayMass(e.outG, units)} came out` : ""}`;
    }
  })();
  return tail ? `${said}: ${tail}` : said;
}

/** What was done with a lot since a page last saw it, in words; null: nothing. @param seen the last entry it knew */
function meanwhileOf(d: Desk, lot: Lot, seen: string | undefined): string | null {
  if (seen === undefined) return null;
  const known = lot.events.findIndex((e) => e.id === seen);
  const since = lot.events.slice(known + 1);
  const nameOf = (id: string | null) => d.snapshot.places.find((p) => p.id === id)?.name ?? "place not said";
  const { units } = d.snapshot.garden;
  return since.length === 0
    ? null
    : since
        .map((e) => `${sayDay(e.at.slice(0, 10))} ${e.at.slice(11)}: ${sayEvent(e, lot.id, units, nameOf)}`)
        .join("; ");
}

const KIND_LABELS: Record<LotEvent["kind"], string> = LOT_EVENT_WORDS;

/**
 * What a gardener does with a lot. Amounts are as typed; empty: all that is left.
 * @param waited when it was done and under which id, where it waited for the signal
 */
export function changeLot(
  lotId: string,
  typed: Record<string, string>,
  back: string,
  waited?: { at: string; id: string },
) {
  const d = desk();
  const at = waited?.at ?? d.now;
  const found = findLot(d, lotId);
  if (!found) throw missing("lot");
  const { lot, crop } = found;
  const { units } = d.snapshot.garden;
  if (typed.intent === "take-back")
    return done(
      back,
      change(db(), "Entry of a lot removed", d.now, (c) => c.remove("lotEvents", typed.id ?? "")),
    );
  if (waited && d.snapshot.lotEvents.some((e) => e.id === waited.id)) return done(back, null);
  const since = waited && typed.sure !== "yes" ? meanwhileOf(d, lot, typed.seen) : null;
  if (since) return refuse({ errors: { form: "it was changed meanwhile" }, typed, meanwhile: since });
  const id = waited?.id ?? orderedId();
  if (typed.intent === "ripe") return ripeToday(d, lot, crop.yield.pieceG, typed, back, { id, at });
  const kind = typed.intent as LotEvent["kind"];
  if (!(kind in LOT_EVENT_WORDS)) return refuse({ errors: { form: "Nothing was asked." }, typed });
  const field = (name: string) => `${kind}-${name}`;
  const read = (name: string) => {
    const text = (typed[field(name)] ?? "").trim();
    const ofPieces = name === "amount" ? massOfPieces(text, lot, crop.yield.pieceG) : null;
    if (ofPieces !== null)
      return { ok: true as const, amount: { massG: ofPieces, estimated: true, loads: [ofPieces], litres: 0 } };
    return text === "" ? null : readAmount(text, units, bulkOf(crop));
  };
  const amount = read("amount");
  if (amount && !amount.ok) return refuse({ errors: { [field("amount")]: amount.message }, typed });
  const out = read("out");
  if (out && !out.ok) return refuse({ errors: { [field("out")]: out.message }, typed });
  const massG = amount?.ok ? amount.amount.massG : null;
  if (massG !== null && massG > lot.leftG + 0.5)
    return refuse({ errors: { [field("amount")]: `only ${sayMass(lot.leftG, units)} of it are left` }, typed });
  if (massG === null && kind === "split")
    return refuse({ errors: { [field("amount")]: "how much is set apart" }, typed });
  if (lot.leftG <= 0 && ["use", "give", "lose", "split", "merge", "preserve"].includes(kind))
    return refuse({ errors: { form: "Nothing of it is left." }, typed });
  const checked = lotEventSchema.safeParse({
    id,
    lotId,
    at,
    kind,
    massG,
    placeId: typed[field("place")] || null,
    toLot: kind === "split" || kind === "preserve" ? `${id}` : kind === "merge" ? typed[field("lot")] || null : null,
    who: typed[field("who")] ?? "",
    cause: typed[field("cause")] ?? "",
    ready: typed[field("ready")] === "ready" || typed[field("ready")] === "not-yet" ? typed[field("ready")] : null,
    how: typed[field("how")] || null,
    outG: out?.ok ? out.amount.massG : null,
    note: typed[field("note")] ?? "",
  });
  if (!checked.success) {
    const { errors } = faultsOf(checked.error, typed);
    const named: Record<string, string> = { placeId: "place", toLot: "lot", massG: "amount", outG: "out" };
    return refuse({
      errors: Object.fromEntries(Object.entries(errors).map(([k, v]) => [field(named[k] ?? k), v])),
      typed,
    });
  }
  const label = `${lot.kind}: ${KIND_LABELS[kind]}${massG === null || kind === "move" ? "" : `, ${sayMass(massG, units)}`}`;
  return done(
    back,
    change(db(), label, d.now, (c) => c.put("lotEvents", checked.data)),
  );
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
  const degrees = (k: number) => (units === "us" ? `${Math.round(k * 1.8)} °F` : `${Math.round(k)} °C`);
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

const blankEvent = (lotId: string, at: string): LotEvent => ({
  ...{ id: orderedId(), lotId, at, kind: "check", massG: null, placeId: null, toLot: null, who: "", cause: "" },
  ...{ ready: null, how: null, outG: null, note: "" },
});

/** So many pieces of a ripening lot are ripe today: they are set apart as ripe, the rest ripens on; or all of it is. */
function ripeToday(
  d: Desk,
  lot: Lot,
  usualG: number,
  typed: Record<string, string>,
  back: string,
  { id, at }: { id: string; at: string },
) {
  const pieceG = lot.pieceG ?? usualG;
  const left = Math.max(1, Math.round(lot.leftG / pieceG));
  const count = typed["ripe-count"] === "all" ? left : numberOf(typed["ripe-count"]);
  if (count === null || !Number.isInteger(count) || count < 1 || lot.leftG <= 0)
    return refuse({ errors: { form: "How many are ripe?" }, typed });
  const all = count >= left;
  const words = all ? `all ${left} ripe` : `${count} ripe, ${left - count} left`;
  const split: LotEvent = { ...blankEvent(lot.id, at), id, kind: "split", massG: roundMass(count * pieceG) };
  const apart = { ...split, toLot: split.id };
  const ready: LotEvent = { ...blankEvent(all ? lot.id : split.id, at), ...(all ? { id } : {}), ready: "ready" };
  return done(
    back,
    change(db(), `${lot.kind}: ${words}`, d.now, (c) => {
      if (!all) c.put("lotEvents", apart);
      c.put("lotEvents", ready);
    }),
  );
}
