import { redirect } from "react-router";
import { formOf, missing } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import type { Route } from "./+types/walk-planting";
import { logLook } from "./look-action.server";
import { walkSheet } from "./walk.server";
import { WalkForm } from "./walk-form";
import { queueWalk, walkFallback } from "./walk-offline";

export function loader({ params }: Route.LoaderArgs) {
  const d = gardenNow();
  const sheet = walkSheet(d, params.plantingId);
  if (sheet) return sheet;
  // closed, or not begun yet: its own page says so
  if (d.snapshot.plantings.some((p) => p.id === params.plantingId))
    throw redirect(`/plot/plantings/${params.plantingId}`);
  throw missing("growing planting");
}

/** Without a signal the sheet kept in the page stands in. */
export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs) =>
  walkFallback(() => serverLoader(), params.plantingId);

/** Without a signal the readings wait in the browser, and the walk goes on. */
export const clientAction = ({ request, params, serverAction }: Route.ClientActionArgs) =>
  queueWalk(request, params.plantingId, () => serverAction());

export const action = async ({ request, params }: Route.ActionArgs) =>
  logLook(await formOf(request), params.plantingId);

export const meta: Route.MetaFunction = () => [{ title: "Walk · Akmedon" }];

export default function WalkPlanting({ loaderData, actionData }: Route.ComponentProps) {
  // a new planting begins with a clean sheet
  return (
    <WalkForm
      key={loaderData.planting.id}
      data={loaderData}
      faults={actionData && "errors" in actionData ? actionData : null}
    />
  );
}
