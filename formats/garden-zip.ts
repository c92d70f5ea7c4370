import { Unzip, UnzipInflate, UnzipPassThrough, Zip, ZipDeflate, ZipPassThrough } from "fflate";
import type { LocatedError } from "./located";

/** The garden's archive inside the zip, and where its photos lie. */
export const GARDEN_ENTRY = "garden.json";
const PHOTO_ENTRY = /^photos\/([\w-]{1,60}\.jpg)$/;

/**
 * The whole garden with its photos as one zip, piece by piece, so that photos need not all be in memory at once.
 * @param photos names, and how the bytes of one are got; null: it is gone
 */
export async function* gardenZipPieces(
  archive: string,
  photos: readonly string[],
  bytesOf: (name: string) => Uint8Array | null,
): AsyncGenerator<Uint8Array> {
  let pieces: Uint8Array[] = [];
  let fault: Error | null = null;
  const zip = new Zip((error, piece) => {
    if (error) fault = error;
    else pieces.push(piece);
  });
  const take = function* () {
    if (fault) throw fault;
    const made = pieces;
    pieces = [];
    yield* made;
  };
  const garden = new ZipDeflate(GARDEN_ENTRY, { level: 6 });
  zip.add(garden);
  const text = new TextEncoder().encode(archive);
  for (let at = 0; at < text.length; at += CHUNK) {
    garden.push(text.subarray(at, at + CHUNK), at + CHUNK >= text.length);
    yield* take();
    await othersTurn();
  }
  for (const name of photos) {
    const bytes = bytesOf(name);
    if (!bytes) continue;
    // photos are packed already
    const entry = new ZipPassThrough(`photos/${name}`);
    zip.add(entry);
    entry.push(bytes, true);
    yield* take();
    await othersTurn();
  }
  zip.end();
  yield* take();
}
const CHUNK = 1 << 18;
const othersTurn = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

export type GardenZip = { archive: string; photos: Map<string, Uint8Array> };
export type ReadZip = { ok: true; value: GardenZip } | { ok: false; errors: LocatedError[] };

/** Unpacked it is at most so large, bytes: a small zip that swells without end is given up. */
const MOST_ARCHIVE = 120_000_000;
const MOST_PHOTOS = 1_000_000_000;

/** Whether bytes begin as a zip does. */
export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** Reads a zip of a garden. Anything in it but the garden and its photos is left alone. */
export async function readGardenZip(bytes: Uint8Array): Promise<ReadZip> {
  const fault = (message: string): ReadZip => ({ ok: false, errors: [{ row: null, column: null, message }] });
  const photos = new Map<string, Uint8Array>();
  let garden: Uint8Array | null = null;
  let broken: string | null = null;
  let whole = 0;
  const unzip = new Unzip((file) => {
    const photo = PHOTO_ENTRY.exec(file.name)?.[1];
    if (file.name !== GARDEN_ENTRY && !photo) return;
    const parts: Uint8Array[] = [];
    let size = 0;
    file.ondata = (error, part, final) => {
      if (error) broken ??= `${file.name} in it is damaged`;
      if (broken) return;
      size += part.length;
      whole += part.length;
      if (size > (photo ? MOST_ARCHIVE / 4 : MOST_ARCHIVE) || whole > MOST_PHOTOS) {
        broken = `${file.name} in it is larger than any garden’s`;
        return;
      }
      parts.push(part);
      if (!final) return;
      if (photo) photos.set(photo, joined(parts, size));
      else garden = joined(parts, size);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  unzip.register(UnzipPassThrough);
  try {
    for (let at = 0; at < bytes.length && !broken; at += CHUNK) {
      unzip.push(bytes.subarray(at, at + CHUNK), at + CHUNK >= bytes.length);
      await othersTurn();
    }
  } catch {
    return fault("this zip is damaged or cut short");
  }
  if (broken) return fault(broken);
  if (!garden) return fault(`there is no ${GARDEN_ENTRY} in this zip: it is not one of Akmedon’s, or it is cut short`);
  return { ok: true, value: { archive: new TextDecoder().decode(garden), photos } };
}

function joined(parts: readonly Uint8Array[], size: number): Uint8Array {
  const all = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}
