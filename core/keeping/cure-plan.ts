import { addDays, type Day } from "../calendar/day";
import { type CuringAir, type CuringClock, type CuringFacts, curingRate } from "./curing";

/** What the air of a place lacks for curing, and by how much: °C, points of humidity; still air by nothing. */
export type Lack = { what: "cold" | "hot" | "dry" | "damp"; by: number } | { what: "still"; by: null };

/** When curing ends where a lot lies and when it would in the right air, and what makes up the difference. */
export type CurePlan = {
  right: { tempC: readonly [number, number]; humidityPct: readonly [number, number] | null };
  /** days on which it ends, from the earliest to the latest; here null: it does not go on there */
  thereOn: readonly [Day, Day];
  hereOn: readonly [Day, Day] | null;
  lacks: Lack[];
};

/** Humidity that is not worth a word, points. */
const NEAR_PCT = 5;

/** The plan of a lot that cures: both ends, and what its place lacks. */
export function curePlan(facts: CuringFacts, clock: CuringClock, air: CuringAir, today: Day): CurePlan {
  const right: CuringAir = { tempC: facts.tempC[0], humidityPct: facts.humidityPct?.[0] ?? null, moving: true };
  const left = facts.days.map((d) => Math.max(0, d - clock.done) / curingRate(facts, right));
  const on = (days: number) => addDays(today, Math.ceil(days));
  return {
    right: { tempC: facts.tempC, humidityPct: facts.humidityPct },
    thereOn: [on(left[0]!), on(left[1]!)],
    hereOn: clock.left ? [on(clock.left[0]), on(clock.left[1])] : null,
    lacks: lacksOf(facts, air),
  };
}

function lacksOf(facts: CuringFacts, air: CuringAir): Lack[] {
  const lacks: Lack[] = [];
  const [cold, hot] = facts.tempC;
  if (air.tempC < cold) lacks.push({ what: "cold", by: cold - air.tempC });
  if (air.tempC > hot) lacks.push({ what: "hot", by: air.tempC - hot });
  if (facts.humidityPct && air.humidityPct !== null) {
    const [dry, damp] = facts.humidityPct;
    if (air.humidityPct < dry - NEAR_PCT) lacks.push({ what: "dry", by: dry - air.humidityPct });
    if (air.humidityPct > damp + NEAR_PCT) lacks.push({ what: "damp", by: air.humidityPct - damp });
  }
  if (air.moving === false) lacks.push({ what: "still", by: null });
  return lacks;
}
