import { sayDay, sayNear } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { husbandryOf } from "#core/handbook/husbandry";
import { keepingNote } from "#core/keeping/replant";
import { costAPlant, germinationOf, goodYears, SEED_UNITS, seedNeeds } from "#core/season/seed-lots";
import { betaInterval } from "#core/season/spread";
import { SEED_UNIT_WORDS, sayGermination } from "#core/season/words";
import { change, newId } from "#db/change";
import { byIntent, done, missing, readForm, refuse } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { seedForm } from "./seed.form";

/** Share of fresh bought seed that comes up, where there is none in the box (own estimate). */
const USUAL_SHARE = 0.85;
const sayCost = (cost: number | null): string =>
  cost === null
    ? ""
    : `${cost
        .toFixed(cost < 1 ? 3 : 2)
        .replace(/0+$/, "")
        .replace(/\.$/, "")} a plant`;

/** The seed box: every packet with what is expected to come up, and what next year's plan wants of it. */
export function seedsView(d: GardenNow) {
  const { snapshot, today } = d;
  const book = handbook();
  const ahead = snapshot.planned.filter((p) => p.made === null);
  const setCrop = (p: { startedHow: string }) => p.startedHow === "planted";
  const needs = seedNeeds(
    ahead.flatMap((p) =>
      p.plants === null
        ? []
        : [{ cropId: p.cropId, kind: p.kind, plants: p.plants, startOn: p.startOn, sets: setCrop(p) }],
    ),
    snapshot.seedLots,
    book.find,
    today,
  );
  const unsized = ahead.filter((p) => p.plants === null).length;
  const firstOf = (cropId: string, kind: string) =>
    ahead.find((p) => p.cropId === cropId && (kind === "" || p.kind.toLowerCase() === kind.toLowerCase()))?.startOn ??
    null;
  return {
    today,
    year: Number(today.slice(0, 4)),
    garden: snapshot.garden.units,
    crops: book.all.map((c) => ({ id: c.id, name: c.name })),
    rows: book.all.flatMap((c) => {
      const facts = husbandryOf(c);
      if (!facts?.apartMm) return [];
      const best = snapshot.seedLots.filter((l) => l.cropId === c.id).map((l) => germinationOf(l, c, today).share);
      const share = best.length > 0 ? Math.max(...best) : USUAL_SHARE;
      const middle = (r: readonly [number, number]) => (r[0] + r[1]) / 2;
      return [
        {
          ...{ id: c.id, name: c.name, share, own: best.length > 0 },
          apartMm: middle(facts.apartMm),
          rowsMm: facts.rowsMm ? middle(facts.rowsMm) : null,
        },
      ];
    }),
    units: SEED_UNITS.map((u) => ({ id: u, words: SEED_UNIT_WORDS[u] })),
    planned: ahead.length > 0,
    unsized,
    needs: needs.map((n) => ({
      key: `${n.cropId} ${n.kind}`,
      name: plantingName(n, book.find(n.cropId)),
      crop: book.find(n.cropId)?.name ?? n.cropId,
      first: `${sayDay(n.firstOn)} ${n.firstOn.slice(0, 4)}`,
      plants: n.plants,
      what: n.sets ? "sets" : "seeds",
      wanted: n.wanted,
      covers: n.coversPlants,
      order: n.order,
      kept: keepingNote(book.find(n.cropId) ?? { like: "" }),
    })),
    lots: snapshot.seedLots
      .flatMap((lot) => {
        const crop = book.find(lot.cropId);
        if (!crop) return [];
        const g = germinationOf(lot, crop, today);
        const [low, high] = betaInterval(g.alpha, g.beta, 0.8);
        const age = Number(today.slice(0, 4)) - lot.year;
        const sowOn = firstOf(lot.cropId, lot.kind);
        return [
          {
            lot,
            name: plantingName(lot, crop),
            crop: crop.name,
            glyph: crop.glyph,
            left: lot.unit === "g" ? `${lot.left} g` : `${lot.left} ${lot.unit}`,
            age: age <= 0 ? "this year’s" : age === 1 ? "last year’s" : `${age} years old`,
            good: `usually good for ${goodYears(crop)} ${goodYears(crop) === 1 ? "year" : "years"}`,
            share: Math.round(100 * g.share),
            between: `${Math.round(100 * low)} to ${Math.round(100 * high)} %`,
            words: sayGermination(g),
            cost: sayCost(costAPlant(lot, g.share)),
            tested: lot.testedOn ? sayNear(lot.testedOn, today) : "",
            poor: g.share < 0.6,
            sow: sowOn ? `${sayDay(sowOn)} ${sowOn.slice(0, 4)}` : "",
            sowKey: sowOn ?? `9999-${crop.usualStart}`,
          },
        ];
      })
      // in the order of sowing, so that the box never falls out of order as the year goes on
      .sort((a, b) => (a.sowKey < b.sowKey ? -1 : a.sowKey > b.sowKey ? 1 : a.crop < b.crop ? -1 : 1)),
  };
}

/** Adds, changes, tests or removes a packet. */
export function changeSeeds(d: GardenNow, typed: Record<string, string>) {
  const known = d.snapshot.seedLots.find((s) => s.id === typed.id);
  const put = (label: string, work: Parameters<typeof change>[3]) =>
    done("/season/seeds", change(db(), label, d.now, work));
  return byIntent(typed, {
    keep: () => {
      const read = readForm(seedForm, typed);
      if (!read.ok) return refuse(read.faults);
      const seed = { ...read.row, id: known?.id ?? newId() };
      if (!handbook().find(seed.cropId)) return refuse({ errors: { cropId: "choose a crop" }, typed });
      const name = plantingName(seed, handbook().of(seed.cropId));
      return put(`Seed of ${name} ${known ? "changed" : "noted"}`, (c) => c.put("seedLots", seed));
    },
    remove: () => {
      if (!known) throw missing("seed");
      return put("Seed removed", (c) => c.remove("seedLots", known.id));
    },
  });
}
