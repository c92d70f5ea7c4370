import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { dataDir } from "../garden-now.server";

/** The folder into which devices lay their files, made when it is missing. */
export function inboxOf(): string {
  const folder = join(dataDir(), "inbox");
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}
