import { isRouteErrorResponse } from "react-router";

const DISK_FULL = 507;

/** Whether an error says that the server could not be reached, or could not write: then what was sent waits here. */
export const unreachable = (error: unknown): boolean =>
  error instanceof TypeError || (isRouteErrorResponse(error) && error.status === DISK_FULL) || !navigator.onLine;

/** What browsers call a request that reached nobody; a page's own fault is a TypeError too, but not of this name. */
const REACHED_NOBODY = /failed to fetch|load failed|networkerror/i;

/** Whether a page could not be opened because nobody was reached. */
export const reachedNobody = (error: unknown): boolean =>
  error instanceof TypeError && REACHED_NOBODY.test(error.message);
