import { addDays, daysBetween, sayNear } from "#core/calendar/day";
import type { Crop } from "#core/handbook/crop";
import { type Place, sayRoom } from "#core/household/place";
import { PLACE_WORDS } from "#core/household/words";
import { CURES_ABOVE_C, curingOf } from "#core/keeping/curing";
import { dishesFor } from "#core/keeping/dishes";
import { type Lot, lotsNow, pickOfLot, piecesLeft, placeOf, soundOn } from "#core/keeping/lot";
import { saidAir } from "#core/keeping/place-air";
import { replantNeeds } from "#core/keeping/replant";
import { seedsOf } from "#core/keeping/seeds";
import { type Stocked, stockOf } from "#core/keeping/stock";
import { firstToUse, weekOf } from "#core/keeping/use-first";
import { saySooner } from "#core/keeping/words";
import { tastesOf } from "#core/planning/question/question";
import type { Snapshot } from "#core/snapshot";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { sayDegrees, sayTemp } from "#core/units/say";
import { bulkOf } from "#core/weighing/bulk";
import { bookOf } from "#core/weighing/taught-book";
import { GRADE_WORDS, PART_WORDS } from "#core/weighing/words";
import { loggedPicks } from "../picks/picks.server";
import type { GardenNow } from "../server/garden-now.server";
import { FOR_PLANTING, stillOfUse } from "./still-of-use.server";

export type House = { lots: Map<string, Lot>; stock: Stocked[] };
let memo: { snapshot: Snapshot; today: string; kept: House } | null = null;

/** Every lot that is still of use, and what is in the house of them, worked out once for each change and day. */
export function houseOf({ snapshot, today }: GardenNow): House {
  if (memo?.snapshot === snapshot && memo.today === today) return memo.kept;
  const book = bookOf(snapshot);
  const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
  const seeds = seedsOf(stillOfUse(snapshot, today), plantings, book, snapshot.places);
  const lots = lotsNow(seeds, snapshot.lotEvents);
  const stock = stockOf(lots.values(), book.find, snapshot.places, snapshot.placeReadings, today);
  const kept = { lots, stock };
  memo = { snapshot, today, kept };
  return kept;
}

/** How long a lot is good in one statement: from the day its first tenth is not to the day half of it is not. */
function sayKeeps(s: Stocked, today: string): string {
  const { useBy } = s.lot;
  if (useBy !== null)
    return useBy < today ? `past your date, ${sayNear(useBy, today)}` : `use by ${sayNear(useBy, today)}, your date`;
  const sort = s.good < STILL_GOOD ? `about ${Math.round(100 * s.good)} % still good: sort it through, and ` : "";
  const [first, half] = [Math.floor(s.tenthInDays), Math.floor(s.halfInDays)];
  const near = (days: number) => sayNear(addDays(today, days), today);
  if (half > 400) return `${sort ? `${sort}the rest ` : ""}keeps for more than a year`;
  if (half < 1) return `${sort}use it today`;
  if (half <= 13) {
    if (sort || first < 1) return `${sort}use it by ${near(half)}`;
    return first === half ? `good until ${near(half)}` : `good until ${near(first)}, some of it until ${near(half)}`;
  }
  const unit = half < 60 ? ([7, "weeks"] as const) : ([30, "months"] as const);
  const [from, to] = [Math.max(1, Math.round(first / unit[0])), Math.round(half / unit[0])];
  return `${sort ? `${sort}the rest ` : ""}keeps ${from === to ? `about ${to}` : `${from} to ${to}`} ${unit[1]}`;
}
const range = ([low, high]: readonly [number, number]): string => {
  const [a, b] = [Math.ceil(low), Math.ceil(high)];
  return a === b ? `${b} ${b === 1 ? "day" : "days"}` : `${a} to ${b} days`;
};

/** "14 pieces" of a lot that was counted; nothing otherwise. */
export const sayPieces = (lot: Lot): string => sayPieceCount(piecesLeft(lot));
const sayPieceCount = (n: number | null): string => (n === null ? "" : `${n} ${n === 1 ? "piece" : "pieces"}`);

/** From this share on it is all as good as it came. */
const STILL_GOOD = 0.85;

