import { type Day, dayOfYear } from "#core/calendar/day";
import type { Bed } from "#core/garden/bed";
import type { Planting } from "#core/garden/planting";
import type { WeatherDay } from "#core/weather/daily";
import type { Chance } from "../random";
import type { CropTruth } from "./truth";

/** One fruit, pod, head or root: when it was set, how fast it goes, and how big it gets. Ages are days at refC. */
export type Piece = {
  born: number;
  pace: number;
  ripe: number;
  size: number;
  nudged: number;
  /** how it deceives the eye, in standard deviations: the same piece looks the same tomorrow */
  guise: number;
};

/** Why pieces were lost in the bed. */
export type LossCause = "frost" | "gale" | "rain" | "animals" | "age";

/** A planting of the trial as it really is; all of it is hidden from whoever decides. */
export type Stand = {
  truth: CropTruth;
  planting: Planting;
  bed: Bed;
  pieces: Piece[];
  /** warmth so far, days at refC */
  warmth: number;
  /** what this kind and these plants are like against the crop: days, prime, size */
  kind: { days: number; prime: number; size: number };
  luck: Chance;
  alive: boolean;
  setSoFar: number;
  lostG: Record<LossCause, number>;
  /** growing stopped for good: lifted, killed or over */
  over: boolean;
  /** a sowing that never comes up */
  failed: boolean;
  /** years since it was planted, for what stands for years */
  yearsOld: number;
};

/** What is hidden of a planting besides the habits of its kind. */
export type Fortune = { failed: boolean; yearsOld: number };
const USUAL: Fortune = { failed: false, yearsOld: 6 };

/** Share of a full crop that a planting brings at its age. */
const bearing = (truth: CropTruth, yearsOld: number): number =>
  truth.youth?.bears[Math.min(yearsOld, truth.youth.bears.length - 1)] ?? 1;

/** Whether any gardener would spare it yet, for its later years' sake. */
export const isSpared = (s: Stand): boolean => s.yearsOld < (s.truth.youth?.spared ?? 0);

/** Starts a planting with hidden habits of its own. */
export function begin(
  truth: CropTruth,
  planting: Planting,
  bed: Bed,
  luck: Chance,
  { failed, yearsOld }: Fortune = USUAL,
): Stand {
  const kind = {
    days: Math.exp(0.075 * luck.normal()),
    prime: Math.exp(0.16 * luck.normal()),
    size: Math.exp(0.12 * luck.normal()),
  };
  const stand: Stand = {
    truth,
    planting,
    bed,
    pieces: [],
    warmth: 0,
    kind,
    luck,
    alive: true,
    setSoFar: 0,
    lostG: { frost: 0, gale: 0, rain: 0, animals: 0, age: 0 },
    over: false,
    failed,
    yearsOld,
  };
  if (failed) return stand;
  const plants = (planting.plants ?? 1) * bearing(truth, yearsOld);
  if (truth.comes.how === "together")
    for (let i = 0; i < plants * truth.comes.perPlant; i++)
      stand.pieces.push(pieceAt(stand, 0, truth.days * kind.days + (truth.comes.spreadDays / 2.56) * luck.normal()));
  if (truth.comes.how === "flush")
    for (let i = 0; i < plants * truth.comes.perPlant; i++) {
      const early = truth.days - truth.ripenDays + truth.comes.spreadDays * (0.4 + luck.normal() / 2.56);
      stand.pieces.push(pieceAt(stand, Math.max(0, early * kind.days), truth.ripenDays * kind.days));
    }
  return stand;
}

const pieceAt = (s: Stand, born: number, ripe: number): Piece => ({
  born,
  pace: Math.exp(0.05 * s.luck.normal()),
  ripe: Math.max(1, ripe),
  size: s.kind.size * Math.exp(0.18 * s.luck.normal()),
  nudged: 0,
  guise: s.luck.normal(),
});

