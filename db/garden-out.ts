import { createWriteStream, existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { writeArchive } from "#formats/archive";
import { gardenZipPieces } from "#formats/garden-zip";
import { archiveOf } from "./archive";
import type { Db } from "./open";

/** How a whole garden leaves: its archive alone, or with the photos of its looks and picks. */
export type WayOut = "json" | "zip";

/** Writes the whole garden into a file, which is there whole or not at all. */
export async function writeGardenTo(file: string, way: WayOut, db: Db, dataDir: string): Promise<void> {
  const archive = archiveOf(db);
  const part = `${file}.part`;
  if (way === "json") writeFileSync(part, writeArchive(archive));
  else {
    const photos = [...new Set([...archive.checks, ...archive.picks].flatMap((x) => x.photos))];
    const bytesOf = (name: string) => {
      const photo = join(dataDir, "photos", name);
      return existsSync(photo) ? readFileSync(photo) : null;
    };
    await pipeline(Readable.from(gardenZipPieces(writeArchive(archive), photos, bytesOf)), createWriteStream(part));
  }
  renameSync(part, file);
}
