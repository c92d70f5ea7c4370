import { isLaw, sayWait, waitingOn } from "#core/garden/treatment";
import { sayMass } from "#core/units/mass";
import { bulkOf } from "#core/weighing/bulk";
import { netOf } from "#core/weighing/net";
import { change, newId } from "#db/change";
import { sayError } from "#formats/located";
import { readPicksCsv } from "#formats/picks-in";
import { type Desk, db, handbook } from "./desk.server";
import { done, refuse } from "./forms.server";

const MOST_BYTES = 12_000_000;
const SHOWN = 12;

/** Reads the table that was pasted or sent; shows what would come in, or brings it in. Nothing is written half. */
export async function importPicks(d: Desk, form: FormData) {
  const file = form.get("file");
  const fromFile = file instanceof File && file.size > 0;
  if (fromFile && file.size > MOST_BYTES)
    return refuse({ errors: { file: "the file is larger than 12 MB" }, typed: {} });
  const text = fromFile ? await file.text() : String(form.get("table") ?? "");
  const typed = { table: text };
  if (text.trim() === "") return refuse({ errors: { table: "paste a table, or choose a file" }, typed });
  const book = handbook();
  const bedName = new Map(d.snapshot.beds.map((b) => [b.id, b.name]));
  const read = readPicksCsv(text, {
    plantings: d.snapshot.plantings.map((p) => {
      const crop = book.of(p.cropId);
      return { ...p, bed: bedName.get(p.bedId) ?? "", crop: crop.name, bulk: bulkOf(crop) };
    }),
    known: d.snapshot.picks,
    units: d.snapshot.garden.units,
    newId,
  });
  if (!read.ok)
    return refuse({ errors: { table: `${read.errors.map(sayError).join("\n")}\nNothing was taken.` }, typed });
  const { picks, already, estimated } = read.value;
  const plantings = new Map(d.snapshot.plantings.map((p) => [p.id, p]));
  const named = picks.map((p) => {
    const planting = plantings.get(p.plantingId)!;
    const crop = book.of(planting.cropId);
    const { netG } = netOf(p, crop.topsShare, crop.yield.pieceG);
    return { pick: p, netG, kind: planting.kind || crop.name, bed: bedName.get(planting.bedId) ?? "" };
  });
  const inside = named.flatMap((n) => {
    const wait = waitingOn(d.snapshot.treatments, n.pick.plantingId, n.pick.at.slice(0, 10)).find(isLaw);
    return wait ? [`${n.kind}, ${n.bed}, on ${n.pick.at.slice(0, 10)}: ${sayWait(wait)}`] : [];
  });
  if (inside.length > 0)
    return refuse({
      errors: { table: `${inside.slice(0, 8).join("\n")}\nNothing was taken: the label is the law.` },
      typed,
    });
  const { units } = d.snapshot.garden;
  const total = sayMass(
    named.reduce((sum, n) => sum + n.netG, 0),
    units,
  );
  const said = `${picks.length} ${picks.length === 1 ? "pick" : "picks"}, ${total}`;
  if (form.get("intent") === "import") {
    if (picks.length === 0)
      return done(`/picks?said=${encodeURIComponent("All of these were in the log already.")}`, null);
    return done(
      "/picks",
      change(db(), `${said} taken from a table`, d.now, (c) => {
        for (const p of picks) c.put("picks", p);
      }),
    );
  }
  return {
    preview: {
      said,
      already,
      estimated,
      rows: named.slice(0, SHOWN).map((n) => ({
        id: n.pick.id,
        at: n.pick.at,
        kind: n.kind,
        bed: n.bed,
        net: sayMass(n.netG, units),
        estimated: n.pick.estimated || n.pick.grossG === null,
      })),
      more: Math.max(0, picks.length - SHOWN),
      table: text,
    },
  };
}
