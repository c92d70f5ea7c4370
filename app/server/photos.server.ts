import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { MOST_PHOTOS, PHOTO_NAME } from "#core/garden/photos";
import { diskFull, isDiskFull, newId } from "#db/change";

const MOST_BYTES = 20 * 1024 * 1024;
/** Longest side a photo is kept at, px: enough to tell a spot from a bite. */
const LONGEST_PX = 1600;

const folder = (): string => join(process.env.AKMEDON_DATA ?? join(process.cwd(), "data", "garden"), "photos");

/** The photos of a form, empty file fields left out. */
export const photosOf = (form: FormData): File[] =>
  form.getAll("photo").filter((f): f is File => f instanceof File && f.size > 0);

/**
 * Keeps photos in the garden's folder: turned upright, made smaller, and written anew as JPEG, so that neither the
 * position nor anything else the camera noted stays in them. All of them or none.
 * @returns their file names, or what is wrong
 */
export async function keepPhotos(
  files: readonly File[],
): Promise<{ ok: true; names: string[] } | { ok: false; message: string }> {
  if (files.length > MOST_PHOTOS) return { ok: false, message: `at most ${MOST_PHOTOS} photos at a time` };
  const large = files.find((f) => f.size > MOST_BYTES);
  if (large) return { ok: false, message: `the photo “${large.name}” is larger than 20 MB` };
  if (files.length === 0) return { ok: true, names: [] };
  // loaded only when there is a photo: the picture library is large
  const { default: sharp } = await import("sharp");
  const made: { name: string; bytes: Buffer }[] = [];
  for (const file of files) {
    try {
      const bytes = await sharp(Buffer.from(await file.arrayBuffer()), { limitInputPixels: 120_000_000 })
        .rotate()
        .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: "inside", withoutEnlargement: true })
        .jpeg({ quality: 82 })
        .toBuffer();
      made.push({ name: `${newId()}.jpg`, bytes });
    } catch {
      return { ok: false, message: `“${file.name}” could not be read as a photo` };
    }
  }
  try {
    mkdirSync(folder(), { recursive: true });
    for (const { name, bytes } of made) {
      const path = join(folder(), name);
      writeFileSync(`${path}.part`, bytes, { flush: true });
      renameSync(`${path}.part`, path);
    }
  } catch (error) {
    throw isDiskFull(error) ? diskFull() : error;
  }
  return { ok: true, names: made.map((m) => m.name) };
}

/** A kept photo's bytes; null when there is none of that name. */
export function photoBytes(name: string): Buffer | null {
  if (!PHOTO_NAME.test(name)) return null;
  const path = join(folder(), name);
  return existsSync(path) ? readFileSync(path) : null;
}
