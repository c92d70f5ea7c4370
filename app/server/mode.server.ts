import { LOOKS, type Look } from "../theme/looks";

/** The look chosen on this device, from its cookie; "device" where none is: its own wish for light or dark. */
export const modeOf = (request: Request): Look => {
  const [, asked] = /(?:^|;\s*)ak-mode=([a-z]+)(?:;|$)/.exec(request.headers.get("Cookie") ?? "") ?? [];
  return LOOKS.find((look) => look === asked) ?? "device";
};
