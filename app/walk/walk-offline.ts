import { redirect } from "react-router";
import { plantingName } from "#core/garden/name";
import { orWait } from "../offline/or-wait";
import { keep, readKept } from "../offline/queue";
import { showsKept } from "../offline/signal";
import { unreachable } from "../offline/unreachable";
import type { WalkSheet } from "./walk.server";

/** @property hadMs when they were had from the server, by this device's clock */
type Sheets = { at: string; hadMs: number; sheets: WalkSheet[] };
let sheets: Sheets | null = null;
/** plantings looked at since the signal went */
const done = new Set<string>();

/** Fetches every sheet of the walk while there is a signal, and keeps them on the device. */
export async function keepSheets(): Promise<void> {
  try {
    const response = await fetch("/walk-sheets");
    if (!response.ok) return;
    sheets = { ...((await response.json()) as Omit<Sheets, "hadMs">), hadMs: Date.now() };
    done.clear();
    await keep("walk-sheets", sheets);
  } catch {
    // without a signal the sheets kept before stay good
  }
}

const keptSheets = async (): Promise<Sheets | null> => {
  sheets ??= (await readKept<Sheets>("walk-sheets")) ?? null;
  return sheets;
};

/** The sheet from the server, else the kept one. */
export async function walkFallback(fromServer: () => Promise<WalkSheet>, plantingId: string): Promise<WalkSheet> {
  try {
    return await fromServer();
  } catch (error) {
    if (!unreachable(error)) throw error;
    const found = (await keptSheets())?.sheets.find((s) => s.planting.id === plantingId);
    if (!found) throw error;
    showsKept(sheets?.hadMs ?? null);
    return { ...found, next: nextKept(plantingId) };
  }
}

function nextKept(plantingId: string): string | null {
  const all = sheets?.sheets ?? [];
  const at = all.findIndex((s) => s.planting.id === plantingId);
  const open = (s: WalkSheet) => !done.has(s.planting.id) && s.todays.length === 0 && s.planting.id !== plantingId;
  return [...all.slice(at + 1), ...all.slice(0, Math.max(0, at))].find(open)?.planting.id ?? null;
}

/** Local time at the garden: the server's when the sheet was made, and what has passed on this device since. */
export function timeSince(serverNow: string, loadedAtMs: number): string {
  const [day, clock] = serverNow.split("T") as [string, string];
  const [hour, minute] = clock.split(":").map(Number) as [number, number];
  const passed = Math.max(0, Math.floor((Date.now() - loadedAtMs) / 60_000));
  const total = Math.min(24 * 60 - 1, hour * 60 + minute + passed);
  return `${day}T${String(Math.floor(total / 60)).padStart(2, "0")}:${String(total % 60).padStart(2, "0")}`;
}

/** Sends a look; without a signal it waits in the browser and the walk goes on to the next planting. */
export async function queueWalk<T>(request: Request, plantingId: string, toServer: () => Promise<T>): Promise<T> {
  let toPick = false;
  const answer = await orWait(request, toServer, async (form) => {
    toPick = form.get("then") === "pick";
    const sheet = (await keptSheets())?.sheets.find((s) => s.planting.id === plantingId);
    return {
      path: `/walk/${plantingId}`,
      label: `Looked at ${sheet ? plantingName(sheet.planting, sheet.crop) : "a planting"}`,
    };
  });
  done.add(plantingId);
  if (answer !== null) return answer;
  if (toPick) throw redirect(`/picks/new?planting=${plantingId}`);
  const next = nextKept(plantingId);
  throw redirect(next ? `/walk/${next}` : "/walk");
}
