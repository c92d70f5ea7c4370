import { sayDay, sayNear } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { plantingSchema } from "#core/garden/planting";
import { STARTS } from "#core/handbook/crop";
import { comingUp, draftNextPlot, madeOf, moveBeds } from "#core/season/next-plot";
import type { Planned } from "#core/season/next-plot-row";
import { plantsNext } from "#core/season/plants-enough";
import { pastOf, rotationOf } from "#core/season/rotation";
import { sayRotation } from "#core/season/words";
import { typedDistance } from "#core/units/distance";
import { sayMass } from "#core/units/mass";
import { sayDistance } from "#core/units/say";
import { change, newId } from "#db/change";
import { byIntent, done, missing, readForm, refuse } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { plannedForm } from "./planned.form";
import { diseasesIn, grownOf, pickedOf } from "./season-data.server";
import { enoughOf } from "./season-weeks.server";

/** The season a plan is drawn up for: the coming one from July on. */
export const planYear = (today: string): number => Number(today.slice(0, 4)) + (today.slice(5) >= "07-01" ? 1 : 0);

/** Things due within so many days are to be started. */
const DUE_DAYS = 14;

/** Everything the page of next year's plot shows. */
export function nextView(d: GardenNow) {
  const { snapshot, today } = d;
  const { units } = snapshot.garden;
  const book = handbook();
  const year = planYear(today);
  const plan = snapshot.planned.filter((p) => p.year === year);
  const due = new Set(comingUp(plan, today, DUE_DAYS).map((p) => p.id));
  const nameOf = (p: Planned) => plantingName(p, book.find(p.cropId));
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const row = (p: Planned) => {
    const crop = book.find(p.cropId);
    // beside what stood there, what is planned to stand there before it counts too
    const past = pastOf(p.bedId, snapshot.plantings, book, p.startOn);
    const turn = crop
      ? rotationOf(crop, past, p.startOn, diseasesIn(d, p.bedId))
      : { verdict: "fine" as const, reasons: [] };
    const before = snapshot.plantings.find((x) => x.id === p.after);
    return {
      id: p.id,
      name: nameOf(p),
      cropId: p.cropId,
      crop: crop?.name ?? p.cropId,
      glyph: crop?.glyph ?? null,
      kind: p.kind,
      bedId: p.bedId,
      how: p.startedHow,
      startOn: p.startOn,
      trayOn: p.trayOn,
      tray: p.trayOn === null ? "" : `sown in trays ${sayDay(p.trayOn)}`,
      start: `${sayDay(p.startOn)}${p.startOn.startsWith(`${year}`) ? "" : ` ${p.startOn.slice(0, 4)}`}`,
      plants: p.plants,
      row: p.rowM === null ? "" : typedDistance(p.rowM, snapshot.garden.units),
      note: p.note,
      amount: [
        p.plants === null ? "" : `${p.plants} ${p.plants === 1 ? "plant" : "plants"}`,
        p.rowM === null ? "" : `${sayDistance(p.rowM, snapshot.garden.units)} of row`,
      ]
        .filter(Boolean)
        .join(", "),
      from: before && before.bedId !== p.bedId ? (bedName.get(before.bedId) ?? "") : "",
      wary: turn.verdict === "wary" || turn.verdict === "no",
      turn: turn.reasons.map(sayRotation).join("; "),
      due: due.has(p.id),
      late: p.made === null && p.startOn < today ? sayNear(p.startOn, today) : "",
      made: p.made,
    };
  };
  return {
    today,
    year,
    units,
    crops: book.all.map((c) => ({ id: c.id, name: c.name })),
    starts: STARTS,
    count: plan.length,
    open: plan.filter((p) => p.made === null).length,
    beds: snapshot.beds.map((b) => ({
      id: b.id,
      name: b.name,
      rows: plan.filter((p) => p.bedId === b.id).map(row),
    })),
    astray: plan.filter((p) => !bedName.has(p.bedId)).map(row),
    compared: comparedWith(d, plan, year).map((c) => ({
      ...c,
      gave: c.gaveG > 0 ? sayMass(c.gaveG, units) : "",
    })),
  };
}

