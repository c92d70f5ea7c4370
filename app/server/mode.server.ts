export type Mode = "paper" | "sunlight";

/** The look chosen on this device, from its cookie. */
export const modeOf = (request: Request): Mode =>
  /(?:^|;\s*)ak-mode=sunlight(?:;|$)/.test(request.headers.get("Cookie") ?? "") ? "sunlight" : "paper";
