import { randomBytes, timingSafeEqual } from "node:crypto";
import { existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";

/** Secret addresses for stand-ins, by the trip that each is for. Like the calendar's key, no part of the garden's data. */
const linksSchema = z.record(z.string().max(60), z.string().regex(/^[\w-]{32}$/));
type Links = z.infer<typeof linksSchema>;

const file = (dataDir: string): string => join(dataDir, "stand-in.json");

function links(dataDir: string): Links {
  if (!existsSync(file(dataDir))) return {};
  try {
    return linksSchema.parse(JSON.parse(readFileSync(file(dataDir), "utf8")));
  } catch {
    // a damaged file opens nothing
    return {};
  }
}

function write(dataDir: string, all: Links): void {
  writeFileSync(`${file(dataDir)}.part`, JSON.stringify(all), { mode: 0o600, flush: true });
  renameSync(`${file(dataDir)}.part`, file(dataDir));
}

/** The key of a trip's stand-in; null: none was made. */
export const standInKey = (dataDir: string, tripId: string): string | null =>
  Object.hasOwn(links(dataDir), tripId) ? links(dataDir)[tripId]! : null;

/** Makes a trip's stand-in a new key: an older one opens nothing from then on. */
export function renewStandInKey(dataDir: string, tripId: string): string {
  const key = randomBytes(24).toString("base64url");
  write(dataDir, { ...links(dataDir), [tripId]: key });
  return key;
}

/** Takes a trip's key away. */
export function closeStandIn(dataDir: string, tripId: string): void {
  const { [tripId]: _, ...others } = links(dataDir);
  write(dataDir, others);
}

/** Which trip a key is for; null for any other key. */
export function tripOfKey(dataDir: string, key: string): string | null {
  const given = Buffer.from(key);
  for (const [tripId, known] of Object.entries(links(dataDir))) {
    const own = Buffer.from(known);
    if (own.length === given.length && timingSafeEqual(own, given)) return tripId;
  }
  return null;
}