/** Crop by crop: plants of the season before and of the plan, and what they gave. */
function comparedWith(d: GardenNow, plan: readonly Planned[], year: number) {
  const book = handbook();
  const before = `${year - 1}`;
  const by = new Map<string, { had: number; gaveG: number; planned: number; rowBefore: number; rowPlanned: number }>();
  const of = (id: string) => {
    const known = by.get(id) ?? { had: 0, gaveG: 0, planned: 0, rowBefore: 0, rowPlanned: 0 };
    by.set(id, known);
    return known;
  };
  for (const g of grownOf(d)) {
    const gave = pickedOf(g.entries, before);
    if (gave.length === 0 && !g.planting.startedOn.startsWith(before)) continue;
    const c = of(g.crop.id);
    c.had += g.planting.plants ?? 0;
    c.rowBefore += g.planting.rowM ?? 0;
    c.gaveG += gave.reduce((s, p) => s + p.netG, 0);
  }
  for (const p of plan) {
    const c = of(p.cropId);
    c.planned += p.plants ?? 0;
    c.rowPlanned += p.rowM ?? 0;
  }
  const say = (plants: number, row: number) =>
    plants > 0 ? `${plants}` : row > 0 ? sayDistance(Math.round(row * 10) / 10, d.snapshot.garden.units) : "–";
  return [...by]
    .map(([id, c]) => ({
      id,
      name: book.find(id)?.name ?? id,
      had: say(c.had, c.rowBefore),
      planned: say(c.planned, c.rowPlanned),
      gaveG: c.gaveG,
    }))
    .sort((a, b) => b.gaveG - a.gaveG || (a.name < b.name ? -1 : 1));
}

/** Draws the plan up anew, changes it, or makes a planting of one of its rows. */
export function changeNext(d: GardenNow, typed: Record<string, string>) {
  const book = handbook();
  const year = planYear(d.today);
  const plan = d.snapshot.planned.filter((p) => p.year === year);
  const known = plan.find((p) => p.id === typed.id);
  const name = (p: Planned) => plantingName(p, book.find(p.cropId));
  const put = (label: string, work: Parameters<typeof change>[3]) =>
    done("/season/next", change(db(), label, d.now, work));
  return byIntent(typed, {
    draw: () => {
      const moves = moveBeds(d.snapshot.plantings, d.snapshot.beds, book, year - 1);
      const enough =
        typed.counts === "use"
          ? new Map(enoughOf(d, `${year - 1}`).map((e) => [e.crop.id, plantsNext(e)]))
          : new Map<string, number>();
      const draft = draftNextPlot(moves, enough, year - 1, () => newId());
      if (draft.length === 0)
        return refuse({
          errors: { form: `Nothing was started in ${year - 1} that could be copied. Add the first below.` },
          typed,
        });
      return put(`Plot of ${year} drawn up`, (c) => {
        for (const p of plan) if (p.made === null) c.remove("planned", p.id);
        for (const p of draft) c.put("planned", p);
      });
    },
    clear: () =>
      put(`Plot of ${year} wiped`, (c) => {
        for (const p of plan) if (p.made === null) c.remove("planned", p.id);
      }),
    remove: () => {
      if (!known) throw missing("planned planting");
      return put(`${name(known)} taken out of the plan`, (c) => c.remove("planned", known.id));
    },
    make: () => startPlanned(d, typed.id ?? "", "/season/next"),
    keep: () => {
      const read = readForm(plannedForm(year, d.snapshot.garden.units, known), typed);
      if (!read.ok) return refuse(read.faults);
      const row = { ...read.row, id: known?.id ?? newId() };
      if (!book.find(row.cropId)) return refuse({ errors: { cropId: "choose a crop" }, typed });
      return put(`${name(row)} ${known ? "changed" : "planned"}`, (c) => c.put("planned", row));
    },
  });
}

/** Makes a planting of a planned row, on the day it is: school, ripe colour and packet as the kind had them before. */
export function startPlanned(d: GardenNow, id: string, back: string) {
  const { snapshot, today, now } = d;
  const known = snapshot.planned.find((p) => p.id === id);
  if (!known || known.made !== null) throw missing("planned planting");
  const crop = handbook().find(known.cropId);
  const before = snapshot.plantings.find((p) => p.id === known.after);
  const packet =
    before && before.packetMinDays !== null && before.packetMaxDays !== null
      ? ([before.packetMinDays, before.packetMaxDays] as const)
      : null;
  const made = plantingSchema.safeParse(
    madeOf(
      known,
      newId(),
      today,
      { schoolId: before?.schoolId ?? crop?.schools[0]?.id ?? "", ripeColour: before?.ripeColour ?? "" },
      packet,
    ),
  );
  if (!crop || !made.success || !snapshot.beds.some((b) => b.id === known.bedId))
    return refuse({ errors: { form: "Its bed or crop is no longer in the garden: change it first." }, typed: { id } });
  return done(
    back,
    change(db(), `${plantingName(known, crop)} started`, now, (c) => {
      c.put("plantings", made.data);
      c.put("planned", { ...known, made: made.data.id });
    }),
  );
}
