import { parse, serialize } from "cookie";
import { LOOKS, type Look } from "../ui/theme/looks";

const COOKIE = "ak-mode";
const YEAR_S = 365 * 24 * 3600;

/** The header that keeps a look on this device for a year. */
export const keepMode = (look: Look): string =>
  serialize(COOKIE, look, { path: "/", maxAge: YEAR_S, sameSite: "lax", httpOnly: true });

/** The look chosen on this device, from its cookie; "device" where none is: its own wish for light or dark. */
export const modeOf = (request: Request): Look => {
  const asked = parse(request.headers.get("Cookie") ?? "")[COOKIE];
  return LOOKS.find((look) => look === asked) ?? "device";
};
