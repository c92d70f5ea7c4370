import { redirect } from "react-router";
import { enqueue, freshId } from "./queue";
import { unreachable } from "./walk-offline";

/** Sends a new pick; without a signal it waits in the browser. Changes to old picks want the server. */
export async function queuePick<T>(request: Request, toServer: () => Promise<T>): Promise<T> {
  const form = await request.clone().formData();
  try {
    return await toServer();
  } catch (error) {
    if (!unreachable(error)) throw error;
    const id = String(form.get("id") || freshId());
    const fields = [...form.entries()].filter(([k]) => k !== "then" && k !== "id");
    await enqueue({
      id,
      path: "/picks/new",
      fields: [...fields, ["id", id]],
      label: `Pick of ${form.get("plantingName") || "a planting"}${form.get("gross") ? `, ${form.get("gross")}` : ""}`,
      madeAt: Date.now(),
      refused: null,
    });
    throw redirect("/walk");
  }
}
