import { formOf } from "../server/forms.server";
import type { Route } from "./+types/waiting";
import { takeWaiting } from "./waiting.server";

/** The door for changes that waited on a device for the signal: one change in, taken or refused out, as JSON. */
export const action = async ({ request }: Route.ActionArgs) => Response.json(await takeWaiting(await formOf(request)));

/** There is nothing to see at this door. */
export const loader = () => new Response("Changes that waited are sent here.", { status: 405 });
