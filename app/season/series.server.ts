import { addDays, type Day, isDay, sayDay, sayNear } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import type { Planting } from "#core/garden/planting";
import type { Crop, Start } from "#core/handbook/crop";
import type { Planned } from "#core/season/next-plot-row";
import { pastOf, rotationOf } from "#core/season/rotation";
import { MOST_SOWINGS, seriesOf, trayDays } from "#core/season/series";
import { lastSowings } from "#core/season/sowing-clock";
import { sayRotation } from "#core/season/words";
import { change, newId } from "#db/change";
import { byIntent, done, missing, numberOf, refuse } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { diseasesIn, riskAsked, siteOf } from "./season-data.server";
import { startPlanned } from "./season-next.server";

/** The last date on which a crop is still worth starting in a bed, and what ends it; null: nothing does. */
function latestIn(d: GardenNow, crop: Crop, how: Start, bedId: string, year: number, risk: number) {
  const bed = d.snapshot.beds.find((b) => b.id === bedId);
  if (!bed || crop.days.yearly) return null;
  const last = lastSowings(crop, d.snapshot.weather, year, siteOf(d, bed), risk).find((l) => l.how === how);
  if (!last?.latest) return null;
  return { day: last.latest, why: last.limitBy === "frost" ? `frost about ${sayDay(last.limit)}` : "short days" };
}

/** What speaks against a new planting, in words: too late in the year, its family or its pest stood there. */
export function plantingDoubts(d: GardenNow, planting: Planting, crop: Crop): string[] {
  const doubts: string[] = [];
  const latest = latestIn(d, crop, planting.startedHow, planting.bedId, Number(planting.startedOn.slice(0, 4)), 0.5);
  if (latest && planting.startedOn > latest.day && planting.startedOn >= addDays(d.today, -3))
    doubts.push(`${crop.name} would have to be started by ${sayDay(latest.day)} there, before ${latest.why}`);
  const past = pastOf(planting.bedId, d.snapshot.plantings, handbook(), planting.startedOn).filter(
    (x) => x.planting.id !== planting.id && x.until !== null && x.until <= planting.startedOn,
  );
  const { verdict, reasons } = rotationOf(crop, past, planting.startedOn, diseasesIn(d, planting.bedId));
  if ((verdict === "no" || verdict === "wary") && !crop.days.yearly)
    doubts.push(`In this bed: ${reasons.map(sayRotation).join("; ")}`);
  return doubts;
}

/** Something that is to be started, planned or already put down with its date. */
export type Ahead = {
  id: string;
  name: string;
  bedId: string;
  bed: string;
  day: Day;
  when: string;
  how: string;
  to: string;
  planned: boolean;
  /** ticked off when it is sown in trays; null: there is nothing to tick */
  tick: string | null;
};

/** A planned row's sowing in trays, as it is ticked off. */
const trayTick = (plannedId: string): string => `tray ${plannedId}`;

/** Everything that is still to be started, the soonest first. */
export function aheadOf(d: GardenNow): Ahead[] {
  const { snapshot, today } = d;
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const HOW = { sown: "to sow", transplanted: "to set out", planted: "to plant" } as const;
  const line = (
    x: { id: string; cropId: string; kind: string; bedId: string; startedHow: Start },
    day: Day,
    to: string,
    planned: boolean,
  ): Ahead => ({
    id: x.id,
    name: plantingName(x, handbook().find(x.cropId)),
    bedId: x.bedId,
    bed: bedName.get(x.bedId) ?? "",
    day,
    when: day < today ? `was for ${sayNear(day, today)}` : sayNear(day, today),
    how: HOW[x.startedHow],
    to,
    planned,
    tick: null,
  });
  const sown = new Set(snapshot.ticks.map((t) => t.id));
  return [
    ...snapshot.planned
      .filter((p) => p.made === null)
      .flatMap((p) => {
        const out = line(p, p.startOn, "/season/next", true);
        const tick = trayTick(p.id);
        return p.trayOn === null || sown.has(tick)
          ? [out]
          : [{ ...line(p, p.trayOn, "/season/next", true), how: "to sow in trays", tick }, out];
      }),
    ...snapshot.plantings
      .filter((p) => p.startedOn > today && p.endedOn === null)
      .map((p) => line(p, p.startedOn, `/plot/plantings/${p.id}`, false)),
  ].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.name < b.name ? -1 : 1));
}

