import { createRequestHandler, RouterContextProvider, type ServerBuild } from "react-router";

/** The pages that are opened most. */
const PAGES = ["/", "/walk", "/rounds", "/picks", "/picks/new", "/keep", "/season", "/plot", "/weather"];
/** So often each is drawn until the engine has compiled what it runs through. */
const TIMES = 3;

/**
 * Draws the main pages a few times for nobody, one at a time and with room between them for whoever asks meanwhile: the
 * first visitor of the day does not wait for the machine to get going.
 */
export async function warmUp(build: ServerBuild): Promise<void> {
  const answer = createRequestHandler(build, "production");
  for (let time = 0; time < TIMES; time++)
    for (const page of PAGES) {
      const drawn = await answer(new Request(`http://127.0.0.1${page}`), new RouterContextProvider());
      await drawn.text();
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
}
