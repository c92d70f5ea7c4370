import { addDays, type Day, dayRange, daysBetween, weekday } from "#core/calendar/day";
import { isAway } from "#core/calendar/windows";
import { cropOf } from "#core/handbook/index";
import { usualTaste } from "#core/household/taste";
import { chance } from "../random";
import { type Decider, runSeason } from "./season";
import { bedNightC, begin, beyond, isOver, isThere, live, massOf, qualityOf, type Stand, stageOf } from "./stand";
import { EATERS, growsFrom, type TrialSeason } from "./trial-garden";

/** What a planting can bring, foreseen: worth (kilos of potatoes, minutes of picking paid) by slot and by ripening. */
type Foreseen = {
  /** worth at slot j of what became ripe by slot i and was not taken since: sum over ripenings up to each slot */
  upTo: Float64Array[];
  /** worth at slot j of all that is not ripe yet, taken in a last strip */
  unripe: Float64Array;
  lift: boolean;
};

type Path = { slot: number; strip: boolean }[];

/** What a round costs when plans are laid out, against what it really does: some plans with more rounds, some with fewer. */
const ROUND_PRICES = [0.45, 0.75, 1, 1.3];
/** Plans of one round price: what comes in glut is priced again from the plan before. */
const PRICINGS = 3;
const RHYTHMS = [2, 3, 4, 5, 7];

/**
 * Somebody who knows all the coming weather, which evenings fall through, and the inside of every piece, and takes
 * just what is ripe. Many plans are laid out beforehand (for each planting an exact longest path over the evenings;
 * evenings opened and closed one at a time until none helps; gluts priced), every one is lived through, and the best of
 * them is taken, as are rounds on fixed days with a perfect eye. So it is a season that can be had with foresight, a
 * bound from below of the true ceiling, which no computing of ours reaches exactly.
 */
export function clairvoyant(season: TrialSeason): Decider {
  let best: { net: number; make: () => Decider } | null = null;
  const consider = (make: () => Decider): void => {
    const { net } = runSeason(season, make()).score;
    if (!best || net > best.net) best = { net, make };
  };
  for (const days of RHYTHMS) consider(() => perfectRhythm(season, days));
  for (const paths of plansOf(season)) consider(() => follower(season, paths));
  return best!.make();
}

const slotsOf = (season: TrialSeason): Day[] =>
  dayRange(season.first, daysBetween(season.first, season.last) + 1).filter(
    (day) =>
      season.windows.some((w) => w.weekday === weekday(day)) && !isAway(day, season.trips) && !season.missed.has(day),
  );

/** Goes every so many days, and only to what is worth the way; clears what tonight's frost would kill. */
function perfectRhythm(season: TrialSeason, days: number): Decider {
  let last: Day | null = null;
  return {
    name: "the clairvoyant",
    act(outing) {
      const tonight = season.desk.record(outing.day, addDays(outing.day, 1))[1]!;
      const doomed = (s: Stand) => s.truth.killShare >= 1 && bedNightC(tonight, s.bed) <= s.truth.killC;
      const due = last === null || daysBetween(last, outing.day) >= days;
      for (const s of outing.stands) {
        if (s.over) continue;
        const ripe = s.pieces.filter((p) => beyond(s, p) >= 0);
        const worth = ripe.reduce((sum, p) => sum + massOf(s, p) * qualityOf(s, p), 0) * perGramOf(s);
        const lift = s.truth.taken === "lift";
        if (doomed(s)) outing.go(s, { how: "all" });
        else if (due && worth > 0.12 && (!lift || ripe.length >= 0.7 * s.pieces.length))
          outing.go(s, { how: lift ? "all" : "true" });
        else continue;
        last = outing.day;
      }
    },
  };
}

const perGramOf = (s: Stand): number => cropOf(s.truth.cropId).worth.perKg / 1000;

/** Lives by paths laid out beforehand. */
function follower(season: TrialSeason, paths: readonly Path[]): Decider {
  const slots = slotsOf(season);
  const deeds = new Map<Day, { plantingId: string; strip: boolean }[]>();
  paths.forEach((path, k) => {
    for (const { slot, strip } of path) {
      const day = slots[slot]!;
      deeds.set(day, [...(deeds.get(day) ?? []), { plantingId: season.plantings[k]!.planting.id, strip }]);
    }
  });
  return {
    name: "the clairvoyant",
    act(outing) {
      for (const deed of deeds.get(outing.day) ?? []) {
        const stand = outing.stands.find((s) => s.planting.id === deed.plantingId)!;
        if (!stand.over) outing.go(stand, { how: deed.strip || stand.truth.taken === "lift" ? "all" : "true" });
      }
    },
  };
}

