import { gunzipSync } from "node:zlib";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { gardenNow } from "../server/garden-now.server";
import { loader } from "./out-picks";

let garden: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
});
afterAll(() => garden.end());

const asked = (file: string, accepts: string | null) => {
  const request = new Request(`http://garden/out/${file}`, accepts ? { headers: { "Accept-Encoding": accepts } } : {});
  return loader({ url: new URL(request.url), request } as never);
};

describe("the log to take away", () => {
  it.each(["picks.csv", "picks.json", "picks.csv?year=2026"])("says the same packed and plain: %s", async (file) => {
    const plain = asked(file, null);
    expect(plain.headers.get("Content-Encoding")).toBeNull();
    const text = await plain.text();
    expect(text.split("\n").length).toBeGreaterThan(30);
    for (const accepts of ["gzip", "br, gzip;q=0.8"]) {
      const packed = asked(file, accepts);
      expect(packed.headers.get("Content-Encoding")).toBe("gzip");
      const bytes = Buffer.from(await packed.arrayBuffer());
      expect(bytes.length).toBeLessThan(text.length / 3);
      expect(gunzipSync(bytes).toString()).toBe(text);
    }
    expect(asked(file, "br").headers.get("Content-Encoding")).toBeNull();
  });
  it("holds every pick", async () => {
    const rows = JSON.parse(await asked("picks.json", null).text()) as { id: string }[];
    expect(rows.map((r) => r.id).sort()).toEqual(
      gardenNow()
        .snapshot.picks.map((p) => p.id)
        .sort(),
    );
  });
  it("is let go when whoever takes it goes away", async () => {
    const reader = asked("picks.json", "gzip").body!.getReader();
    await reader.read();
    await expect(reader.cancel()).resolves.toBeUndefined();
  });
});
