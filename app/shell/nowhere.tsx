import { data } from "react-router";
import type { Route } from "./+types/nowhere";

/** Every address that no page has. */
export function loader({ url }: Route.LoaderArgs) {
  throw data({ message: `There is no page at ${url.pathname}.` }, { status: 404 });
}

export default function Nowhere() {
  return null;
}
