import { sayNear } from "#core/calendar/day";
import type { Planting } from "#core/garden/planting";
import type { PlantingOutlook } from "#core/planning/outlook";
import { begunOn, likelyWindow, offWindow, readyWindow } from "#core/planting/window";
import { sayCall, sayLookAgain, sayReading, sayReasons, sayWindow } from "#core/planting/words";
import type { Snapshot } from "#core/snapshot";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { sayChance } from "#core/units/say";
import { picksOf } from "#core/weighing/by-planting";
import { netOf } from "#core/weighing/net";
import { isCrop } from "#core/weighing/pick";
import { bookOf } from "#core/weighing/taught-book";

/** A judgement as a screen shows it. */
export function judgementView(p: PlantingOutlook, today: string, units: UnitSystem) {
  const j = p.judgement;
  const ripe = j.chances.ready + j.chances.past;
  const chance =
    j.verdict === "past-prime"
      ? `${sayChance(j.chances.past)} past its prime`
      : ripe >= 0.35
        ? `${sayChance(ripe)} ready${j.chances.past >= 0.1 ? `, ${Math.round(j.chances.past * 100)} % past its best` : ""}`
        : `${sayChance(ripe)} ready, ${Math.round(j.chances.nearly * 100)} % nearly`;
  return {
    verdict: j.verdict,
    chances: j.chances,
    meanStage: j.meanStage,
    chance,
    reasons: sayReasons(j, p.crop, p.school, today, units),
    call: j.call && sayCall(j.call, today),
    lookAgain: sayLookAgain(j),
    lookAgainDay: j.lookAgain,
  };
}

/** What a planting has given and shown so far. */
export function pickTotals(snapshot: Snapshot, planting: Planting) {
  const crop = bookOf(snapshot).of(planting.cropId);
  const { units } = snapshot.garden;
  const nets = picksOf(snapshot, planting.id).map((p) => ({
    pick: p,
    net: netOf(p, crop.topsShare, crop.yield.pieceG),
  }));
  const sum = (estimated: boolean) =>
    nets.filter((n) => n.net.estimated === estimated).reduce((s, n) => s + n.net.trimmedG, 0);
  const reckoned = sum(true);
  return {
    picks: nets.map(({ pick, net }) => ({
      id: pick.id,
      day: pick.at.slice(0, 10),
      photos: pick.photos,
      net: `${sayMass(net.trimmedG, units)}${net.estimated ? ", estimated" : ""}`,
    })),
    total: `${nets.length} ${nets.length === 1 ? "pick" : "picks"}, ${sayMass(sum(false), units)} weighed${reckoned > 0 ? ` and ${sayMass(reckoned, units)} estimated` : ""}`,
    checks: snapshot.checks
      .filter((c) => c.plantingId === planting.id)
      .map((c) => ({
        id: c.id,
        day: c.at.slice(0, 10),
        by: c.by,
        note: c.note,
        photos: c.photos,
        words:
          c.readings
            .flatMap((r) => {
              const cue = crop.cues.find((x) => x.id === r.cueId);
              return cue ? [sayReading(cue, r.value, units)] : [];
            })
            .join("; ") || "looked, nothing new",
      })),
  };
}

/** When it is expected ready: by its packet or the handbook, by all that was seen, and how the first pick lay to it. */
export function windowsView(p: PlantingOutlook, snapshot: Snapshot, today: string) {
  const begun = begunOn(p, today);
  const window = readyWindow(p.planting, p.crop, begun);
  const likely = likelyWindow(p.judgement);
  const first = picksOf(snapshot, p.planting.id)
    .filter((x) => isCrop(x) && x.purpose === "harvest" && x.at.slice(0, 10) >= begun)
    .map((x) => x.at.slice(0, 10))
    .sort()[0];
  const off = first ? offWindow(window, first) : 0;
  const days = (n: number) => `${n} ${n === 1 ? "day" : "days"}`;
  return {
    by: window.by,
    days: sayWindow(window, today),
    likely:
      first || p.judgement.barred || !likely.from
        ? ""
        : likely.from <= today
          ? likely.to && likely.to > today
            ? `by what was seen it comes in until ${sayNear(likely.to, today)}`
            : ""
          : `by what was seen, from ${sayNear(likely.from, today)}${likely.to ? ` to ${sayNear(likely.to, today)}` : " on"}`,
    first: first
      ? `first picked ${sayNear(first, today)}${off > 0 ? `, ${days(off)} later` : off < 0 ? `, ${days(-off)} sooner` : ", in time"}`
      : "",
  };
}