/** Age of a piece, days at refC. */
const ageOf = (s: Stand, p: Piece): number => (s.warmth - p.born) * p.pace + p.nudged;
/** Stage: 1 at the target. */
export const stageOf = (s: Stand, p: Piece): number => Math.max(0, ageOf(s, p) / p.ripe);
const primeOf = (s: Stand): number => s.truth.primeDays * s.kind.prime;
/** Days at refC that a piece is beyond its target; below zero: still short of it. */
export const beyond = (s: Stand, p: Piece): number => ageOf(s, p) - p.ripe;

export const isRipe = (s: Stand, p: Piece): boolean => beyond(s, p) >= 0;
export const isOver = (s: Stand, p: Piece): boolean => beyond(s, p) > primeOf(s);
/** Whether anybody would look at the piece at all. */
export const isThere = (s: Stand, p: Piece): boolean => s.warmth >= p.born;

/** Grams of a piece now. */
export function massOf(s: Stand, p: Piece): number {
  const m = stageOf(s, p);
  const { young, grows, pieceG } = s.truth;
  const share =
    m < 0.7
      ? young * (m / 0.7) ** 2
      : m < 1
        ? young + ((1 - young) * (m - 0.7)) / 0.3
        : 1 + (grows - 1) * Math.min(1, beyond(s, p) / Math.max(0.1, primeOf(s)));
  return pieceG * p.size * share;
}

/** Worth of a gram of a piece by its true state: 1 in its prime; nothing where it was to be spared: later crops pay for it. */
export function qualityOf(s: Stand, p: Piece): number {
  if (isSpared(s)) return 0;
  const m = stageOf(s, p);
  const { early, pastWorth, overDays } = s.truth;
  if (m < 1) return m < early.from ? 0 : early.at * ((m - early.from) / (1 - early.from)) ** 0.5;
  const late = beyond(s, p) - primeOf(s);
  return late <= 0 ? 1 : Math.max(pastWorth, 1 - ((1 - pastWorth) * late) / (0.5 * overDays));
}

/** Response to the warmth of one moment: none at the base, 1 at refC, most at bestC, none 14 K above. */
function response(c: number, t: CropTruth): number {
  const top = (t.bestC - t.baseC) / (t.refC - t.baseC);
  if (c <= t.baseC) return 0;
  if (c <= t.bestC) return (c - t.baseC) / (t.refC - t.baseC);
  return Math.max(0, top * (1 - (c - t.bestC) / 14));
}

/** Warmth of a day by its hours: eight points of a sine between its extremes. */
export function dayWarmth(minC: number, maxC: number, t: CropTruth): number {
  let sum = 0;
  for (let k = 0; k < 8; k++)
    sum += response((minC + maxC) / 2 + ((maxC - minC) / 2) * Math.sin((Math.PI * (k + 0.5)) / 4), t);
  return sum / 8;
}

/** Hours of light of a day, by the declination alone (Cooper 1969). */
export function lightHours(day: Day, latitudeDeg: number): number {
  const tilt = ((23.45 * Math.PI) / 180) * Math.sin((2 * Math.PI * (284 + dayOfYear(day))) / 365);
  const x = -Math.tan((latitudeDeg * Math.PI) / 180) * Math.tan(tilt);
  return x >= 1 ? 0 : x <= -1 ? 24 : (24 / Math.PI) * Math.acos(x);
}

/** A bed's real night: its own offset bites when the sky is clear and the air still; a tunnel keeps some of it out. */
export const bedNightC = (w: WeatherDay, bed: Bed): number =>
  w.tempMinC +
  bed.nightOffsetC * ((w.cloudPct ?? 50) < 45 ? 1 : 0.35) * ((w.windMs ?? 3) < 3.5 ? 1 : 0.4) +
  (bed.cover === "polytunnel" ? 2.2 : bed.cover === "cold-frame" ? 1.8 : 0);

