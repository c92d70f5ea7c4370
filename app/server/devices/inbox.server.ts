import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { watch } from "chokidar";
import { type GardenNow, gardenNow } from "../garden-now.server";
import type { Device, FileOutcome } from "./device";
import { inboxOf } from "./inbox-folder";
import { DEVICES } from "./index.server";

/** A larger file is no device's. */
const MOST_BYTES = 31 * 1024 * 1024;
/** A file has been written whole when it has not grown for so long, ms. */
const AT_REST_MS = 1500;
const MOST_SHOWN = 20;

type Real = Extract<Device, { simulated: false }>;
const real = (): Real[] => DEVICES.filter((x): x is Real => !x.simulated);

/** What came of a file, newest first on the page. */
export type InboxLine = { file: string; at: string; ok: boolean; words: string };

/** Puts a file aside with what came of it beside it. */
function putAside(folder: string, file: string, at: string, came: FileOutcome): void {
  const to = join(folder, came.ok ? "taken" : "refused");
  mkdirSync(to, { recursive: true, mode: 0o700 });
  const stamp = at.replace(/[-:]/g, "");
  let name = `${stamp} ${file}`;
  for (let n = 2; existsSync(join(to, name)); n++) name = `${stamp} ${n} ${file}`;
  renameSync(join(folder, file), join(to, name));
  writeFileSync(join(to, `${name}.why.txt`), `${came.ok ? came.words : came.message}\n`, { mode: 0o600 });
}

/** Takes in one file of the inbox, whoever has left it; a file that no device owns stays where it is. */
export async function takeFile(d: GardenNow, file: string): Promise<FileOutcome | null> {
  const folder = inboxOf();
  const path = join(folder, file);
  const device = real().find((x) => x.owns(file, d));
  if (!device?.take || !existsSync(path) || !statSync(path).isFile()) return null;
  const came: FileOutcome =
    statSync(path).size > MOST_BYTES
      ? { ok: false, message: "it is too large" }
      : await device.take(d, file, readFileSync(path, "utf8")).catch((error: Error) => ({
          ok: false,
          message: error.message,
        }));
  putAside(folder, file, d.now, came);
  return came;
}

/** Watches the inbox from now on, and takes in what lies there already; one file after the other. */
export function watchInbox(): void {
  let last: Promise<unknown> = Promise.resolve();
  const take = (path: string) => {
    const file = path.split(/[\\/]/).at(-1)!;
    last = last.then(() => takeFile(gardenNow(), file)).catch((error) => console.error(error));
  };
  watch(inboxOf(), { depth: 0, awaitWriteFinish: { stabilityThreshold: AT_REST_MS } }).on("add", take);
}

/** The files of late, with what came of each. */
export function inboxLines(): InboxLine[] {
  const lines = (["taken", "refused"] as const).flatMap((kind) => {
    const folder = join(inboxOf(), kind);
    if (!existsSync(folder)) return [];
    return readdirSync(folder)
      .filter((name) => name.endsWith(".why.txt"))
      .map((name): InboxLine => {
        const [, day, time, file] = /^(\d{8})T(\d{4}) (?:\d+ )?(.*)\.why\.txt$/.exec(name) ?? [];
        const at = day
          ? `${day.slice(0, 4)}-${day.slice(4, 6)}-${day.slice(6)}T${time!.slice(0, 2)}:${time!.slice(2)}`
          : "";
        return { file: file ?? name, at, ok: kind === "taken", words: readFileSync(join(folder, name), "utf8").trim() };
      });
  });
  return lines.sort((a, b) => (a.at < b.at ? 1 : -1)).slice(0, MOST_SHOWN);
}
