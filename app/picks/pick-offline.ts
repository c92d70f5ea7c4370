import { redirect } from "react-router";
import { orWait } from "../offline/or-wait";

/** Sends a new pick; without a signal it waits in the browser. Changes to old picks want the server. */
export async function queuePick<T>(request: Request, toServer: () => Promise<T>): Promise<T> {
  const answer = await orWait(request, toServer, (form) => ({
    path: "/picks/new",
    label: `Pick of ${form.get("plantingName") || "a planting"}${form.get("gross") ? `, ${form.get("gross")}` : ""}`,
  }));
  if (answer === null) throw redirect("/walk");
  return answer;
}
