import { existsSync, mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { archiveOf, restoreArchive } from "#db/archive";
import { gardenOf, nowAt } from "#db/garden";
import { writeGardenTo } from "#db/garden-out";
import { backupTo, type Db } from "#db/open";
import { readArchive, writeArchive } from "#formats/archive";
import { isZip, readGardenZip } from "#formats/garden-zip";
import type { LocatedError } from "#formats/located";

const photoFile = (dataDir: string, name: string): string => join(dataDir, "photos", name);

/** Writes the whole garden: as JSON, or, into a file called ….zip, with its photos. */
export async function exportGarden(db: Db, dataDir: string, file: string | undefined): Promise<void> {
  if (!file || file === "-") process.stdout.write(writeArchive(archiveOf(db)));
  else await writeGardenTo(file, file.endsWith(".zip") ? "zip" : "json", db, dataDir);
}

/** Puts an archive, JSON or zip, in the place of an open garden, which is copied first and closed afterwards. */
export async function importFile(
  db: Db,
  dataDir: string,
  bytes: Uint8Array,
  rest = false,
): Promise<{ ok: true; copy: string; notes: string[] } | { ok: false; errors: LocatedError[] }> {
  try {
    const zip = isZip(bytes) ? await readGardenZip(bytes) : null;
    if (zip && !zip.ok) return zip;
    const read = readArchive(zip ? zip.value.archive : new TextDecoder().decode(bytes), rest);
    if (!read.ok) return read;
    const copy = backupTo(db.$client, dataDir, `before-import-${Date.now()}`);
    mkdirSync(join(dataDir, "photos"), { recursive: true });
    for (const [name, photo] of zip?.value.photos ?? [])
      if (!existsSync(photoFile(dataDir, name))) writeFileSync(photoFile(dataDir, name), photo, { flush: true });
    restoreArchive(db, read.value, nowAt(gardenOf(db)));
    return { ok: true, copy, notes: read.notes };
  } finally {
    db.$client.close();
  }
}
