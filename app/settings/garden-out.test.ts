import { mkdirSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { archiveOf, restoreArchive } from "#db/archive";
import { change } from "#db/change";
import { openGarden } from "#db/open";
import { readArchive } from "#formats/archive";
import { readGardenZip } from "#formats/garden-zip";
import { demoGarden } from "#standins/demo-garden";
import { gardenInProcess } from "../garden-in-process";
import { db } from "../server/garden-now.server";
import { loader as json } from "./out-garden";
import { loader as zip } from "./out-garden-zip";

const demo = demoGarden();
const AT = "2026-10-06T15:30";
const photo = (n: number) => Uint8Array.from([0xff, 0xd8, n, 0xff, 0xd9]);
let garden: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  garden = gardenInProcess((dir) => {
    const made = openGarden(dir);
    restoreArchive(made, demo, AT);
    made.$client.close();
    mkdirSync(join(dir, "photos"));
    writeFileSync(join(dir, "photos", "of-look.jpg"), photo(1));
    writeFileSync(join(dir, "photos", "of-pick.jpg"), photo(2));
  });
  change(db(), "photos", AT, (c) => {
    c.put("checks", { ...demo.checks[0]!, photos: ["of-look.jpg", "gone.jpg"] });
    c.put("picks", { ...demo.picks[0]!, photos: ["of-pick.jpg"] });
  });
});
afterAll(() => garden.end());
const aside = () => readdirSync(tmpdir()).filter((name) => name.startsWith("akmedon-out-"));

describe("the whole garden taken away", () => {
  it("as JSON is the garden to the last row, under the garden's own day", async () => {
    const answer = await json();
    expect(answer.headers.get("Content-Disposition")).toContain("garden-2026-10-06.json");
    const read = readArchive(await answer.text());
    expect(read).toMatchObject({ ok: true, value: archiveOf(db()) });
  });
  it("as ZIP carries the photos of looks and of picks, and goes on without one that is gone", async () => {
    const answer = await zip();
    const bytes = new Uint8Array(await answer.arrayBuffer());
    expect(answer.headers.get("Content-Length")).toBe(String(bytes.length));
    const read = await readGardenZip(bytes);
    expect(read.ok && [...read.value.photos].map(([name, b]) => [name, b[2]])).toEqual([
      ["of-look.jpg", 1],
      ["of-pick.jpg", 2],
    ]);
    expect(read.ok && readArchive(read.value.archive)).toMatchObject({ ok: true, value: archiveOf(db()) });
  });
  it("leaves nothing aside once it has gone", async () => {
    const before = new Set(aside());
    const answer = await zip();
    const made = aside().filter((name) => !before.has(name));
    expect(made).toHaveLength(1);
    await answer.arrayBuffer();
    await vi.waitFor(() => expect(aside()).not.toContain(made[0]));
  });
});
