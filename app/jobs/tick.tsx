import { orWait } from "../offline/or-wait";
import { formOf, typedOf } from "../server/forms.server";
import type { Route } from "./+types/tick";
import { tickOff } from "./tick.server";

/** Ticks a step of a list off, or takes the tick away. */
export const action = async ({ request }: Route.ActionArgs) => tickOff(typedOf(await formOf(request)));

/** Without a signal the tick waits in the browser. */
export const clientAction = async ({ request, serverAction }: Route.ClientActionArgs) =>
  (await orWait(
    request,
    () => serverAction(),
    (form) => ({ path: "/tick", label: form.get("done") === "no" ? "A tick taken away" : "Ticked off", leave: [] }),
  )) ?? { ok: true };
