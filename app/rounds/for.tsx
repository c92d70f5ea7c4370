import { data } from "react-router";
import { formOf, typedOf } from "../server/forms.server";
import { nonceOf } from "../server/nonce.server";
import type { Route } from "./+types/for";
import { logStandIn, standInByKey, standInEntries } from "./stand-in.server";
import { standInDocument } from "./stand-in-page.server";

const HEADERS = {
  "Content-Type": "text/html; charset=utf-8",
  "Cache-Control": "private, no-store",
};

/** Whatever the address is, a wrong one tells nothing. */
function opened(key: string) {
  const found = standInByKey(key);
  if (!found) throw data("There is nothing at this address.", { status: 404 });
  if ("closed" in found)
    throw new Response(found.closed, { status: 403, headers: { "Content-Type": "text/plain; charset=utf-8" } });
  return found.view;
}

/** A stand-in's own sheet by its secret address: his rounds, how to pick, what to leave alone, and boxes for what he got. */
export function loader({ params, context, url }: Route.LoaderArgs) {
  const view = opened(params.key);
  const logged = Number(url.searchParams.get("logged"));
  const said =
    logged > 0 ? `Thank you. ${logged === 1 ? "One entry is" : `${logged} entries are`} in the garden’s log.` : "";
  return new Response(standInDocument(view, { kind: "link", nonce: nonceOf(context), typed: {}, faults: {}, said }), {
    headers: HEADERS,
  });
}

/** Logs what the stand-in got, under his name. */
export async function action({ params, context, request }: Route.ActionArgs) {
  const view = opened(params.key);
  const form = await formOf(request);
  const { logged, faults } = logStandIn(view, standInEntries(view, form));
  if (Object.keys(faults).length === 0)
    return new Response(null, { status: 303, headers: { Location: `/for/${params.key}?logged=${logged}` } });
  const said = `${logged > 0 ? `${logged} ${logged === 1 ? "entry is" : "entries are"} in the log. ` : ""}Look at what is marked.`;
  return new Response(
    standInDocument(opened(params.key), {
      kind: "link",
      nonce: nonceOf(context),
      typed: typedOf(form),
      faults,
      said,
    }),
    { status: 422, headers: HEADERS },
  );
}
