import { randomBytes, timingSafeEqual } from "node:crypto";
import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import { FEED_PARTS, type FeedPart } from "#formats/feed-parts";

/** The garden's calendar by a secret address: its key, what it holds, how many minutes ahead a round calls. */
export const feedSchema = z.object({
  key: z.string().regex(/^[\w-]{32}$/),
  parts: z.array(z.enum(FEED_PARTS)),
  alarm: z.number().int().min(0).max(2880).nullable(),
});
export type Feed = z.infer<typeof feedSchema>;

const file = (dataDir: string): string => join(dataDir, "calendar.json");

/** The calendar of a garden's folder; null when there is none. It is no part of the garden's data: its key opens it. */
export function findFeed(dataDir: string): Feed | null {
  if (!existsSync(file(dataDir))) return null;
  try {
    const read = feedSchema.safeParse(JSON.parse(readFileSync(file(dataDir), "utf8")));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** Opens the calendar, or changes what it holds. @param fresh whether it gets a new address: the old one is dead then */
export function setFeed(dataDir: string, parts: readonly FeedPart[], alarm: number | null, fresh: boolean): Feed {
  const known = fresh ? null : findFeed(dataDir);
  const feed = feedSchema.parse({ key: known?.key ?? randomBytes(24).toString("base64url"), parts, alarm });
  writeFileSync(`${file(dataDir)}.part`, JSON.stringify(feed), { mode: 0o600, flush: true });
  renameSync(`${file(dataDir)}.part`, file(dataDir));
  return feed;
}

/** Closes the calendar: its address answers nobody any more. */
export const closeFeed = (dataDir: string): void => rmSync(file(dataDir), { force: true });

/** Whether a key is the calendar's own; takes as long for a wrong one. */
export function isFeedKey(feed: Feed | null, key: string): boolean {
  if (!feed) return false;
  const [a, b] = [Buffer.from(feed.key), Buffer.from(key)];
  return a.length === b.length && timingSafeEqual(a, b);
}
