import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { db } from "./server/garden-now.server";

/**
 * For tests: a garden of the file's own that the modules of `app/server` serve in this process.
 * @param fill puts something into its folder before it is opened
 */
export function gardenInProcess(fill: (dataDir: string) => unknown = () => null): { dir: string; end(): void } {
  const before = process.env.AKMEDON_DATA;
  const dir = mkdtempSync(join(tmpdir(), "akmedon-in-process-"));
  process.env.AKMEDON_DATA = dir;
  fill(dir);
  return {
    dir,
    end() {
      db().$client.close();
      delete (globalThis as { akmedonDb?: unknown }).akmedonDb;
      if (before === undefined) delete process.env.AKMEDON_DATA;
      else process.env.AKMEDON_DATA = before;
      rmSync(dir, { recursive: true, force: true });
    },
  };
}
