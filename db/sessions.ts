import { createHash, randomBytes } from "node:crypto";
import { chmodSync, existsSync, mkdirSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";

/** A device that is signed in: never the key it carries, only what it was taken for and when it last came. */
export type Session = { id: string; device: string; madeMs: number; lastMs: number };

/** Days a sign-in holds. */
export const SESSION_DAYS = 30;
const LASTS_MS = SESSION_DAYS * 86_400_000;
/** Its last use is written down at most once in so many ms. */
const NOTED_EVERY_MS = 60_000;

const file = (dataDir: string): string => join(dataDir, "sessions.sqlite");
const hashOf = (key: string): string => createHash("sha256").update(key).digest("base64url");

/** What a browser calls itself, in words a household knows its devices by. */
export function sayDevice(userAgent: string): string {
  const on = [
    [/iPhone/, "iPhone"],
    [/iPad/, "iPad"],
    [/Android.*Mobile/, "Android phone"],
    [/Android/, "Android tablet"],
    [/Windows/, "Windows"],
    [/Mac OS X/, "Mac"],
    [/CrOS/, "Chromebook"],
    [/Linux/, "Linux"],
  ] as const;
  const by = [
    [/Edg\//, "Edge"],
    [/Firefox\//, "Firefox"],
    [/Chrome\//, "Chrome"],
    [/Safari\//, "Safari"],
  ] as const;
  const machine = on.find(([sign]) => sign.test(userAgent))?.[1] ?? "another device";
  const browser = by.find(([sign]) => sign.test(userAgent))?.[1];
  return browser ? `${machine}, ${browser}` : machine;
}

/** The register of who is signed in, in a file of its own beside the garden: it is no part of the garden's data. */
export function sessionRegister(dataDir: string) {
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  const client = new Database(file(dataDir));
  client.pragma("journal_mode = WAL");
  client.exec(
    "create table if not exists sessions (id text primary key, hash text not null unique, device text not null, made integer not null, last integer not null) strict",
  );
  if (existsSync(file(dataDir))) chmodSync(file(dataDir), 0o600);
  const noted = new Map<string, number>();
  const rowOf = client.prepare<[string], { id: string; made: number; last: number }>(
    "select id, made, last from sessions where hash = ?",
  );
  return {
    /** Signs a device in. @returns the key it carries from now on; only its hash is kept */
    begin(userAgent: string, nowMs: number): { key: string; maxAgeS: number } {
      const key = randomBytes(24).toString("base64url");
      client
        .prepare("insert into sessions (id, hash, device, made, last) values (?, ?, ?, ?, ?)")
        .run(randomBytes(9).toString("base64url"), hashOf(key), sayDevice(userAgent), nowMs, nowMs);
      client.prepare("delete from sessions where made < ?").run(nowMs - LASTS_MS);
      return { key, maxAgeS: SESSION_DAYS * 86_400 };
    },
    /** Whether a key belongs to a session that has not ended; its use is noted. */
    holds(key: string | undefined, nowMs: number): boolean {
      if (!key) return false;
      const row = rowOf.get(hashOf(key));
      if (!row || nowMs >= row.made + LASTS_MS) return false;
      if (nowMs - (noted.get(row.id) ?? row.last) >= NOTED_EVERY_MS) {
        client.prepare("update sessions set last = ? where id = ?").run(nowMs, row.id);
        noted.set(row.id, nowMs);
      }
      return true;
    },
    /** Ends the session of a key: the key opens nothing any more, wherever it was copied to. */
    endKey: (key: string): void => void client.prepare("delete from sessions where hash = ?").run(hashOf(key)),
    end: (id: string): boolean => client.prepare("delete from sessions where id = ?").run(id).changes > 0,
    endAll: (): void => void client.exec("delete from sessions"),
    /** Who is signed in, the last to come first. */
    list: (nowMs: number): Session[] =>
      client
        .prepare<[number], { id: string; device: string; made: number; last: number }>(
          "select id, device, made, last from sessions where made >= ? order by last desc, id",
        )
        .all(nowMs - LASTS_MS)
        .map((r) => ({ id: r.id, device: r.device, madeMs: r.made, lastMs: r.last })),
    /** The session that a key belongs to. */
    idOf: (key: string | undefined): string | null => (key ? (rowOf.get(hashOf(key))?.id ?? null) : null),
    close: (): void => void client.close(),
  };
}
export type SessionRegister = ReturnType<typeof sessionRegister>;
