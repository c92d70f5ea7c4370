import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from "node:fs";
import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import express from "express";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { sessionRegister } from "#db/sessions";
import { findLock, type Lock, opens, setLock, tryCounter } from "./passphrase";
import { signIn } from "./sign-in";

const PHONE = "Mozilla/5.0 (Linux; Android 15; Mobile) AppleWebKit/537.36 Chrome/140.0 Mobile Safari/537.36";
const NOW = Date.UTC(2026, 9, 6, 15, 30);
let dir = "";
let lock: Lock;
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), "akmedon-lock-"));
  lock = setLock(dir, "late leeks and frost");
});
afterAll(() => rmSync(dir, { recursive: true, force: true }));

describe("the passphrase of the home network", () => {
  it("is kept only as a slow hash, in a file for its owner alone", () => {
    const file = join(dir, "home-network.json");
    expect(readFileSync(file, "utf8")).not.toContain("leeks");
    expect(statSync(file).mode & 0o077).toBe(0);
    expect(findLock(dir)).toEqual(lock);
    expect(findLock(join(dir, "nowhere"))).toBeNull();
  });
  it("opens with itself, however its letters are composed, and with nothing else", async () => {
    expect(await opens(lock, "late leeks and frost")).toBe(true);
    expect(await opens(lock, "late leeks and Frost")).toBe(false);
    expect(await opens(lock, "")).toBe(false);
    const accented = setLock(mkdtempSync(join(dir, "a-")), "purée de poireaux");
    expect(await opens(accented, "pure\u0301e de poireaux")).toBe(true);
  });
  it("must not be short", () => {
    expect(() => setLock(dir, "leek")).toThrow(/at least 8/);
    expect(() => setLock(dir, "        ")).toThrow(RangeError);
  });
});

describe("a sign-in", () => {
  it("holds for thirty days, and its key is nowhere in the folder", () => {
    const own = mkdtempSync(join(dir, "s-"));
    const register = sessionRegister(own);
    const { key, maxAgeS } = register.begin(PHONE, NOW);
    expect(maxAgeS).toBe(30 * 86_400);
    expect([register.holds(key, NOW), register.holds(key, NOW + 29 * 86_400_000)]).toEqual([true, true]);
    expect(register.holds(key, NOW + 30 * 86_400_000)).toBe(false);
    for (const nonsense of [undefined, "", "nonsense", `${key}x`, key.slice(1)])
      expect(register.holds(nonsense, NOW)).toBe(false);
    register.close();
    for (const file of readdirSync(own)) {
      expect(readFileSync(join(own, file)).includes(key)).toBe(false);
      expect(statSync(join(own, file)).mode & 0o077).toBe(0);
    }
  });
  it("ends for everybody when the passphrase is set anew", () => {
    const own = mkdtempSync(join(dir, "b-"));
    const register = sessionRegister(own);
    const { key } = register.begin(PHONE, NOW);
    setLock(own, "another phrase");
    expect(register.holds(key, NOW)).toBe(false);
    register.close();
  });
  it("is listed with its device and last use, and each can be ended alone, also after a restart", () => {
    const own = mkdtempSync(join(dir, "l-"));
    const before = sessionRegister(own);
    const phone = before.begin(PHONE, NOW);
    const laptop = before.begin("Mozilla/5.0 (X11; Linux x86_64) Gecko/20100101 Firefox/140.0", NOW + 1000);
    before.close();
    const register = sessionRegister(own);
    expect(register.holds(phone.key, NOW + 3_600_000)).toBe(true);
    const list = register.list(NOW + 3_600_000);
    expect(list.map((s) => [s.device, s.lastMs])).toEqual([
      ["Android phone, Chrome", NOW + 3_600_000],
      ["Linux, Firefox", NOW + 1000],
    ]);
    expect(register.end(list[0]!.id)).toBe(true);
    expect([register.holds(phone.key, NOW), register.holds(laptop.key, NOW)]).toEqual([false, true]);
    expect(register.end("nobody")).toBe(false);
    register.close();
  });
});

