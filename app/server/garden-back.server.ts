import { restoreArchive } from "#db/archive";
import { readArchive } from "#formats/archive";
import { isZip, readGardenZip } from "#formats/garden-zip";
import { type LocatedError, sayError } from "#formats/located";
import { db } from "./desk.server";
import { done, refuse } from "./forms.server";
import { putPhotosBack } from "./photos.server";

const MOST_BYTES = 30_000_000;
const MOST_SAID = 10;

/** Puts an archive that was sent, JSON or zip with its photos, in the garden's place; or says what is wrong with it. */
export async function bringGardenBack(file: FormDataEntryValue | null, at: string) {
  const wrong = (message: string) => refuse({ errors: { archive: message }, typed: {} });
  const faulty = (errors: readonly LocatedError[]) =>
    wrong(`${errors.slice(0, MOST_SAID).map(sayError).join("\n")}\nNothing was changed.`);
  if (!(file instanceof File) || file.size === 0) return wrong("choose an archive, a file called …zip or …json");
  if (file.size > MOST_BYTES)
    return wrong("the file is larger than 30 MB: bring it back with akmedon import, in a terminal");
  const bytes = new Uint8Array(await file.arrayBuffer());
  const zip = isZip(bytes) ? await readGardenZip(bytes) : null;
  if (zip && !zip.ok) return faulty(zip.errors);
  const read = readArchive(zip ? zip.value.archive : new TextDecoder().decode(bytes));
  if (!read.ok) return faulty(read.errors);
  if (zip) putPhotosBack(zip.value.photos);
  return done("/", restoreArchive(db(), read.value, at));
}
