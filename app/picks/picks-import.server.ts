import { data } from "react-router";
import { plantingName } from "#core/garden/name";
import { isLaw, waitingOn } from "#core/garden/treatment";
import { sayWait } from "#core/garden/words";
import { sayMass } from "#core/units/mass";
import { netOf } from "#core/weighing/net";
import type { PickRecord } from "#core/weighing/pick";
import { change } from "#db/change";
import { type LocatedError, sayError } from "#formats/located";
import { type ColumnUses, PICK_COLUMNS, type PickColumns } from "#formats/picks-in";
import type { BroughtBack } from "../server/backup-task";
import { inBackupThread } from "../server/backups.server";
import { done, type FormFaults, refuse } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { readPicksInThread } from "../server/reading.server";

const MOST_BYTES = 12_000_000;
const SHOWN = 12;
/** From so many picks on they are written in a thread of their own: nobody waits meanwhile. */
const MANY = 500;

/** Reads the table that was pasted or sent; shows what would come in, or brings it in. Nothing is written half. */
export async function importPicks(d: GardenNow, form: FormData) {
  const file = form.get("file");
  const fromFile = file instanceof File && file.size > 0;
  if (fromFile && file.size > MOST_BYTES)
    return refuse({ errors: { file: "the file is larger than 12 MB" }, typed: {} });
  const text = fromFile ? await file.text() : String(form.get("table") ?? "");
  if (text.trim() === "")
    return refuse({ errors: { table: "paste a table, or choose a file" }, typed: { table: text } });
  const { columns: seen, read } = await readPicksInThread(text, usesOf(form), d.today, String(form.get("token") ?? ""));
  const no = (message: string, located: LocatedError[] = []) => {
    const faults: FormFaults = { errors: { table: message }, typed: { table: text } };
    return data({ ...faults, located, columns: seen }, { status: 422 });
  };
  if (!read.ok) return no(`${read.errors.map(sayError).join("\n")}\nNothing was taken.`, read.errors);
  const { picks, already, estimated } = read.value;
  const named = nameThem(d, picks);
  const inside = named.flatMap((n) => {
    const wait = waitingOn(d.snapshot.treatments, n.pick.plantingId, n.pick.at.slice(0, 10)).find(isLaw);
    return wait ? [`${n.kind}, ${n.bed}, on ${n.pick.at.slice(0, 10)}: ${sayWait(wait)}`] : [];
  });
  if (inside.length > 0)
    return no(`${inside.slice(0, 8).join("\n")}\nNothing was taken: a wait that a label or a rule gives is kept.`);
  const { units } = d.snapshot.garden;
  const total = sayMass(
    named.reduce((sum, n) => sum + n.netG, 0),
    units,
  );
  const said = `${picks.length} ${picks.length === 1 ? "pick" : "picks"}, ${total}`;
  if (form.get("intent") === "import") {
    if (picks.length === 0)
      return done(`/picks?said=${encodeURIComponent("All of these were in the log already.")}`, null);
    const label = `${said} taken from a table`;
    if (picks.length > MANY) {
      const at = d.now;
      const put = (await inBackupThread((dataDir) => ({ what: "picks", dataDir, picks, at, label }))) as BroughtBack;
      return put.ok ? done("/picks", put.journalId) : no(`${put.message}\nNothing was taken.`);
    }
    return done(
      "/picks",
      change(db(), label, d.now, (c) => {
        for (const p of picks) c.put("picks", p);
      }),
    );
  }
  return {
    columns: seen,
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
export type SeenColumns = PickColumns | null;

/** Which column holds what, as it was chosen by hand; null when nobody was asked. */
function usesOf(form: FormData): ColumnUses | null {
  const uses: ColumnUses = {};
  let asked = false;
  for (const [name, value] of form.entries()) {
    const at = /^use-(\d+)$/.exec(name);
    if (!at) continue;
    asked = true;
    const column = PICK_COLUMNS.find((c) => c === value);
    if (column) uses[column] ??= Number(at[1]);
  }
  return asked ? uses : null;
}

function nameThem(d: GardenNow, picks: readonly PickRecord[]) {
  const book = handbook();
  const plantings = new Map(d.snapshot.plantings.map((p) => [p.id, p]));
  const bedName = new Map(d.snapshot.beds.map((b) => [b.id, b.name]));
  return picks.map((pick) => {
    const planting = plantings.get(pick.plantingId)!;
    const crop = book.of(planting.cropId);
    const { netG } = netOf(pick, crop.topsShare, crop.yield.pieceG);
    return { pick, netG, kind: plantingName(planting, crop), bed: bedName.get(planting.bedId) ?? "" };
  });
}