/** Plans with foresight, by what a round is taken to cost and how gluts are priced. */
function* plansOf(season: TrialSeason): Generator<Path[]> {
  const slots = slotsOf(season);
  const { garden } = season;
  const lineCost = (garden.lineMinutes / 60) * garden.hourWorth;
  for (const share of ROUND_PRICES) {
    const roundCost = share * (garden.roundMinutes / 60) * garden.hourWorth;
    const price = new Map<string, Float64Array>();
    for (let pricing = 0; pricing < PRICINGS; pricing++) {
      const foreseen = season.plantings.map((p) => foresee(season, p, slots, price.get(p.truth.cropId) ?? null));
      const paths = searched(foreseen, slots.length, roundCost, lineCost);
      yield paths;
      priceAnew(season, slots, paths, price);
    }
  }
}

/** Paths of all plantings over the evenings that are worth a round. */
function searched(foreseen: readonly Foreseen[], count: number, roundCost: number, lineCost: number): Path[] {
  let open: boolean[] = new Array(count).fill(true);
  let paths: Path[] = [];
  const relaid = (only: number | null): number => {
    // closing an evening touches only those who use it; opening one may touch all
    paths = foreseen.map((f, k) =>
      only !== null && !open[only] && paths[k] && !paths[k]!.some((s) => s.slot === only)
        ? paths[k]!
        : pathThrough(f, open, lineCost),
    );
    const used = new Set(paths.flat().map((s) => s.slot));
    open = open.map((_, j) => used.has(j));
    return paths.reduce((s, path, k) => s + worthOf(foreseen[k]!, path, lineCost), 0) - roundCost * used.size;
  };
  let value = relaid(null);
  for (let sweep = 0; sweep < 4; sweep++) {
    const before = value;
    for (let j = 0; j < count; j++) {
      const kept = { open, paths };
      open = open.map((o, i) => (i === j ? !o : o));
      const tried = relaid(j);
      if (tried > value + 1e-6) value = tried;
      else ({ open, paths } = kept);
    }
    if (value <= before + 1e-6) break;
  }
  return paths;
}

/** The planting's pieces through the season as if all were picked in good time, and what each is worth at each slot. */
function foresee(
  season: TrialSeason,
  p: TrialSeason["plantings"][number],
  slots: readonly Day[],
  prices: Float64Array | null,
): Foreseen {
  const truth = { ...p.truth, holds: 0, eaten: 0, splits: 0, galeShare: 0, overDays: 1e6 };
  const from = growsFrom(season, p);
  const stand: Stand = begin(truth, { ...p.planting, startedOn: from }, p.bed, chance(p.seed), p.fortune);
  const crop = cropOf(p.truth.cropId);
  const perG = crop.worth.perKg / 1000;
  const costG = ((crop.minutesPerKg / 1000) * season.garden.hourWorth) / 60;
  const lift = p.truth.taken === "lift";
  const upTo = slots.map(() => new Float64Array(slots.length));
  const unripe = new Float64Array(slots.length);
  const ripeAt = new Map<object, number>();
  const survives = new Map<object, number>();
  const first = from < season.first ? from : season.first;
  let next = 0;
  for (const w of season.desk.record(first, season.last)) {
    const before = stand.pieces;
    live(stand, w, season.climate.latitudeDeg);
    if (stand.over && !stand.alive) break;
    if (before.length > 0) {
      const gust = w.gustMs ?? 0;
      for (const piece of stand.pieces) {
        const ripe = beyond(stand, piece) >= 0;
        let keep = survives.get(piece) ?? 1;
        if (ripe) keep *= 1 - p.truth.eaten;
        if (ripe && w.rainMm > 12) keep *= 1 - Math.min(0.9, p.truth.splits * Math.min(2, w.rainMm / 20));
        if (gust > 17 && stageOf(stand, piece) > 0.6 && p.bed.cover === "none")
          keep *= 1 - Math.min(0.9, p.truth.galeShare * Math.min(1.5, (gust - 15) / 6));
        if (beyond(stand, piece) > p.truth.primeDays * stand.kind.prime + p.truth.overDays) keep = 0;
        survives.set(piece, keep);
      }
    }
    if (next >= slots.length || w.day < slots[next]!) continue;
    const price = prices?.[next] ?? 1;
    const row = upTo[next]!;
    for (const piece of stand.pieces) {
      if (!isThere(stand, piece)) continue;
      const grams = massOf(stand, piece) * (survives.get(piece) ?? 1);
      // over-age pieces hold the plant back: what they cost it is charged to them
      const late = isOver(stand, piece) ? 1 - 1.6 * p.truth.holds : 1;
      const worth = grams * (qualityOf(stand, piece) * perG * price * late - costG);
      if (beyond(stand, piece) >= 0) {
        const since = ripeAt.get(piece) ?? next;
        ripeAt.set(piece, since);
        row[since]! += worth;
      } else unripe[next]! += Math.max(0, worth);
    }
    for (let i = 1; i <= next; i++) row[i]! += row[i - 1]!;
    for (let i = next + 1; i < slots.length; i++) row[i] = row[next]!;
    next += 1;
  }
  return { upTo, unripe, lift };
}

