import { createReadStream, mkdtempSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createReadableStreamFromReadable } from "@react-router/node";
import { gardenOf, nowAt } from "#db/garden";
import type { WayOut } from "#db/garden-out";
import { inBackupThread } from "../server/backups.server";
import { db } from "../server/garden-now.server";

const TYPES: Record<WayOut, string> = { json: "application/json; charset=utf-8", zip: "application/zip" };

/** The whole garden as a file to take away, written in a thread of its own so that nobody waits for it. */
export async function gardenOut(way: WayOut): Promise<Response> {
  const day = nowAt(gardenOf(db())).slice(0, 10);
  const aside = mkdtempSync(join(tmpdir(), "akmedon-out-"));
  const gone = () => rmSync(aside, { recursive: true, force: true });
  try {
    const file = join(aside, "garden");
    const written = await inBackupThread((dataDir) => ({ what: "out", dataDir, way, file }));
    if (!written.ok) throw Response.json({ message: written.message }, { status: 507 });
    const { size } = statSync(file);
    const stream = createReadStream(file);
    stream.once("close", gone);
    return new Response(createReadableStreamFromReadable(stream), {
      headers: {
        "Content-Type": TYPES[way],
        "Content-Length": String(size),
        "Content-Disposition": `attachment; filename="garden-${day}.${way}"`,
      },
    });
  } catch (error) {
    gone();
    throw error;
  }
}
