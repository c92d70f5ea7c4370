import { join } from "node:path";
import { parse } from "cookie";
import { type SessionRegister, sessionRegister } from "#db/sessions";
import { codeImage } from "./qr.server";

/** Where the garden is reached on the home network, with a code for the phone; null when it is not let in. */
export async function homeNetwork(request: Request) {
  const address = process.env.AKMEDON_HOME_ADDRESS;
  if (!address) return null;
  const trust = process.env.AKMEDON_TRUST_ADDRESS;
  const now = Date.now();
  const own = register().idOf(keyOf(request));
  return {
    address,
    code: await codeImage(address),
    /** where a phone comes to trust the encryption; null: nothing is encrypted */
    trust: trust
      ? { address: trust, code: await codeImage(trust), fingerprint: process.env.AKMEDON_FINGERPRINT ?? "" }
      : null,
    sessions: register()
      .list(now)
      .map((s) => ({ id: s.id, device: s.device, last: sayAgo(now - s.lastMs), own: s.id === own })),
  };
}

let opened: SessionRegister | null = null;
const register = (): SessionRegister => {
  opened ??= sessionRegister(process.env.AKMEDON_DATA ?? join(process.cwd(), "data", "garden"));
  return opened;
};

/** Ends one device's sign-in. @returns whether there was such a one */
export const endSession = (id: string): boolean => register().end(id);

const keyOf = (request: Request): string | undefined => parse(request.headers.get("Cookie") ?? "")["ak-session"];

const HOUR_MS = 3_600_000;
const sayAgo = (ms: number): string =>
  ms < HOUR_MS / 4
    ? "just now"
    : ms < 2 * HOUR_MS
      ? "within two hours"
      : ms < 24 * HOUR_MS
        ? `${Math.round(ms / HOUR_MS)} hours ago`
        : `${Math.round(ms / (24 * HOUR_MS))} ${ms < 36 * HOUR_MS ? "day" : "days"} ago`;
