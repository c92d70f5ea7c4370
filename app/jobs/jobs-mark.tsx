import { orWait } from "../offline/or-wait";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import type { Route } from "./+types/jobs-mark";
import { markJob } from "./jobs.server";

/** Marks a job done, left out or not wanted, or takes such a mark back. */
export const action = async ({ request }: Route.ActionArgs) => markJob(gardenNow(), typedOf(await formOf(request)));

/** Without a signal the mark waits in the browser. */
export const clientAction = async ({ request, serverAction }: Route.ClientActionArgs) =>
  (await orWait(
    request,
    () => serverAction(),
    () => ({ path: "/jobs/mark", label: "A job marked", leave: [] }),
  )) ?? { ok: true };