/** Worth of a pick at slot j after one at slot i (−1: none before). */
const pickWorth = (f: Foreseen, i: number, j: number): number => f.upTo[j]![j]! - (i >= 0 ? f.upTo[j]![i]! : 0);

/** The best picks of one planting over the open slots: an exact longest path. */
function pathThrough(f: Foreseen, open: readonly boolean[], lineCost: number): Path {
  const n = open.length;
  if (f.lift) {
    let best = -1;
    let worth = 0;
    for (let j = 0; j < n; j++) {
      const w = open[j] ? pickWorth(f, -1, j) + f.unripe[j]! - lineCost : 0;
      if (w > worth) [best, worth] = [j, w];
    }
    return best >= 0 ? [{ slot: best, strip: true }] : [];
  }
  const value = new Float64Array(n);
  const from = new Int16Array(n).fill(-1);
  let end = -1;
  let strip = false;
  let top = 0;
  for (let j = 0; j < n; j++) {
    if (!open[j]) continue;
    let best = pickWorth(f, -1, j);
    for (let i = 0; i < j; i++) {
      if (!open[i]) continue;
      const w = value[i]! + pickWorth(f, i, j);
      if (w > best) {
        best = w;
        from[j] = i;
      }
    }
    value[j] = best - lineCost;
    for (const s of [false, true]) {
      const w = value[j]! + (s ? f.unripe[j]! : 0);
      if (w > top + 1e-9) [top, end, strip] = [w, j, s];
    }
  }
  const path: Path = [];
  for (let j = end; j >= 0; j = from[j]!) path.unshift({ slot: j, strip: j === end && strip });
  return path;
}

function worthOf(f: Foreseen, path: Path, lineCost: number): number {
  let before = -1;
  let worth = 0;
  for (const { slot, strip } of path) {
    worth += pickWorth(f, f.lift ? -1 : before, slot) + (strip ? f.unripe[slot]! : 0) - lineCost;
    before = slot;
  }
  return worth;
}

/** Prices a gram by how much of the crop the plan brings in the three weeks around a slot, against what is eaten. */
function priceAnew(
  season: TrialSeason,
  slots: readonly Day[],
  paths: readonly Path[],
  price: Map<string, Float64Array>,
): void {
  const plain = season.plantings.map((p) => foresee(season, p, slots, null));
  for (const cropId of new Set(season.plantings.map((p) => p.truth.cropId))) {
    const crop = cropOf(cropId);
    const taste = usualTaste(crop, EATERS);
    const brought = new Float64Array(slots.length);
    let keeps = 7;
    season.plantings.forEach((p, k) => {
      if (p.truth.cropId !== cropId) return;
      keeps = Math.max(keeps, p.truth.keeps);
      let before = -1;
      for (const { slot, strip } of paths[k]!) {
        const f = plain[k]!;
        const w = pickWorth(f, f.lift ? -1 : before, slot) + (strip ? f.unripe[slot]! : 0);
        brought[slot]! += (w / crop.worth.perKg) * 1000;
        before = slot;
      }
    });
    const prices = new Float64Array(slots.length).fill(1);
    for (let j = 0; j < slots.length; j++) {
      let near = 0;
      for (let i = 0; i < slots.length; i++)
        if (Math.abs(daysBetween(slots[i]!, slots[j]!)) <= Math.max(5, keeps / 2)) near += brought[i]!;
      const eats = (taste.weeklyG / 7) * 2 * Math.max(5, keeps / 2);
      const spares = (taste.sparedG / 7) * 2 * Math.max(5, keeps / 2);
      prices[j] = near <= eats ? 1 : near <= eats + spares ? 0.55 : 0.2;
    }
    price.set(cropId, prices);
  }
}
