import { type DBSchema, type IDBPDatabase, openDB } from "idb";

/** A look or a pick that waits in the browser until the server has it. */
export type Waiting = {
  /** the row's own id: sent twice, it is kept once */
  id: string;
  /** where it is sent */
  path: string;
  fields: [string, string | File][];
  /** what the gardener did, as it is shown while it waits */
  label: string;
  /** milliseconds since 1970, for the order */
  madeAt: number;
  /** why the server would not take it; null while it has not been asked or could not be reached */
  refused: string | null;
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

/** Puts a look or pick into the queue. It is on the device's disk when this resolves. */
export async function enqueue(item: Waiting): Promise<void> {
  await (await base()).put("waiting", item);
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

/** Keeps and finds data for pages that may be opened without a signal. */
export const keep = async (name: string, value: unknown): Promise<void> => {
  await (await base()).put("kept", value, name);
};
export const kept = async <T>(name: string): Promise<T | undefined> =>
  (await (await base()).get("kept", name)) as T | undefined;

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

async function sendAll(): Promise<number> {
  let taken = 0;
  for (const item of await listWaiting()) {
    if (item.refused) continue;
    const body = new FormData();
    for (const [name, value] of item.fields) body.append(name, value);
    // nobody is there to be asked again: what was entered in the garden is kept
    body.append("sure", "waited");
    let response: Response;
    try {
      response = await fetch(`${item.path}.data`.replace(/(\?[^.]*)\.data$/, ".data$1"), { method: "POST", body });
    } catch {
      break;
    }
    // a redirect after saving comes as 202, a refusal as 4xx; anything else is the server's trouble, so wait
    if (response.status === 202 || response.ok) {
      await (await base()).delete("waiting", item.id);
      taken += 1;
    } else if (response.status >= 400 && response.status < 500 && response.status !== 401 && response.status !== 429) {
      await (await base()).put("waiting", { ...item, refused: await reasonOf(response) });
    } else break;
  }
  if (taken > 0 || (await listWaiting()).length > 0) changed();
  return taken;
}

async function reasonOf(response: Response): Promise<string> {
  const text = await response.text().catch(() => "");
  const message = /"(?:form|message|[a-zA-Z]+)","([^"]{8,160})"/.exec(text)?.[1];
  return (
    message ?? (response.status === 404 ? "what it belongs to is no longer in the garden" : "the server refused it")
  );
}
