import { z } from "zod";
import { noteTrouble } from "#db/troubles";
import { formOf, typedOf } from "../server/forms.server";
import { dataDir } from "../server/garden-now.server";
import type { Route } from "./+types/trouble";

const troubleSchema = z.object({
  where: z.string().max(200),
  message: z.string().min(1).max(600),
  stack: z.string().max(4000).default(""),
});
/** A page that fails over and over must not fill the disk. */
const MOST_AN_HOUR = 60;
let hour = 0;
let told = 0;

/** What went wrong in a browser, told by its page. */
export async function action({ request }: Route.ActionArgs) {
  const checked = troubleSchema.safeParse(typedOf(await formOf(request)));
  const now = Math.floor(Date.now() / 3_600_000);
  if (now !== hour) [hour, told] = [now, 0];
  told += 1;
  if (checked.success && told <= MOST_AN_HOUR) {
    const { where, message, stack } = checked.data;
    noteTrouble(dataDir(), `in the browser, ${where}`, Object.assign(new Error(message), { stack }));
  }
  return new Response(null, { status: 204 });
}
