import { createHash, X509Certificate } from "node:crypto";
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { createServer, get } from "node:https";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { certificateOf, fingerprintOf, networkOf, within } from "./authority";

const DAY_MS = 86_400_000;
let dir = "";
beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), "akmedon-authority-"));
});
afterEach(() => rmSync(dir, { recursive: true, force: true }));

/** Asks a server that shows a certificate, trusting only the authority. @returns the answer, or why it is not trusted */
async function asked(made: { key: string; certificate: string }, authority: string, servername: string) {
  const server = createServer({ key: made.key, cert: made.certificate }, (_, res) => res.end("beans"));
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise<string>((resolve) => {
      get({ host: "127.0.0.1", port, servername, ca: authority, agent: false }, (res) => {
        res.on("data", (chunk) => resolve(String(chunk)));
      }).on("error", (e) => resolve(e.message));
    });
  } finally {
    server.close();
  }
}

describe("the garden's own authority", () => {
  it("vouches for this machine's names and addresses, checked by OpenSSL", async () => {
    const made = await certificateOf(dir, "shed", ["192.168.1.20/24"]);
    const leaf = new X509Certificate(made.certificate);
    expect(leaf.verify(new X509Certificate(made.authority).publicKey)).toBe(true);
    expect(leaf.checkIP("192.168.1.20")).toBe("192.168.1.20");
    expect(leaf.checkHost("shed.local")).toBe("shed.local");
    expect(leaf.checkHost("example.org")).toBeUndefined();
    expect(await asked(made, made.authority, "shed.local")).toBe("beans");
    const other = await certificateOf(`${dir}/other`, "shed", []);
    expect(await asked(made, other.authority, "shed.local")).not.toBe("beans");
  });
  it("opens nothing outside the home, even for whoever has its key", async () => {
    const made = await certificateOf(dir, "shed", ["192.168.1.20/24"]);
    // an address out in the world is left out; put in by force, it is trusted by nobody
    const abroad = await certificateOf(dir, "shed", ["8.8.8.8/24"]);
    expect(new X509Certificate(abroad.certificate).checkIP("8.8.8.8")).toBeUndefined();
    const file = join(dir, "encryption", "authority.json");
    const authority = JSON.parse(readFileSync(file, "utf8")) as { networks: string[] };
    writeFileSync(file, JSON.stringify({ ...authority, networks: [...authority.networks, "8.8.8.0/24"] }));
    const forced = await certificateOf(dir, "shed", ["8.8.8.8/24"]);
    expect(new X509Certificate(forced.certificate).checkIP("8.8.8.8")).toBe("8.8.8.8");
    expect(await asked(forced, made.authority, "shed.local")).toMatch(/permitted subtree violation/);
  });
  it("vouches for the network that the machine is on, also where that is none of the usual ones", async () => {
    expect(networkOf("192.0.2.7/24")).toBe("192.0.2.0/24");
    expect(networkOf("172.31.77.1/20")).toBe("172.31.64.0/20");
    expect(within(["192.0.2.9", "192.0.3.9"], ["192.0.2.0/24"])).toEqual(["192.0.2.9"]);
    const made = await certificateOf(dir, "shed", ["192.0.2.7/24"]);
    expect(new X509Certificate(made.certificate).checkIP("192.0.2.7")).toBe("192.0.2.7");
    expect(await asked(made, made.authority, "shed.local")).toBe("beans");
  });
  it("keeps what it made, renews in time and for a new address, and is for the owner's eyes alone", async () => {
    const now = Date.UTC(2026, 9, 6);
    const first = await certificateOf(dir, "shed", ["192.168.1.20/24"], now);
    expect(await certificateOf(dir, "shed", ["192.168.1.20/24"], now + 300 * DAY_MS)).toEqual(first);
    const moved = await certificateOf(dir, "shed", ["192.168.1.21/24"], now);
    expect(moved.certificate).not.toBe(first.certificate);
    expect(moved.authority).toBe(first.authority);
    const renewed = await certificateOf(dir, "shed", ["192.168.1.21/24"], now + 360 * DAY_MS);
    expect(renewed.certificate).not.toBe(moved.certificate);
    const { validFrom, validTo } = new X509Certificate(renewed.certificate);
    expect((Date.parse(validTo) - Date.parse(validFrom)) / DAY_MS).toBeLessThan(398);
    for (const name of readdirSync(join(dir, "encryption")))
      expect(statSync(join(dir, "encryption", name)).mode & 0o077, name).toBe(0);
    const der = Buffer.from(first.authority.replace(/-----[^-]+-----|\s/g, ""), "base64");
    const digest = createHash("sha256").update(der).digest("hex").toUpperCase();
    expect(fingerprintOf(first.authority).replaceAll(":", "")).toBe(digest);
  });
});
