import { sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { becameOf } from "#core/keeping/became";
import { lotsNow } from "#core/keeping/lot";
import { seedsOf } from "#core/keeping/seeds";
import { bedLossesBy, keptShare } from "#core/season/bed-loss";
import { draftsOf, isDue, type Lesson, lessonSchema, remindDays, sayRemind } from "#core/season/lessons";
import { everyWeek, groupPicks, picksIn, sumTotals } from "#core/season/pick-log";
import { figuresOf, rangeOf } from "#core/season/planting-figures";
import { type YieldsBy, yieldsOf } from "#core/season/yields";
import { sayMass } from "#core/units/mass";
import { isCrop } from "#core/weighing/pick";
import { change, newId } from "#db/change";
import { type Desk, db, handbook } from "./desk.server";
import { done, faultsOf, refuse } from "./forms.server";
import { loggedPicks, logOf } from "./picks.server";
import { remembered } from "./remember.server";
import { plantingYearsOf } from "./season-data.server";
import { glutDrafts } from "./season-weeks.server";
import { keptLine } from "./sum-words";
import { sayYield } from "./yield-words";

/** The picks of one season, or of all. */
function seasonOf(d: Desk, asked: string) {
  const { entries: all, years } = logOf(d.snapshot);
  const year = asked === "all" || years.includes(asked) ? asked : (years[0] ?? d.today.slice(0, 4));
  return { years, year, entries: year === "all" ? all : picksIn(all, year) };
}

/** What the picks of a season came to, as rows; and what became of them in the house. */
export function seasonView(d: Desk, askedYear: string, by: YieldsBy) {
  const season = seasonOf(d, askedYear);
  return remembered(d, `season ${season.year} ${by}`, () => viewOf(d, season, by));
}

function viewOf(d: Desk, { years, year, entries }: ReturnType<typeof seasonOf>, by: YieldsBy) {
  const { snapshot } = d;
  const { units } = snapshot.garden;
  const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
  const beds = new Map(snapshot.beds.map((b) => [b.id, b]));
  const given = plantingYearsOf(d, year);
  const rows = yieldsOf(given, by, plantings, beds);
  const t = sumTotals(given.map((y) => y.totals));
  const ranges = by === "kind" ? rangesOfKinds(d) : null;
  return {
    years,
    year,
    by,
    units,
    totals: t,
    rows: rows.map((r) => ({
      key: r.key,
      name: r.name,
      massG: r.totals.weighedG + r.totals.estimatedG,
      weighed: sayMass(r.totals.weighedG, units),
      estimated: r.totals.estimatedG > 0 ? `about ${sayMass(r.totals.estimatedG, units)}` : "",
      picks: r.totals.picks,
      perPick: sayMass(r.perPick, units),
      first: sayDay(r.first),
      last: sayDay(r.last),
      days: r.daysToFirst === null ? "" : String(Math.round(r.daysToFirst)),
      range: ranges?.get(r.key) ?? "",
      yield: sayYield(r, units),
      minutes: r.minutesPerKg === null ? "" : r.minutesPerKg.toFixed(1),
    })),
    weeks:
      year === "all"
        ? groupPicks(entries, "month")
            .reverse()
            .map((w) => ({ key: w.key, name: w.name, weighedG: w.totals.weighedG, estimatedG: w.totals.estimatedG }))
        : everyWeek(groupPicks(entries, "week")).map(({ week, ...w }) => ({
            key: week,
            name: sayDay(week).slice(4),
            ...w,
          })),
    ways: waysOf(d, entries, year),
  };
}

/** The packet's range of each kind, where all its plantings have the same. */
function rangesOfKinds(d: Desk): Map<string, string> {
  const by = new Map<string, Set<string>>();
  for (const p of d.snapshot.plantings) {
    const crop = handbook().of(p.cropId);
    const key = `${p.kind || crop.name} ${crop.id}`;
    const said = rangeOf(p, crop)?.join(" to ") ?? "";
    by.set(key, (by.get(key) ?? new Set()).add(said));
  }
  return new Map([...by].flatMap(([key, said]) => (said.size === 1 ? [[key, [...said][0]!]] : [])));
}

/** Where the crop of some picks went: eaten, given, lost or still here, by what was written down. */
function waysOf(d: Desk, entries: ReturnType<typeof seasonOf>["entries"], year: string) {
  const { snapshot } = d;
  const { units } = snapshot.garden;
  const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
  const losses = snapshot.bedLosses.filter((l) => year === "all" || l.day.startsWith(year));
  const became = becameOf(entries, snapshot.lotEvents, (list) => seedsOf(list, plantings, handbook(), snapshot.places));
  const told = [
    ["eaten", became.eatenG],
    ["put by", became.putByG],
    ["given away", became.givenG],
    ["to the animals", became.animalsG],
    ["to the compost", became.compostG],
    ["lost in the house", became.lostG],
    ["set apart as lots of their own", became.apartG],
    ["nothing written down, or still here", became.leftG],
  ] as const;
  const kept = keptShare(
    entries.filter((e) => isCrop(e.pick)).reduce((s, e) => s + e.net, 0),
    losses.reduce((s, l) => s + l.massG, 0),
    became.lostG + became.compostG,
  );
  return {
    kept: kept ? keptLine(kept, units) : null,
    told: told.filter(([, g]) => g > 0).map(([name, g]) => ({ name, massG: g, amount: sayMass(g, units) })),
    causes: [
      ...bedLossesBy(losses).map(([cause, g]) => ({
        cause,
        where: "in the bed",
        amount: `about ${sayMass(g, units)}`,
      })),
      ...became.causes.map(([cause, g]) => ({ cause, where: "after picking", amount: sayMass(g, units) })),
    ],
  };
}

const nameOf = (d: Desk, plantingId: string | null): string => {
  const p = d.snapshot.plantings.find((x) => x.id === plantingId);
  return p ? plantingName(p, handbook().of(p.cropId)) : "";
};

/** A lesson as it is shown. */
const lessonLine = (d: Desk, l: Lesson) => ({
  id: l.id,
  day: sayDay(l.at.slice(0, 10)),
  year: l.at.slice(0, 4),
  words: l.words,
  next: l.next,
  about: nameOf(d, l.plantingId) || (l.cropId ? (handbook().find(l.cropId)?.name ?? "") : ""),
  remind: sayRemind(l),
  remindOn: l.remindOn,
});

/** Lessons that are to come up today. */
export const lessonsDue = (d: Desk) => d.snapshot.lessons.filter((l) => isDue(l, d.today)).map((l) => lessonLine(d, l));

/** Lessons kept about a crop or one of its plantings, the latest first: told where something is decided about it. */
export const lessonsOfCrop = (d: Desk, cropId: string) => {
  const plantings = new Set(d.snapshot.plantings.filter((p) => p.cropId === cropId).map((p) => p.id));
  return d.snapshot.lessons
    .filter(
      (l) => l.state === "kept" && (l.cropId === cropId || (l.plantingId !== null && plantings.has(l.plantingId))),
    )
    .map((l) => lessonLine(d, l))
    .reverse();
};

/** The same for every crop about which anything was learned. */
export const lessonsByCrop = (d: Desk): Record<string, ReturnType<typeof lessonsOfCrop>> => {
  const ofPlanting = new Map(d.snapshot.plantings.map((p) => [p.id, p.cropId]));
  const crops = new Set(
    d.snapshot.lessons.flatMap((l) => l.cropId ?? (l.plantingId && ofPlanting.get(l.plantingId)) ?? []),
  );
  return Object.fromEntries([...crops].map((id) => [id, lessonsOfCrop(d, id)]));
};

/** Drafts that the figures of a season propose and nobody has answered yet. */
function drafts(d: Desk, year: string) {
  const { snapshot } = d;
  const answered = new Set(snapshot.lessons.map((l) => l.id));
  const beds = new Map(snapshot.beds.map((b) => [b.id, b]));
  const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
  const entries = picksIn(loggedPicks(snapshot), year);
  const lots = [...lotsNow(seedsOf(entries, plantings, handbook(), snapshot.places), snapshot.lotEvents).values()];
  const picked = [...new Set(entries.map((e) => e.pick.plantingId))];
  const gluts = glutDrafts(d, year)
    .filter((x) => !answered.has(x.id))
    .map((x) => ({ ...x, remindOn: remindDays(handbook().of(x.cropId!), null, null, d.today).start }));
  const each = picked.flatMap((id) => {
    const p = plantings.get(id);
    const bed = p && beds.get(p.bedId);
    if (!p || !bed) return [];
    const crop = handbook().of(p.cropId);
    const figures = figuresOf(
      p,
      bed,
      crop,
      entries.filter((e) => e.pick.plantingId === id),
    );
    const lostG = lots.filter((l) => l.plantingId === id).reduce((s, l) => s + l.used.loseG, 0);
    const lostInBed = snapshot.bedLosses.filter((l) => l.plantingId === id && l.day.startsWith(year));
    const days = remindDays(crop, p, figures.first, d.today);
    return draftsOf(p, plantingName(p, crop), crop, figures, lostG, snapshot.garden.units, lostInBed)
      .filter((x) => !answered.has(x.id))
      .map((x) => ({ ...x, remindOn: x.about === "pick" ? (days.pick ?? days.start) : days.start }));
  });
  return [...gluts, ...each];
}

/** The page of lessons: what comes up now, what the figures propose, and all that was kept. */
export function lessonsView(d: Desk, query: URLSearchParams) {
  const { snapshot, today } = d;
  const plantingId = query.get("planting");
  const planting = snapshot.plantings.find((p) => p.id === plantingId) ?? null;
  const crop = planting ? handbook().of(planting.cropId) : null;
  const first = planting
    ? (loggedPicks(snapshot)
        .find((e) => e.pick.plantingId === planting.id)
        ?.at.slice(0, 10) ?? null)
    : null;
  const days = crop ? remindDays(crop, planting, first, today) : null;
  return {
    today,
    due: lessonsDue(d),
    drafts: drafts(d, today.slice(0, 4)),
    kept: snapshot.lessons
      .filter((l) => l.state === "kept")
      .map((l) => lessonLine(d, l))
      .reverse(),
    about: planting && crop ? { plantingId: planting.id, name: plantingName(planting, crop) } : null,
    days,
    crops: handbook().all.map((c) => ({ id: c.id, name: c.name })),
  };
}

/** Keeps, changes, throws away or takes out a lesson. */
export function changeLessons(d: Desk, typed: Record<string, string>) {
  const back = "/season/lessons";
  const known = d.snapshot.lessons.find((l) => l.id === typed.id);
  if (typed.intent === "remove")
    return done(
      back,
      change(db(), "Lesson removed", d.now, (c) => c.remove("lessons", typed.id ?? "")),
    );
  const draft = drafts(d, d.today.slice(0, 4)).find((x) => x.id === typed.id);
  if (typed.intent === "throw" && draft) {
    const { about: _, ...rest } = draft;
    return done(
      back,
      change(db(), "Draft thrown away", d.now, (c) => c.put("lessons", { ...rest, at: d.now, state: "thrown" })),
    );
  }
  const planting = d.snapshot.plantings.find((p) => p.id === (typed.plantingId || draft?.plantingId));
  const checked = lessonSchema.safeParse({
    id: known?.id ?? draft?.id ?? newId(),
    at: known?.at ?? d.now,
    words: typed.words ?? "",
    next: typed.next ?? "",
    cropId: typed.cropId || planting?.cropId || known?.cropId || null,
    plantingId: planting?.id ?? known?.plantingId ?? null,
    bedId: planting?.bedId ?? known?.bedId ?? null,
    remindOn: typed.remindOn || null,
    state: "kept",
  });
  if (!checked.success) return refuse(faultsOf(checked.error, typed));
  return done(
    back,
    change(db(), "Lesson kept", d.now, (c) => c.put("lessons", checked.data)),
  );
}
