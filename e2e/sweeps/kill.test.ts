import { describe, expect, it } from "vitest";
import { forget, type Served, serveGarden } from "../garden";

const WRITES = 500;
/** The server is killed after about so many of them each time, at whatever it is doing then. */
const KILL_AFTER = [37, 120, 211, 300, 444];

/** Logs a pick; true only when the server said that it is kept. */
async function log(address: string, id: string, grams: number): Promise<boolean> {
  const body = new URLSearchParams({
    plantingId: "tom-wall",
    id,
    gross: `${grams} g`,
    count: "",
    at: "2026-10-06T15:00",
    by: "Ilse",
    method: "snap",
    extent: "some",
    grade: "sound",
    note: `number ${id}`,
    otherTare: "",
  });
  try {
    const response = await fetch(`${address}/picks/new`, {
      method: "POST",
      body,
      redirect: "manual",
      headers: { origin: address },
    });
    return response.status === 302;
  } catch {
    return false;
  }
}

describe("the server killed while picks are logged", () => {
  it("keeps every pick it acknowledged, and none half", async () => {
    let served: Served = await serveGarden("demo");
    const acknowledged = new Map<string, number>();
    const sent = new Map<string, number>();
    let kills = 0;
    for (let n = 0; n < WRITES; n++) {
      const id = `kill-test-${String(n).padStart(4, "0")}`;
      const grams = 100 + n;
      sent.set(id, grams);
      const write = log(served.address, id, grams);
      if (KILL_AFTER.includes(n)) {
        // at some moment of this write, another one each time
        await new Promise((wait) => setTimeout(wait, kills * 3));
        served.kill();
        kills += 1;
      }
      if (await write) acknowledged.set(id, grams);
      if (KILL_AFTER.includes(n)) served = await serveGarden("demo", served.dataDir);
    }
    const csv = await (await fetch(`${served.address}/out/picks.csv`)).text();
    const [head, ...rows] = csv
      .trim()
      .split(/\r?\n/)
      .map((line) => line.replaceAll('"', "").split(","));
    const column = (name: string) => head!.indexOf(name);
    const kept = new Map(
      rows.flatMap((r) => {
        const id = r[column("id")]!;
        return id.startsWith("kill-test-") ? [[id, r] as const] : [];
      }),
    );
    expect(kills).toBe(KILL_AFTER.length);
    expect(acknowledged.size).toBeGreaterThanOrEqual(WRITES - kills);
    for (const [id, grams] of acknowledged) expect(Number(kept.get(id)?.[column("net_g")]), id).toBe(grams);
    for (const [id, row] of kept) {
      expect(Number(row[column("net_g")]), id).toBe(sent.get(id));
      expect(row[column("note")]).toBe(`number ${id}`);
    }
    await served.stop();
    forget(served);
  });
});
