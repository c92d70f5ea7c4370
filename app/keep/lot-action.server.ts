import { addDays, sayDay } from "#core/calendar/day";
import { LOT_EVENTS, type Lot, type LotEvent, lotEventSchema, massOfPieces } from "#core/keeping/lot";
import { LOT_EVENT_WORDS } from "#core/keeping/words";
import { roundMass, sayMass } from "#core/units/mass";
import { readAmount } from "#core/weighing/amount";
import { bulkOf, containerMeasures } from "#core/weighing/bulk";
import { change, orderedId } from "#db/change";
import { done, faultsOf, missing, numberOf, refuse } from "../server/forms.server";
import { db, type GardenNow, gardenNow } from "../server/garden-now.server";
import { findLot } from "./keep.server";
import { sayEvent } from "./lot.server";

/** What was done with a lot since a page last saw it, in words; null: nothing. @param seen the last entry it knew */
function meanwhileOf(d: GardenNow, lot: Lot, seen: string | undefined): string | null {
  if (seen === undefined) return null;
  const known = lot.events.findIndex((e) => e.id === seen);
  const since = lot.events.slice(known + 1);
  const nameOf = (id: string | null) => d.snapshot.places.find((p) => p.id === id)?.name ?? "place not said";
  const { units } = d.snapshot.garden;
  return since.length === 0
    ? null
    : since
        .map((e) => `${sayDay(e.at.slice(0, 10))} ${e.at.slice(11)}: ${sayEvent(e, lot.id, units, nameOf)}`)
        .join("; ");
}

/**
 * What a gardener does with a lot. Amounts are as typed; empty: all that is left.
 * @param waited when it was done and under which id, where it waited for the signal
 */
export function changeLot(
  lotId: string,
  typed: Record<string, string>,
  back: string,
  waited?: { at: string; id: string },
) {
  const d = gardenNow();
  const at = waited?.at ?? d.now;
  const found = findLot(d, lotId);
  if (!found) throw missing("lot");
  const { lot, crop } = found;
  const { units } = d.snapshot.garden;
  if (typed.intent === "take-back")
    return done(
      back,
      change(db(), "Entry of a lot removed", d.now, (c) => c.remove("lotEvents", typed.id ?? "")),
    );
  if (waited && d.snapshot.lotEvents.some((e) => e.id === waited.id)) return done(back, null);
  const since = waited && typed.sure !== "yes" ? meanwhileOf(d, lot, typed.seen) : null;
  if (since) return refuse({ errors: { form: "it was changed meanwhile" }, typed, meanwhile: since });
  const id = waited?.id ?? orderedId();
  if (typed.intent === "ripe") return ripeToday(d, lot, crop.yield.pieceG, typed, back, { id, at });
  const kind = typed.intent as LotEvent["kind"];
  if (!LOT_EVENTS.includes(kind)) return refuse({ errors: { form: "Nothing was asked." }, typed });
  const field = (name: string) => `${kind}-${name}`;
  const read = (name: string) => {
    const text = (typed[field(name)] ?? "").trim();
    const ofPieces = name === "amount" ? massOfPieces(text, lot, crop.yield.pieceG) : null;
    if (ofPieces !== null)
      return { ok: true as const, amount: { massG: ofPieces, estimated: true, loads: [ofPieces], litres: 0 } };
    return text === "" ? null : readAmount(text, units, bulkOf(crop, containerMeasures(d.snapshot.containers)));
  };
  const amount = read("amount");
  if (amount && !amount.ok) return refuse({ errors: { [field("amount")]: amount.message }, typed });
  const out = read("out");
  if (out && !out.ok) return refuse({ errors: { [field("out")]: out.message }, typed });
  const massG = amount?.ok ? amount.amount.massG : null;
  if (massG !== null && massG > lot.leftG + 0.5)
    return refuse({ errors: { [field("amount")]: `only ${sayMass(lot.leftG, units)} of it are left` }, typed });
  if (massG === null && kind === "split")
    return refuse({ errors: { [field("amount")]: "how much is set apart" }, typed });
  if (lot.leftG <= 0 && ["use", "give", "lose", "split", "merge", "preserve"].includes(kind))
    return refuse({ errors: { form: "Nothing of it is left." }, typed });
  const checked = lotEventSchema.safeParse({
    id,
    lotId,
    at,
    kind,
    massG,
    placeId: typed[field("place")] || null,
    toLot: kind === "split" || kind === "preserve" ? `${id}` : kind === "merge" ? typed[field("lot")] || null : null,
    who: typed[field("who")] ?? "",
    cause: typed[field("cause")] ?? "",
    ready: typed[field("ready")] === "ready" || typed[field("ready")] === "not-yet" ? typed[field("ready")] : null,
    how: typed[field("how")] || null,
    outG: out?.ok ? out.amount.massG : null,
    until: kind === "date" ? ownDate(lot, typed) : null,
    note: typed[field("note")] ?? "",
  });
  if (!checked.success) {
    const { errors } = faultsOf(checked.error, typed);
    const named: Record<string, string> = {
      placeId: "place",
      toLot: "lot",
      massG: "amount",
      outG: "out",
      until: "until",
    };
    return refuse({
      errors: Object.fromEntries(Object.entries(errors).map(([k, v]) => [field(named[k] ?? k), v])),
      typed,
    });
  }
  const label = `${lot.kind}: ${LOT_EVENT_WORDS[kind]}${massG === null || kind === "move" ? "" : `, ${sayMass(massG, units)}`}`;
  return done(
    back,
    change(db(), label, d.now, (c) => c.put("lotEvents", checked.data)),
  );
}

