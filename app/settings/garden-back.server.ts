import type { BroughtBack } from "../server/backup-task";
import { inBackupThread } from "../server/backups.server";
import { done, refuse } from "../server/forms.server";

const MOST_BYTES = 30_000_000;

/**
 * Puts an archive that was sent, JSON or zip with its photos, in the garden's place; or says what is wrong with it. It is
 * read, checked and written in a thread of its own: nobody waits for a large one.
 */
export async function bringGardenBack(file: FormDataEntryValue | null, at: string, rest: boolean) {
  const wrong = (message: string) => refuse({ errors: { archive: message }, typed: {} });
  if (!(file instanceof File) || file.size === 0) return wrong("choose an archive, a file called …zip or …json");
  if (file.size > MOST_BYTES)
    return wrong("the file is larger than 30 MB: bring it back with akmedon import, in a terminal");
  const bytes = new Uint8Array(await file.arrayBuffer());
  const back = (await inBackupThread((dataDir) => ({ what: "archive", dataDir, bytes, at, rest }))) as BroughtBack;
  return back.ok ? done("/", back.journalId) : wrong(back.message);
}
