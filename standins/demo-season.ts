import { addDays, type Day, daysBetween, weekday } from "#core/calendar/day";
import type { Bed } from "#core/garden/bed";
import type { Planting } from "#core/garden/planting";
import { cropOf } from "#core/handbook/index";
import type { Check } from "#core/planting/check";
import { expectedYieldG } from "#core/planting/yield";
import type { PickRecord } from "#core/weighing/pick";
import { firstDayAt, type LivingPlanting, look } from "./living-garden";
import type { Chance } from "./random";

const CONTAINER_OF: Record<string, [string, number]> = {
  fruit: ["flat tray", 520],
  leaf: ["bucket", 410],
  pod: ["willow basket", 640],
};

/** Picks as two unhurried gardeners make them: at the weekend rather, every so often, sometimes late. */
export function harvest(
  p: Planting,
  bed: Bed,
  living: LivingPlanting,
  today: Day,
  end: Day,
  over: boolean,
  luck: Chance,
): PickRecord[] {
  const crop = cropOf(p.cropId);
  const ready = firstDayAt(living, p.startedOn, end, 1.05);
  if (!ready) return [];
  const once = crop.habit === "once-over";
  if (once && !over) return [];
  const total = expectedYieldG(p, bed, crop) * luck.between(0.75, 1.1);
  const days: Day[] = [];
  const gap = crop.interval.warmDays * 1.5 + crop.interval.coolDays * 0.3;
  let day = addDays(ready, Math.round(luck.between(0, 4)));
  while (day <= end && days.length < (once ? 2 : 24)) {
    if (!over && day > addDays(today, -2)) return toPicks(p, days, today, total, once, over, luck);
    days.push(day);
    day = addDays(day, Math.max(2, Math.round(once ? luck.between(2, 5) : gap * luck.between(0.7, 1.5))));
    if (weekday(day) === 3 && luck.next() < 0.5) day = addDays(day, 1);
  }
  return toPicks(p, days, today, total, once, over, luck);
}

function toPicks(
  p: Planting,
  days: readonly Day[],
  today: Day,
  totalG: number,
  once: boolean,
  over: boolean,
  luck: Chance,
): PickRecord[] {
  const crop = cropOf(p.cropId);
  const weights = days.map(
    (_, i) =>
      (once ? [0.62, 0.38][i]! : 0.5 + Math.sin((Math.PI * (i + 0.7)) / (days.length + 0.6))) *
      luck.between(0.75, 1.25),
  );
  const whole = weights.reduce((a, b) => a + b, 0) || 1;
  const growing = over ? 1 : Math.min(1, daysBetween(p.startedOn, today) / 150);
  return days.map((day, i) => {
    const netG = Math.max(60, Math.round((totalG * growing * weights[i]!) / whole / 10) * 10);
    const [name, tareG] = once ? ["slatted crate", 1590] : (CONTAINER_OF[crop.parts[0]!] ?? ["bucket", 410]);
    const boxes = Math.max(1, Math.ceil(netG / 9000));
    const tare = [{ name: String(name), tareG: Number(tareG), count: boxes }];
    const grossG = netG + Number(tareG) * boxes;
    const last = i === days.length - 1;
    return {
      id: `${p.id}-${i + 1}`,
      plantingId: p.id,
      roundId: null,
      at: `${day}T${weekday(day) === 0 || weekday(day) === 6 ? "10" : "18"}:${String(Math.floor(luck.between(5, 55))).padStart(2, "0")}`,
      by: luck.next() < 0.6 ? "Ilse" : "Tam",
      method: crop.technique.methods[0]!,
      extent: over && last ? ("final" as const) : once ? ("some" as const) : ("all-ready" as const),
      count: crop.yield.pieceG > 100 ? Math.max(1, Math.round(netG / crop.yield.pieceG)) : null,
      grossG,
      entered: `${(grossG / 1000).toFixed(2)} kg`,
      tare,
      topsOn: false,
      grade: luck.next() < 0.08 ? ("eat-first" as const) : ("sound" as const),
      estimated: false,
      note: "",
      part: "crop" as const,
      purpose: "harvest" as const,
      condition: weekday(day) === 0 || weekday(day) === 6 ? ("cool" as const) : ("hot" as const),
      minutes: Math.round(4 + (crop.minutesPerKg * netG) / 1000),
      left: crop.technique.leave.slice(0, 120),
      way: "" as const,
      // every third basket is sorted: a little of it for tonight
      sorted:
        i % 3 === 1 && netG > 600
          ? [
              {
                grade: "eat-first" as const,
                way: "kitchen" as const,
                massG: Math.round(netG / 80) * 10,
                count: null,
                note: "",
              },
            ]
          : [],
      againG: null,
      againHow: "" as const,
      rowDone: null,
      photos: [],
    };
  });
}

/** One or two looks in the last fortnight, at one to three cues each. */
export function recentChecks(
  p: Planting,
  today: Day,
  living: LivingPlanting,
  made: readonly PickRecord[],
  luck: Chance,
): Check[] {
  const crop = cropOf(p.cropId);
  const lastPick = made.at(-1)?.at.slice(0, 10) ?? "";
  return [11, 4, 2]
    .filter((ago, i) => addDays(today, -ago) > lastPick && (i < 2 || luck.next() < 0.4))
    .map((ago) => {
      const day = addDays(today, -ago);
      const readings = crop.cues
        .filter((c) => c.kind !== "event" && !c.usesUp)
        .slice(0, 2)
        .flatMap(
          (cue) =>
            look(
              cue,
              lastPick ? Math.min(1.1, 0.5 + 0.1 * daysBetween(lastPick, day)) : living.stageOn(day),
              p.plants ?? 6,
              luck,
            ) ?? [],
        );
      return {
        id: `${p.id}-look-${ago}`,
        plantingId: p.id,
        at: `${day}T17:40`,
        by: luck.next() < 0.6 ? "Ilse" : "Tam",
        note: "",
        readings,
        photos: [],
        marked: [],
      };
    });
}