/** A lot as a line on a screen. */
export function lotLine(s: Stocked, units: UnitSystem, today: string) {
  const { lot, crop } = s;
  const sound = soundOn(lot);
  return {
    id: lot.id,
    seen: lot.events.at(-1)?.id ?? "",
    kind: lot.kind,
    crop: crop.name,
    glyph: crop.glyph,
    left: [`${lot.estimated ? "about " : ""}${sayMass(lot.leftG, units)}`, sayPieces(lot)].filter(Boolean).join(", "),
    place: s.place?.name ?? "place not said",
    picked: sayNear(lot.pickedAt.slice(0, 10), today),
    days: daysBetween(lot.pickedAt.slice(0, 10), today),
    what: lot.preserved
      ? `${lot.preserved}${lot.note ? `, ${lot.note}` : ""}`
      : [lot.part === "crop" ? "" : PART_WORDS[lot.part], lot.grade === "sound" ? "" : GRADE_WORDS[lot.grade], lot.note]
          .filter(Boolean)
          .join(", "),
    keeps: sayKeeps(s, today),
    soon: s.halfInDays < 7,
    sound: sound === null ? "" : `sound ${sayNear(sound, today)}`,
    curing: s.curing
      ? s.curing.ready
        ? "cured"
        : s.curing.left === null
          ? `does not cure there: ${sayDegrees(CURES_ABOVE_C - s.air.tempC, units)} too cold`
          : `cures for another ${range(s.curing.left)}`
      : "",
    ripe: s.ripe ? `ripe in ${range(s.ripe)}` : "",
  };
}
export type LotLine = ReturnType<typeof lotLine>;

/** What the page of the house shows: what to use first, the week, the clocks, the places, what to do at once. */
export function keepView(d: GardenNow) {
  const { snapshot, today, now } = d;
  const { units } = snapshot.garden;
  const { stock } = houseOf(d);
  const line = (s: Stocked) => lotLine(s, units, today);
  const list = firstToUse(stock);
  const week = weekOf(stock, tastesOf(snapshot)).filter((w) => w.goodG >= 30);
  const lost = list.reduce((g, u) => g + u.lostInWeekG, 0);
  return {
    units,
    today,
    first: list.map((u) => ({
      ...line(u.stocked),
      why: saySooner(u.sooner),
      lost: u.lostInWeekG >= 20 ? `${sayMass(u.lostInWeekG, units)} lost in a week` : "",
    })),
    lost: sayMass(lost, units),
    week: week.slice(0, 12).map((w) => ({
      id: w.crop.id,
      name: w.crop.name,
      glyph: w.crop.glyph,
      good: [sayPieceCount(w.pieces), sayMass(w.goodG, units)].filter(Boolean).join(", "),
      lots: w.lots,
      eat: sayMass(w.eatG, units),
      share: w.goodG > 0 ? w.eatG / w.goodG : 0,
      surplus: w.surplusG > 50 ? sayMass(w.surplusG, units) : "",
    })),
    clocks: stock
      .filter((s) => (s.curing && !s.curing.ready) || s.ripe)
      .map((s) => ({
        ...line(s),
        pieces: s.ripe ? Math.max(1, Math.round(s.lot.leftG / (s.lot.pieceG ?? s.crop.yield.pieceG))) : null,
        test: curingOf(s.crop)?.test ?? "",
        done: s.curing ? s.curing.done / s.curing.wanted : 0,
      })),
    places: placesView(d),
    atOnce: atOnce(d, now),
    dishes: dishesFor(snapshot.dishes, [...new Set(list.map((u) => u.stocked.crop.id))])
      .slice(0, 4)
      .map(({ dish, uses }) => ({
        ...dish,
        uses: uses.map((id) => bookOf(snapshot).of(id).name.toLowerCase()).join(", "),
      })),
    replant: replantView(d),
    given: givenView(d),
    cutLots: stock.some((s) => s.curing && !s.curing.ready),
  };
}

const isForPlanting = (lot: Lot): boolean => lot.grade === "seed" || lot.way === "seed" || FOR_PLANTING.test(lot.note);

