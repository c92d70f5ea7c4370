import { Readable } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { archiveOf } from "#db/archive";
import { gardenOf, nowAt } from "#db/garden";
import { writeArchive } from "#formats/archive";
import { gardenZipPieces } from "#formats/garden-zip";
import { db } from "../server/garden-now.server";
import { photoBytes } from "../server/photos.server";

/** The whole garden with the photos of its looks and picks as one zip. */
export function loader() {
  const day = nowAt(gardenOf(db())).slice(0, 10);
  const archive = archiveOf(db());
  const photos = [...new Set([...archive.checks, ...archive.picks].flatMap((x) => x.photos))];
  const pieces = gardenZipPieces(writeArchive(archive), photos, photoBytes);
  return new Response(createReadableStreamFromReadable(Readable.from(pieces)), {
    headers: {
      "Content-Type": "application/zip",
      "Content-Disposition": `attachment; filename="garden-${day}.zip"`,
    },
  });
}
