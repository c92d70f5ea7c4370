import { useSyncExternalStore } from "react";

/** Narrower than this a picture is drawn for a phone: the theme's `md`. */
const NARROW = "(max-width: 47.99rem)";

/** Whether a browser says of itself that it runs on a phone; only a first guess, for what the server draws. */
export const saysPhone = (headers: Headers): boolean =>
  headers.get("Sec-CH-UA-Mobile") === "?1" || /\bMobi/.test(headers.get("User-Agent") ?? "");

const watch = (changed: () => void) => {
  const query = window.matchMedia(NARROW);
  query.addEventListener("change", changed);
  return () => query.removeEventListener("change", changed);
};

/** Whether the window is as narrow as a phone; until the browser can be asked, the server's guess. */
export const useNarrow = (guess: boolean): boolean =>
  useSyncExternalStore(
    watch,
    () => window.matchMedia(NARROW).matches,
    () => guess,
  );