/** What next season wants set aside, and what is. */
function replantView(d: GardenNow) {
  const { snapshot, today } = d;
  const { units } = snapshot.garden;
  // what somebody has set aside counts, however old the book thinks it is
  const aside = [...houseOf(d).lots.values()].filter((l) => l.leftG > 0 && !l.preserved && isForPlanting(l));
  const needs = replantNeeds(snapshot.plantings, bookOf(snapshot), today.slice(0, 4));
  const rows = needs.map((n) => {
    const lots = aside.filter((l) => l.cropId === n.cropId);
    const haveG = lots.reduce((g, l) => g + l.leftG, 0);
    return {
      id: n.cropId,
      name: n.name,
      need: `${n.pieces} for ${n.plants} plants, about ${sayMass(n.needG, units)}`,
      have: haveG > 0 ? sayMass(haveG, units) : "nothing yet",
      enough: haveG >= n.needG * 0.95,
      words: n.words,
      lotId: lots[0]?.id ?? null,
    };
  });
  const others = aside.filter((l) => !needs.some((n) => n.cropId === l.cropId));
  return { rows, others: others.map((l) => ({ id: l.id, kind: l.kind, left: sayMass(l.leftG, units) })) };
}

/** Who got how much this season, most first; picks given away at once counted with them. */
function givenView(d: GardenNow) {
  const { snapshot, today } = d;
  const { units } = snapshot.garden;
  const year = today.slice(0, 4);
  const by = new Map<string, number>();
  const add = (who: string, massG: number) => by.set(who, (by.get(who) ?? 0) + massG);
  for (const lot of houseOf(d).lots.values()) {
    if (lot.way === "give" && lot.from === null && lot.pickedAt.startsWith(year)) add("", lot.startG);
    // a gift of all that was left is told by what is missing of the lot
    const gifts = lot.events.filter((e) => e.kind === "give" && e.lotId === lot.id && e.at.startsWith(year));
    const named = gifts.reduce((g, e) => g + (e.massG ?? 0), 0);
    for (const e of gifts) add(e.who, e.massG ?? Math.max(0, lot.used.giveG - named));
  }
  return [...by]
    .filter(([, g]) => g > 0)
    .sort((a, b) => b[1] - a[1])
    .map(([who, g]) => ({ who: who || "nobody named", amount: sayMass(g, units) }));
}

/** What Today says of the house: the first things to use. */
export function houseLine(d: GardenNow) {
  const { units } = d.snapshot.garden;
  return firstToUse(houseOf(d).stock)
    .slice(0, 3)
    .map((u) => lotLine(u.stocked, units, d.today));
}

/** Picks of the last day that want something done with them at once, the most perishable first. */
function atOnce(d: GardenNow, now: string) {
  const since = addDays(now.slice(0, 10), -1);
  const { stock } = houseOf(d);
  const seen = new Set<string>();
  const ticked = new Set(d.snapshot.ticks.map((t) => t.id));
  return stock
    .filter((s) => s.lot.pickedAt.slice(0, 10) >= since && s.lot.from === null && s.lot.part === "crop")
    .sort((a, b) => a.halfInDays - b.halfInDays)
    .flatMap((s) => {
      if (seen.has(s.crop.id)) return [];
      seen.add(s.crop.id);
      const id = `first-hour ${s.crop.id} ${s.lot.pickedAt.slice(0, 10)}`;
      return [{ id, name: s.crop.name, words: s.crop.atOnce, done: ticked.has(id) }];
    });
}

/** Litres that a lot takes. */
export const litresOf = (s: Stocked): number => s.lot.leftG / 1000 / bulkOf(s.crop).kgPerL;

/** Each place with its air, its room, what lies in it, and what of that is not at home there. */
export function placesView(d: GardenNow) {
  const { snapshot, today } = d;
  const { units } = snapshot.garden;
  const { stock } = houseOf(d);
  return snapshot.places.map((place) => {
    const here = stock.filter((s) => s.place?.id === place.id);
    const readings = snapshot.placeReadings.filter((r) => r.placeId === place.id);
    const last = readings.at(-1) ?? null;
    const air = here[0]?.air ?? saidAir(place);
    const fresh = last !== null && daysBetween(last.at.slice(0, 10), today) <= 10;
    return {
      place,
      kind: PLACE_WORDS[place.kind],
      room: roomOf(place, here, units),
      lots: here.map((s) => lotLine(s, units, today)),
      litres: here.reduce((sum, s) => sum + litresOf(s), 0),
      air: `${sayTemp(air.tempC, units)}${air.humidityPct === null ? "" : `, ${Math.round(air.humidityPct)} % humidity`}`,
      measured:
        fresh && last ? `by its thermometer, last ${sayNear(last.at.slice(0, 10), today)} ${last.at.slice(11)}` : "",
      alerts: alertsOf(place, here, units),
      readings: readings.slice(-60).map((r) => ({ at: r.at, tempC: r.tempC, humidityPct: r.humidityPct })),
    };
  });
}

