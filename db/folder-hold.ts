import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";

/** A data folder that one process alone may write: a server for as long as it runs, a restore while it works. */
export type Hold = {
  /** where the holder can be reached, shown to whoever is refused */
  says(address: string): void;
  release(): void;
};

/** The folder is held by another process; `address` is where it can be reached, empty when it did not say. */
export class FolderHeld extends Error {
  constructor(readonly address: string) {
    super(
      address
        ? `This garden is being served at ${address}. Stop that server first (Ctrl-C in its terminal), then try again.`
        : "Another Akmedon is working on this garden. Wait until it has finished, or stop it, then try again.",
    );
  }
}

const lockFile = (dataDir: string): string => join(dataDir, "garden.lock");
const noteFile = (dataDir: string): string => join(dataDir, "garden.served");

/**
 * Holds a data folder. The lock is SQLite's own on a small file beside the garden, so the system lets go of it when
 * the process ends, however it ends: no stale lock after a power cut.
 * @throws FolderHeld when another process holds it
 */
export function holdFolder(dataDir: string): Hold {
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  const lock = new Database(lockFile(dataDir), { timeout: 0 });
  try {
    lock.pragma("journal_mode = DELETE");
    lock.pragma("locking_mode = EXCLUSIVE");
    lock.exec("create table if not exists held (at text); delete from held; insert into held values ('now')");
  } catch (error) {
    lock.close();
    if ((error as { code?: string }).code?.startsWith("SQLITE_BUSY")) throw new FolderHeld(addressOf(dataDir));
    throw error;
  }
  return {
    says: (address) => writeFileSync(noteFile(dataDir), address, { mode: 0o600 }),
    release() {
      rmSync(noteFile(dataDir), { force: true });
      lock.close();
    },
  };
}

function addressOf(dataDir: string): string {
  try {
    return readFileSync(noteFile(dataDir), "utf8").trim();
  } catch {
    return "";
  }
}
