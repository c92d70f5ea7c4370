import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, statSync } from "node:fs";
import { homedir } from "node:os";
import { dirname, join } from "node:path";
import pino, { type Logger } from "pino";

/** Something that went wrong: when, on which page or at which work, what was said, and where in the program. */
export type Trouble = { at: string; where: string; message: string; stack: string };

/** A log of this size begins anew; the one before it is kept beside it. */
const MOST_BYTES = 1_000_000;
const MOST_WORDS = 600;
const MOST_STACK = 4000;

const fileOf = (dataDir: string): string => join(dataDir, "logs", "troubles.jsonl");
const loggers = new Map<string, Logger>();

/** A text without the folders of this machine: they are nobody's business but its owner's. */
function withoutFolders(text: string, dataDir: string): string {
  const root = process.env.AKMEDON_ROOT ?? process.cwd();
  return [dataDir, root, homedir()]
    .filter((folder) => folder.length > 1)
    .reduce((t, folder) => t.replaceAll(folder, "…"), text);
}

/**
 * Writes down what went wrong, in the garden's own folder. It never throws: a full disk must not hide the first fault.
 * @param where a page's path without its query, or the name of the work
 */
export function noteTrouble(dataDir: string, where: string, error: unknown): void {
  const { message, stack } = error instanceof Error ? error : { message: String(error), stack: "" };
  try {
    loggerOf(dataDir).error({
      where: where.slice(0, 200),
      message: withoutFolders(message, dataDir).slice(0, MOST_WORDS),
      stack: withoutFolders(stack ?? "", dataDir).slice(0, MOST_STACK),
    });
  } catch {
    // nowhere to write it to: what failed first is still told by whoever calls
  }
}

function loggerOf(dataDir: string): Logger {
  const file = fileOf(dataDir);
  const full = existsSync(file) && statSync(file).size > MOST_BYTES;
  const known = loggers.get(dataDir);
  if (known && !full && existsSync(file)) return known;
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  if (full) renameSync(file, `${file}.1`);
  const made = pino(
    { base: null, timestamp: () => `,"at":"${new Date().toISOString()}"` },
    pino.destination({ dest: file, sync: true, mode: 0o600 }),
  );
  loggers.set(dataDir, made);
  return made;
}

/** What went wrong of late, latest first. @param most so many at most */
export function listTroubles(dataDir: string, most: number): Trouble[] {
  const file = fileOf(dataDir);
  const lines = [`${file}.1`, file].flatMap((f) => (existsSync(f) ? readFileSync(f, "utf8").split("\n") : []));
  return lines
    .flatMap((line): Trouble[] => {
      try {
        const { at, where, message, stack } = JSON.parse(line) as Trouble;
        return [{ at, where, message, stack }];
      } catch {
        return [];
      }
    })
    .reverse()
    .slice(0, most);
}

/** Forgets all that went wrong. */
export function clearTroubles(dataDir: string): void {
  loggers.delete(dataDir);
  for (const file of [fileOf(dataDir), `${fileOf(dataDir)}.1`]) rmSync(file, { force: true });
}