/** Plans a series of sowings, each a row with its bed and day; takes one out again. */
export function changeSeries(d: GardenNow, typed: Record<string, string>, search: string) {
  const back = `/season/sowings${search}#ahead`;
  const rowOf = (what: string, is: (p: Planned) => boolean) => {
    const row = d.snapshot.planned.find((p) => p.id === typed.id && is(p));
    if (!row) throw missing(what);
    return { row, name: plantingName(row, handbook().find(row.cropId)) };
  };
  const put = (label: string, work: Parameters<typeof change>[3]) => done(back, change(db(), label, d.now, work));
  return byIntent(typed, {
    sown: () => {
      const { row, name } = rowOf("sowing in trays", (p) => p.trayOn !== null);
      return put(`${name} sown in trays`, (c) => c.put("ticks", { id: trayTick(row.id), at: d.now }));
    },
    start: () => startPlanned(d, typed.id ?? "", back),
    skip: () => {
      const { row, name } = rowOf("planned sowing", (p) => p.made === null);
      return put(`Sowing of ${sayDay(row.startOn)} left out: ${name}`, (c) => c.remove("planned", row.id));
    },
    series: () => planSeries(d, typed, back),
  });
}

/** Plans the same sowing several times, so many days apart. */
function planSeries(d: GardenNow, typed: Record<string, string>, back: string) {
  const crop = handbook().find(typed.cropId ?? "");
  const first = typed.first ?? "";
  const every = numberOf(typed.every);
  const times = numberOf(typed.times);
  const plants = numberOf(typed.plants);
  const errors: Record<string, string> = {};
  const whole = (n: number | null, least: number, most: number) =>
    n !== null && Number.isInteger(n) && n >= least && n <= most;
  if (!crop) errors.cropId = "choose a crop";
  if (!d.snapshot.beds.some((b) => b.id === typed.bedId)) errors.bedId = "choose a bed";
  if (!isDay(first)) errors.first = "write a day";
  if (!whole(every, 1, 120)) errors.every = "1 to 120 days";
  if (!whole(times, 1, MOST_SOWINGS)) errors.times = `1 to ${MOST_SOWINGS} times`;
  if (plants !== null && !whole(plants, 1, 100_000)) errors.plants = "a whole number of plants";
  if (Object.keys(errors).length > 0 || !crop) return refuse({ errors, typed });
  // raised in trays, the bed is wanted only when they are set out
  const inTrays = typed.how === "trays";
  const raised = inTrays ? trayDays(crop) : 0;
  const how: Start = inTrays
    ? "transplanted"
    : crop.days.sown
      ? "sown"
      : crop.days.transplanted
        ? "transplanted"
        : "planted";
  const year = Number(first.slice(0, 4));
  const latest = latestIn(d, crop, how, typed.bedId!, year, riskAsked(typed.risk ?? null));
  const { days, late } = seriesOf(addDays(first, raised), every!, times!, latest?.day ?? null);
  if (days.length === 0)
    return refuse({
      errors: { first: `too late: the last date there is ${sayDay(latest!.day)}, before ${latest!.why}` },
      typed,
    });
  const label = `${days.length} ${days.length === 1 ? "sowing" : "sowings"} of ${crop.name} planned${late.length > 0 ? `; ${late.length} would come too late, after ${sayDay(latest!.day)}` : ""}`;
  const id = change(db(), label, d.now, (c) => {
    for (const day of days)
      c.put("planned", {
        ...{
          id: newId(),
          year: Number(day.slice(0, 4)),
          bedId: typed.bedId!,
          cropId: crop.id,
          kind: (typed.kind ?? "").trim().slice(0, 60),
        },
        ...{
          startedHow: how,
          startOn: day,
          trayOn: inTrays ? addDays(day, -raised) : null,
          plants,
          rowM: null,
          areaM2: null,
          after: null,
          made: null,
          note: "",
        },
      });
  });
  return done(back, id);
}