/** How much of a place's room is free, in what it is counted in. */
function roomOf(place: Place, here: readonly Stocked[], units: UnitSystem): { words: string; over: boolean } {
  const free = place.litres - place.takenLitres - here.reduce((sum, s) => sum + litresOf(s), 0);
  return free < 0
    ? { words: `${sayRoom(-free, place, units)} too much`, over: true }
    : {
        words: `${sayRoom(free, place, units).split(" ")[0]} of ${sayRoom(place.litres, place, units)} free`,
        over: false,
      };
}

/** What is wrong with a place for what lies in it: too warm, too cold, too damp, too dry, two that want different air. */
function alertsOf(place: Place, here: readonly Stocked[], units: UnitSystem): string[] {
  if (place.kind === "freezer") return [];
  const alerts = new Map<string, Set<string>>();
  const add = (words: string, name: string) => alerts.set(words, (alerts.get(words) ?? new Set()).add(name));
  for (const s of here.filter((x) => x.lot.placed && !x.lot.preserved)) {
    const { air, facts, crop } = s;
    const [low, high] = facts.tempC;
    const long = facts.days[1] >= 40;
    if (facts.safeC !== null && air.tempC < facts.safeC - 0.5)
      add(
        `Too cold by ${sayDegrees(facts.safeC - air.tempC, units)}, under ${sayTemp(facts.safeC, units)}, for`,
        crop.name.toLowerCase(),
      );
    else if (long && s.rate >= 3 && air.tempC > high)
      add(
        `Too warm by ${sayDegrees(air.tempC - high, units)}: over ${sayTemp(high, units)} shortens the life of`,
        crop.name.toLowerCase(),
      );
    else if (air.tempC < Math.min(low, facts.freezesC)) add("Cold enough to freeze", crop.name.toLowerCase());
    const [dry, damp] = facts.humidityPct;
    if (long && air.humidityPct !== null && air.humidityPct > damp + 8 && damp <= 75)
      add(`Too damp by ${Math.round(air.humidityPct - damp)} points for`, crop.name.toLowerCase());
    if (long && air.humidityPct !== null && air.humidityPct < dry - 12)
      add(`Too dry by ${Math.round(dry - air.humidityPct)} points for`, crop.name.toLowerCase());
  }
  const ids = new Set(here.filter((x) => x.lot.placed).map((x) => x.crop.id));
  if (ids.has("potato") && ids.has("bulb-onion"))
    add("Too damp for one or too dry for the other: keep apart", "potato and onion");
  const gas = here.find((x) => x.facts.givesGas && !x.lot.preserved);
  const harmed = gas ? here.filter((x) => x.facts.gasHarm === 2 && x.crop.id !== gas.crop.id && !x.lot.preserved) : [];
  if (gas && harmed.length > 0)
    add(`Ripening ${gas.crop.name.toLowerCase()} shortens the life of`, harmed[0]!.crop.name.toLowerCase());
  return [...alerts].map(([words, names]) => `${words} ${[...names].join(", ")}.`);
}

/** A lot by its id, whether anything is left of it or not. */
export function findLot(d: GardenNow, id: string): { lot: Lot; crop: Crop; stocked: Stocked | null } | null {
  const { lots, stock } = houseOf(d);
  const lot = lots.get(id) ?? lotOfOld(d, id);
  const crop = lot ? bookOf(d.snapshot).find(lot.cropId) : null;
  if (!lot || !crop) return null;
  return { lot, crop, stocked: stock.find((s) => s.lot.id === id) ?? null };
}

/** A lot of a pick that is long gone, and that nothing was written down about. */
function lotOfOld({ snapshot }: GardenNow, id: string): Lot | undefined {
  const pickId = pickOfLot(id);
  const entry = loggedPicks(snapshot).find((e) => e.pick.id === pickId);
  const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
  return entry && lotsNow(seedsOf([entry], plantings, bookOf(snapshot), snapshot.places), snapshot.lotEvents).get(id);
}

/** Where a lot lies, by name. */
export const placeName = (d: GardenNow, lot: Lot): string =>
  d.snapshot.places.find((p) => p.id === placeOf(lot))?.name ?? "place not said";
