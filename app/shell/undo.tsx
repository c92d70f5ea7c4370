import { redirect } from "react-router";
import { undo } from "#db/change";
import { gardenOf, nowAt } from "#db/garden";
import { formOf } from "../server/forms.server";
import { db } from "../server/garden-now.server";
import { safePath, withoutDone } from "../server/safe-path";
import type { Route } from "./+types/undo";

/** Takes the last change back, or says why it cannot be. */
export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  const back = withoutDone(safePath(form.get("back")));
  const result = undo(db(), String(form.get("id") ?? ""), nowAt(gardenOf(db())));
  const mark = result.ok ? `done=${result.id}` : `said=${encodeURIComponent(result.message)}`;
  return redirect(`${back}${back.includes("?") ? "&" : "?"}${mark}`);
}
