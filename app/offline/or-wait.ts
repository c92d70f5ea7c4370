import { enqueue, freshId } from "./queue";
import { unreachable } from "./unreachable";

/** Where a change goes and what it is called while it waits. */
export type ToWait = { path: string; label: string; leave?: readonly string[] };

/**
 * Sends a change to the server; without a signal it waits on the device and is sent by itself.
 * @param item what it is called; `leave`: fields that only say where to go afterwards
 * @returns the server's answer; null: it waits
 */
export async function orWait<T>(
  request: Request,
  toServer: () => Promise<T>,
  item: (form: FormData) => ToWait | Promise<ToWait>,
): Promise<T | null> {
  const form = await request.clone().formData();
  try {
    return await toServer();
  } catch (error) {
    if (!unreachable(error)) throw error;
    const { path, label, leave = ["then"] } = await item(form);
    await enqueue({
      id: String(form.get("id") || freshId()),
      path,
      label,
      fields: [...form.entries()].filter(
        ([name, value]) => !leave.includes(name) && (typeof value === "string" || value.size > 0),
      ),
    });
    return null;
  }
}