/**
 * One day of a planting's life: the night first, then growth, then what rain, wind, animals and age take.
 * @returns nothing; the stand is changed in place
 */
export function live(s: Stand, w: WeatherDay, latitudeDeg: number): void {
  if (s.over || w.day < s.planting.startedOn) return;
  const { truth: t, luck } = s;
  const night = bedNightC(w, s.bed);
  if (night <= t.killC && s.warmth > 0) {
    const share = t.killShare >= 1 ? 1 : t.killShare * Math.min(1, 0.4 + 0.3 * (t.killC - night));
    lose(s, "frost", (p) => isThere(s, p) && luck.next() < share);
    if (t.killShare >= 1) {
      s.alive = false;
      s.pieces = [];
      s.over = true;
      return;
    }
  }
  const warmer = s.bed.cover === "none" ? 0 : 3.5;
  const hours = lightHours(w.day, latitudeDeg);
  let gain = dayWarmth(w.tempMinC + 0.4 * warmer, w.tempMaxC + warmer, t);
  gain *= s.bed.sunHours >= 6 ? 1 : 0.72 + 0.046 * s.bed.sunHours;
  gain *= Math.min(1, Math.max(0.2, (hours - 8) / 3.5));
  if (t.longDayH !== null && s.warmth > 0.55 * t.days && hours < t.longDayH) gain *= 0.25;
  if (t.wakes !== null && !(w.day.slice(5) >= t.wakes && w.day.slice(5) < "09-01")) gain *= 0.05;
  s.warmth += gain;
  setNew(s, gain);
  const hot = Math.max(0, w.tempMaxC - 28);
  if (hot > 0 && t.bolts > 0) for (const p of s.pieces) if (stageOf(s, p) > 0.88) p.nudged += t.bolts * 0.14 * hot;
  const gust = w.gustMs ?? (w.windMs ?? 3) * 1.9;
  if (gust > 17 && s.bed.cover === "none")
    lose(s, "gale", (p) => stageOf(s, p) > 0.6 && luck.next() < t.galeShare * Math.min(1.5, (gust - 15) / 6));
  if (w.rainMm > 12 && t.splits > 0 && s.bed.cover === "none")
    lose(s, "rain", (p) => isRipe(s, p) && luck.next() < t.splits * Math.min(2, w.rainMm / 20));
  lose(s, "animals", (p) => isRipe(s, p) && luck.next() < t.eaten);
  lose(s, "age", (p) => beyond(s, p) > primeOf(s) + t.overDays);
}

/** New pieces of a crop that bears on and on; over-age ones hold it back. */
function setNew(s: Stand, gain: number): void {
  const { comes, days, ripenDays, holds } = s.truth;
  if (comes.how !== "stream" || !s.alive || s.failed) return;
  const first = (days - ripenDays) * s.kind.days;
  if (s.warmth < first || s.warmth > first + comes.forDays) return;
  const standing = s.pieces.filter((p) => stageOf(s, p) > 0.5).length;
  const over = s.pieces.filter((p) => isOver(s, p)).length;
  const slowed = 1 - holds * Math.min(1, over / Math.max(1, 0.5 * standing));
  const ramp = Math.min(1, 0.35 + (s.warmth - first) / 12);
  const due = comes.perPlantDay * (s.planting.plants ?? 1) * bearing(s.truth, s.yearsOld) * gain * slowed * ramp;
  let count = Math.floor(due);
  if (s.luck.next() < due - count) count += 1;
  for (let i = 0; i < count; i++) {
    s.pieces.push(pieceAt(s, s.warmth, ripenDays * s.kind.days));
    s.setSoFar += 1;
  }
}

function lose(s: Stand, cause: LossCause, which: (p: Piece) => boolean): void {
  const kept: Piece[] = [];
  for (const p of s.pieces)
    if (which(p)) s.lostG[cause] += massOf(s, p);
    else kept.push(p);
  if (kept.length !== s.pieces.length) s.pieces = kept;
}
