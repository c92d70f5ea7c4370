import { type DBSchema, type IDBPDatabase, openDB } from "idb";

/** A change that waits in the browser until the server has it. */
export type Waiting = {
  /** the change's own id: sent twice, it is kept once */
  id: string;
  /** the page or door it was meant for */
  path: string;
  fields: [string, string | File][];
  /** what the gardener did, as it is shown while it waits */
  label: string;
  /** milliseconds since 1970, for the order */
  madeAt: number;
  /** why the server would not take it; null while it has not been asked or could not be reached */
  refused: string | null;
  /** what was done meanwhile by somebody else, where that is why; null or absent otherwise */
  meanwhile?: string | null;
};

interface Schema extends DBSchema {
  waiting: { key: string; value: Waiting };
  kept: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;
const base = () => {
  opened ??= openDB<Schema>("akmedon", 1, {
    upgrade(db) {
      db.createObjectStore("waiting", { keyPath: "id" });
      db.createObjectStore("kept");
    },
  });
  return opened;
};

const changed = () => window.dispatchEvent(new Event("akmedon-waiting"));

/** A new id that also works where the page came without encryption. */
export function freshId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(12));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
}

/** Puts a change into the queue. It is on the device's disk when this resolves. */
export async function enqueue(item: Omit<Waiting, "madeAt" | "refused">): Promise<void> {
  await (await base()).put("waiting", { ...item, madeAt: Date.now(), refused: null });
  changed();
}

/** What waits, oldest first. */
export const listWaiting = async (): Promise<Waiting[]> =>
  (await (await base()).getAll("waiting")).sort((a, b) => a.madeAt - b.madeAt);

/** Throws one away that the server refused, when the gardener says so. */
export async function discard(id: string): Promise<void> {
  await (await base()).delete("waiting", id);
  changed();
}

/** Sends one again that was refused because of what happened meanwhile: the gardener wants it all the same. */
export async function insist(id: string): Promise<void> {
  const db = await base();
  const item = await db.get("waiting", id);
  if (!item) return;
  const fields = [...item.fields.filter(([name]) => name !== "seen"), ["sure", "yes"] as [string, string]];
  await db.put("waiting", { ...item, fields, refused: null, meanwhile: null });
  changed();
  await sendWaiting();
}

/** Whoever uses this page is leaving the garden: what still comes in for it is kept no more. */
let leaving = false;

/** Keeps and finds data for pages that may be opened without a signal. */
export const keep = async (name: string, value: unknown): Promise<void> => {
  const db = await base();
  if (!leaving) await db.put("kept", value, name);
};
export const readKept = async <T>(name: string): Promise<T | undefined> =>
  (await (await base()).get("kept", name)) as T | undefined;

/** Forgets every kept page, for whoever uses the device next; what waits to be sent stays. */
export async function forgetKept(): Promise<void> {
  leaving = true;
  await (await base()).clear("kept");
  if ("caches" in globalThis) for (const name of await caches.keys()) await caches.delete(name);
}

let sending: Promise<number> | null = null;

/**
 * Sends what waits, oldest first, one at a time. Taken items leave the queue; one the server will not take stays with
 * its reason; when the server cannot be reached the rest stays as it is.
 * @returns how many were taken
 */
export function sendWaiting(): Promise<number> {
  sending ??= sendAll().finally(() => {
    sending = null;
  });
  return sending;
}

/** What the door for waiting changes answers. */
export type WaitingAnswer = { taken: true } | { taken: false; refused: string; meanwhile: string | null };

async function sendAll(): Promise<number> {
  let taken = 0;
  for (const item of await listWaiting()) {
    if (item.refused) continue;
    const body = new FormData();
    for (const [name, value] of item.fields) body.append(name, value);
    body.set("to", item.path);
    body.set("id", item.id);
    body.set("agoMs", String(Date.now() - item.madeAt));
    let answer: WaitingAnswer;
    try {
      const response = await fetch("/waiting", { method: "POST", body });
      // signed out, too busy, broken: it is the door's trouble, not the change's, so it waits on
      if (!response.ok) break;
      answer = (await response.json()) as WaitingAnswer;
    } catch {
      break;
    }
    if (answer.taken) {
      await (await base()).delete("waiting", item.id);
      taken += 1;
    } else await (await base()).put("waiting", { ...item, refused: answer.refused, meanwhile: answer.meanwhile });
  }
  if (taken > 0 || (await listWaiting()).length > 0) changed();
  return taken;
}
