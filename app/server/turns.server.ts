import type { Route } from "../+types/root";

let writing: Promise<unknown> = Promise.resolve();

/**
 * Work of a thread that writes much at once. Until it is done no other change of the garden begins: it would hold up
 * this thread, and with it every page that is only read.
 */
export function exclusively<T>(work: () => Promise<T>): Promise<T> {
  const mine = writing.then(work);
  writing = mine.catch(() => null);
  return mine;
}

/** Lets what changes the garden wait for its turn; what is only read never waits. */
export const writesInOrder: Route.MiddlewareFunction = async ({ request }, next) => {
  if (request.method !== "GET" && request.method !== "HEAD") await writing;
  return next();
};
