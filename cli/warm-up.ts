import { createRequestHandler, RouterContextProvider, type ServerBuild } from "react-router";
import { quiet } from "./quiet";

/** The pages that are opened most, and those that show the whole log. */
const PAGES = ["/", "/walk", "/rounds", "/picks/new", "/keep", "/plot", "/weather"];
const OF_ALL_SEASONS = ["/picks", "/season"];
/** So often each is drawn until the engine has compiled what it runs through. */
const TIMES = 3;
/** Set by the application while most of a long log lies unread (app/server/garden-now.server.ts). */
const served = globalThis as { akmedonReadOn?: () => boolean };

/**
 * Draws the main pages a few times for nobody, one at a time and only while nobody waits for an answer: the first visitor
 * of the day does not wait for the machine to get going. In between what is left of a long log is read, a portion at a
 * time.
 */
export async function warmUp(build: ServerBuild): Promise<void> {
  const answer = createRequestHandler(build, "production");
  const draw = async (pages: readonly string[]) => {
    for (let time = 0; time < TIMES; time++)
      for (const page of pages) {
        await quiet();
        const drawn = await answer(new Request(`http://127.0.0.1${page}`), new RouterContextProvider());
        await drawn.text();
      }
  };
  await draw(PAGES);
  do await quiet();
  while (served.akmedonReadOn?.() === false);
  await draw(OF_ALL_SEASONS);
}