/** The last good day as typed: a day, or for how long it keeps from when it was picked or put by; empty: none of one's own. */
function ownDate(lot: Lot, typed: Record<string, string>): string | null {
  const day = (typed["date-until"] ?? "").trim();
  if (day !== "") return day;
  const keeps = numberOf(typed["date-keeps"]);
  if (keeps === null || keeps <= 0) return null;
  return addDays(lot.stays[0]!.from, Math.round(keeps * DAYS_IN[typed["date-unit"] as keyof typeof DAYS_IN]));
}
const DAYS_IN = { days: 1, weeks: 7, months: 30.44 };

const blankEvent = (lotId: string, at: string): LotEvent => ({
  ...{ id: orderedId(), lotId, at, kind: "check", massG: null, placeId: null, toLot: null, who: "", cause: "" },
  ...{ ready: null, how: null, outG: null, until: null, note: "" },
});

/** So many pieces of a ripening lot are ripe today: they are set apart as ripe, the rest ripens on; or all of it is. */
function ripeToday(
  d: GardenNow,
  lot: Lot,
  usualG: number,
  typed: Record<string, string>,
  back: string,
  { id, at }: { id: string; at: string },
) {
  const pieceG = lot.pieceG ?? usualG;
  const left = Math.max(1, Math.round(lot.leftG / pieceG));
  const count = typed["ripe-count"] === "all" ? left : numberOf(typed["ripe-count"]);
  if (count === null || !Number.isInteger(count) || count < 1 || lot.leftG <= 0)
    return refuse({ errors: { form: "How many are ripe?" }, typed });
  const all = count >= left;
  const words = all ? `all ${left} ripe` : `${count} ripe, ${left - count} left`;
  const split: LotEvent = { ...blankEvent(lot.id, at), id, kind: "split", massG: roundMass(count * pieceG) };
  const apart = { ...split, toLot: split.id };
  const ready: LotEvent = { ...blankEvent(all ? lot.id : split.id, at), ...(all ? { id } : {}), ready: "ready" };
  return done(
    back,
    change(db(), `${lot.kind}: ${words}`, d.now, (c) => {
      if (!all) c.put("lotEvents", apart);
      c.put("lotEvents", ready);
    }),
  );
}
