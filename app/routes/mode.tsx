import { redirect } from "react-router";
import { formOf } from "../server/forms.server";
import { modeOf } from "../server/mode.server";
import { safePath } from "../server/safe-path.server";
import type { Route } from "./+types/mode";

/** Switches between paper and sunlight on this device. */
export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  const next = modeOf(request) === "paper" ? "sunlight" : "paper";
  return redirect(safePath(form.get("back")), {
    headers: { "Set-Cookie": `ak-mode=${next}; Path=/; Max-Age=31536000; SameSite=Lax; HttpOnly` },
  });
}
