import { createHmac, randomBytes, scryptSync, timingSafeEqual } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

/** What is kept of a passphrase: never itself, only a slow hash, and the secret that sessions are signed with. */
export type Lock = { salt: string; hash: string; secret: string };

export const LEAST_LENGTH = 8;
/** Days a sign-in holds. */
const SESSION_DAYS = 30;

const file = (dataDir: string) => join(dataDir, "home-network.json");
/** scrypt with 32 MiB of memory and about a tenth of a second: too slow for guessing, quick enough for one sign-in. */
const slowHash = (passphrase: string, salt: string): Buffer =>
  scryptSync(passphrase.normalize("NFKC"), Buffer.from(salt, "hex"), 32, {
    N: 32_768,
    r: 8,
    p: 1,
    maxmem: 64 * 1024 * 1024,
  });

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
  const lock = { salt, hash: slowHash(passphrase, salt).toString("hex"), secret: randomBytes(32).toString("hex") };
  mkdirSync(dataDir, { recursive: true });
  writeFileSync(file(dataDir), JSON.stringify(lock), { mode: 0o600, flush: true });
  return lock;
}

/** Whether a passphrase opens a lock. Takes the same time either way. */
export const opens = (lock: Lock, passphrase: string): boolean =>
  timingSafeEqual(slowHash(passphrase, lock.salt), Buffer.from(lock.hash, "hex"));

const sign = (lock: Lock, text: string) => createHmac("sha256", lock.secret).update(text).digest("base64url");

/** A signed session that ends by itself. @param nowMs milliseconds since 1970 */
export function newSession(lock: Lock, nowMs: number): { value: string; maxAgeS: number } {
  const maxAgeS = SESSION_DAYS * 86_400;
  const text = `${nowMs + maxAgeS * 1000}.${randomBytes(9).toString("base64url")}`;
  return { value: `${text}.${sign(lock, text)}`, maxAgeS };
}

/** Whether a session was signed with this lock and has not ended. */
export function isSession(lock: Lock, value: string | undefined, nowMs: number): boolean {
  const cut = value?.lastIndexOf(".") ?? -1;
  if (!value || cut < 0) return false;
  const text = value.slice(0, cut);
  const given = Buffer.from(value.slice(cut + 1));
  const right = Buffer.from(sign(lock, text));
  return given.length === right.length && timingSafeEqual(given, right) && Number(text.split(".")[0]) > nowMs;
}

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
