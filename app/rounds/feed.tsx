import { instantOf } from "#core/calendar/zone";
import { findFeed, isFeedKey } from "#db/feed";
import { writeGardenIcs } from "#formats/garden-ics";
import { missing } from "../server/forms.server";
import { dataDir, gardenNow } from "../server/garden-now.server";
import type { Route } from "./+types/feed";
import { feedEvents } from "./feed.server";

/** The garden's calendar by its secret address; any other address is not there. */
export function loader({ params }: Route.LoaderArgs) {
  const feed = findFeed(dataDir());
  const key = params.file.endsWith(".ics") ? params.file.slice(0, -4) : params.file;
  if (!feed || !isFeedKey(feed, key)) throw missing("calendar");
  const d = gardenNow();
  const { garden } = d.snapshot;
  const text = writeGardenIcs(garden.name, garden.timeZone, feedEvents(d, feed), instantOf(d.now, garden.timeZone));
  return new Response(text, {
    headers: { "Content-Type": "text/calendar; charset=utf-8", "Cache-Control": "private, max-age=900" },
  });
}
