import { data } from "react-router";
import type { Route } from "./+types/nowhere";

/** Every address that no page has. */
export function loader({ request }: Route.LoaderArgs) {
  throw data({ message: `There is no page at ${new URL(request.url).pathname}.` }, { status: 404 });
}

export default function Nowhere() {
  return null;
}
