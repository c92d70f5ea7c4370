/** The cache of pages' data, and the address of the document that stands in for every page without a signal. */
export const PAGES = "pages";
export const SHELL = "/shell";

/** Addresses that are files or doors, not pages of the garden. */
export const NO_DOCUMENT = /^\/(out|feed|photos|sign-in|sign-out|trust|for)(\/|$)/;

/** Parts of an address that only say what was just done. */
const PASSING = ["_routes", "done", "said", "index"];

/**
 * Where the whole of a page's data is had and kept, whichever part of it was asked for.
 *
 * @example wholeAddress("/walk/p1?done=7") // "/walk/p1.data"
 * @example wholeAddress("/") // "/_.data"
 * @example wholeAddress("/picks/new.data?planting=p1&_routes=routes%2Fpick") // "/picks/new.data?planting=p1"
 */
export function wholeAddress(page: string): string {
  const url = new URL(page, "http://garden");
  const name = url.pathname.replace(/\.data$/, "").replace(/\/$/, "");
  for (const passing of PASSING) url.searchParams.delete(passing);
  const query = url.searchParams.toString();
  return `${name === "" ? "/_" : name}.data${query ? `?${query}` : ""}`;
}
