import type { RequestHandler } from "express";

let asked = 0;
const LOOK_MS = 20;
/** A stream may stay open for hours: after so long what can wait goes on all the same, ms. */
const MOST_MS = 5000;

/** Counts who waits for an answer. */
export const counted: RequestHandler = (_req, res, next) => {
  asked += 1;
  res.once("close", () => {
    asked -= 1;
  });
  next();
};

/** Lets whoever asks go first: resolves once nobody waits for an answer. */
export async function quiet(): Promise<void> {
  const until = performance.now() + MOST_MS;
  do await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  while (asked > 0 && performance.now() < until);
}
