import { data } from "react-router";
import { sayWait } from "#core/garden/words";
import { sayMass } from "#core/units/mass";
import { change } from "#db/change";
import { type LocatedError, sayError } from "#formats/located";
import { type ColumnUses, PICK_COLUMNS } from "#formats/picks-in";
import type { BroughtBack } from "../server/backup-task";
import { inBackupThread } from "../server/backups.server";
import { done, type FormFaults, refuse } from "../server/forms.server";
import { db, type GardenNow } from "../server/garden-now.server";
import { readPicksInThread } from "../server/reading.server";

const MOST_BYTES = 12_000_000;
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
  const keeps = form.get("intent") === "import";
  const token = String(form.get("token") ?? "");
  const { columns: seen, read } = await readPicksInThread(text, usesOf(form), d.today, token, keeps);
  const no = (message: string, located: LocatedError[] = []) => {
    const faults: FormFaults = { errors: { table: message }, typed: { table: text } };
    return data({ ...faults, located, columns: seen }, { status: 422 });
  };
  if (!read.ok) return no(`${read.errors.map(sayError).join("\n")}\nNothing was taken.`, read.errors);
  const { picks, count, netG, already, estimated, first, barred } = read.value;
  if (barred.length > 0) {
    const lines = barred.map((b) => `${b.kind}, ${b.bed}, on ${b.day}: ${sayWait(b.treatment)}`);
    return no(`${lines.join("\n")}\nNothing was taken: a wait that a label or a rule gives is kept.`);
  }
  const { units } = d.snapshot.garden;
  const said = `${count} ${count === 1 ? "pick" : "picks"}, ${sayMass(netG, units)}`;
  if (keeps) {
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
      rows: first.map(({ netG: each, ...row }) => ({ ...row, net: sayMass(each, units) })),
      more: count - first.length,
      table: text,
    },
  };
}

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
