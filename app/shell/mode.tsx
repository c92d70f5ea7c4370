import { redirect } from "react-router";
import { formOf } from "../server/forms.server";
import { keepMode, modeOf } from "../server/mode.server";
import { safePath } from "../server/safe-path";
import { LOOKS, nextLook } from "../ui/theme/looks";
import type { Route } from "./+types/mode";

/** Takes the look that was asked for on this device; asked for none, the next one. */
export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  const next = LOOKS.find((look) => look === form.get("look")) ?? nextLook(modeOf(request));
  return redirect(safePath(form.get("back")), {
    headers: { "Set-Cookie": keepMode(next) },
  });
}
