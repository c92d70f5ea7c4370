import { randomBytes, type ScryptOptions, scrypt, scryptSync, timingSafeEqual } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { sessionRegister } from "#db/sessions";

/** What is kept of a passphrase: never itself, only a slow hash. */
export type Lock = { salt: string; hash: string };

export const LEAST_LENGTH = 8;
const file = (dataDir: string) => join(dataDir, "home-network.json");
/** scrypt with 32 MiB of memory and about a tenth of a second: too slow for guessing, quick enough for one sign-in. */
const SLOW: ScryptOptions = { N: 32_768, r: 8, p: 1, maxmem: 64 * 1024 * 1024 };
const slowHash = (passphrase: string, salt: string): Buffer =>
  scryptSync(passphrase.normalize("NFKC"), Buffer.from(salt, "hex"), 32, SLOW);

/** The lock of a garden's folder; null when no passphrase was ever set. */
export const findLock = (dataDir: string): Lock | null =>
  existsSync(file(dataDir)) ? (JSON.parse(readFileSync(file(dataDir), "utf8")) as Lock) : null;

/**
 * Sets the passphrase of a garden's folder; everyone signed in before is signed out.
 * Throws RangeError when it is shorter than eight characters.
 */
export function setLock(dataDir: string, passphrase: string): Lock {
  if (passphrase.trim().length < LEAST_LENGTH)
    throw new RangeError(`the passphrase wants at least ${LEAST_LENGTH} characters`);
  const salt = randomBytes(16).toString("hex");
  const lock = { salt, hash: slowHash(passphrase, salt).toString("hex") };
  mkdirSync(dataDir, { recursive: true });
  writeFileSync(file(dataDir), JSON.stringify(lock), { mode: 0o600, flush: true });
  const register = sessionRegister(dataDir);
  register.endAll();
  register.close();
  return lock;
}

/** Whether a passphrase opens a lock. Takes the same time either way, and others are served meanwhile. */
export const opens = (lock: Lock, passphrase: string): Promise<boolean> =>
  new Promise((resolve, reject) => {
    scrypt(passphrase.normalize("NFKC"), Buffer.from(lock.salt, "hex"), 32, SLOW, (error, hash) =>
      error ? reject(error) : resolve(timingSafeEqual(hash, Buffer.from(lock.hash, "hex"))),
    );
  });

/** Counts wrong tries, by where they come from and altogether. */
export function tryCounter(most = 5, mostTogether = 40, windowMs = 15 * 60_000) {
  let tries: { from: string; at: number }[] = [];
  return {
    /** whether another try is allowed now */
    allowed(from: string, nowMs: number): boolean {
      tries = tries.filter((t) => nowMs - t.at < windowMs);
      return tries.length < mostTogether && tries.filter((t) => t.from === from).length < most;
    },
    wrong(from: string, nowMs: number): void {
      tries.push({ from, at: nowMs });
    },
    right(from: string): void {
      tries = tries.filter((t) => t.from !== from);
    },
  };
}