describe("wrong tries", () => {
  it("are limited by where they come from and altogether, and forgotten after a quarter of an hour", () => {
    const tries = tryCounter(2, 5);
    for (let i = 0; i < 2; i++) tries.wrong("a", NOW);
    expect([tries.allowed("a", NOW), tries.allowed("b", NOW)]).toEqual([false, true]);
    for (const from of ["b", "c", "d"]) tries.wrong(from, NOW);
    expect(tries.allowed("e", NOW)).toBe(false);
    expect(tries.allowed("a", NOW + 16 * 60_000)).toBe(true);
  });
  it("are forgiven once the right one comes", () => {
    const tries = tryCounter(2, 50);
    tries.wrong("a", NOW);
    tries.right("a");
    tries.wrong("a", NOW);
    expect(tries.allowed("a", NOW)).toBe(true);
  });
});

describe("the door", () => {
  let address = "";
  const server = createServer(
    express()
      .use((_req, res, next) => {
        res.locals.nonce = "n";
        next();
      })
      .use((req, res, next) => signIn_(req, res, next))
      .use((_req, res) => {
        res.send("the garden");
      }),
  );
  let signIn_: ReturnType<typeof signIn>;
  beforeAll(async () => {
    signIn_ = signIn(lock, sessionRegister(dir), () => NOW);
    await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
    address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => server.close());
  const page = (path: string, headers: Record<string, string> = {}) =>
    fetch(address + path, { headers: { Accept: "text/html", ...headers }, redirect: "manual" });
  const enter = (passphrase: string, back = "/walk") =>
    fetch(`${address}/sign-in`, {
      method: "POST",
      headers: { "Content-Type": "application/x-www-form-urlencoded" },
      body: new URLSearchParams({ passphrase, back }),
      redirect: "manual",
    });

  it("leads pages to the sign-in and answers all else with 401", async () => {
    expect((await page("/walk?x=1")).headers.get("location")).toBe("/sign-in?back=%2Fwalk%3Fx%3D1");
    expect((await fetch(`${address}/out/garden.json`)).status).toBe(401);
  });
  it("lets a calendar's own address through to where its key is looked at, and nothing that only looks like one", async () => {
    expect(await (await fetch(`${address}/feed/${"k".repeat(32)}.ics`)).text()).toBe("the garden");
    for (const path of [`/feed/${"k".repeat(31)}.ics`, `/feed/${"k".repeat(32)}.ics/walk`, "/feed/x.ics", "/feed/"])
      expect((await fetch(address + path)).status, path).toBe(401);
    expect((await fetch(`${address}/feed/${"k".repeat(32)}.ics`, { method: "POST" })).status).toBe(401);
  });
  it("opens with a cookie that scripts and other sites cannot use, and goes back where one came from", async () => {
    const answer = await enter("late leeks and frost");
    expect([answer.status, answer.headers.get("location")]).toEqual([303, "/walk"]);
    const cookie = answer.headers.get("set-cookie") ?? "";
    expect(cookie).toMatch(/HttpOnly; SameSite=Strict/);
    expect(await (await page("/walk", { Cookie: cookie.split(";")[0]! })).text()).toBe("the garden");
  });
  it("closes on the server when one signs out: the cookie opens nothing any more, wherever it was copied", async () => {
    const cookie = (await enter("late leeks and frost")).headers.get("set-cookie")!.split(";")[0]!;
    await fetch(`${address}/sign-out`, { method: "POST", headers: { Cookie: cookie }, redirect: "manual" });
    expect((await page("/walk", { Cookie: cookie })).status).toBe(303);
  });
  it("never leads to another site", async () => {
    expect((await enter("late leeks and frost", "//elsewhere.example")).headers.get("location")).toBe("/");
    expect(await (await page("/sign-in?back=%22%3E%3Cscript%3E")).text()).not.toContain("<script>");
  });
  it("says that a passphrase is wrong, and at last not to try again", async () => {
    const wrong = await enter("early leeks");
    expect([wrong.status, (await wrong.text()).includes("not the passphrase")]).toEqual([401, true]);
    for (let i = 0; i < 4; i++) await enter("guess number so and so");
    expect((await enter("late leeks and frost")).status).toBe(429);
  });
  it("takes many tries at once for no more than many one after the other", async () => {
    const busy = tryCounter(5);
    let looked = 0;
    for (let k = 0; k < 50; k++)
      if (busy.allowed("x", NOW)) {
        busy.wrong("x", NOW);
        looked += 1;
      }
    expect(looked).toBe(5);
  });
});
