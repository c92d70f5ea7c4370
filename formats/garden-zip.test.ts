import { unzipSync, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { GARDEN_ENTRY, gardenZipPieces, isZip, readGardenZip } from "./garden-zip";

const photos: Record<string, Uint8Array> = {
  "a.jpg": new Uint8Array([0xff, 0xd8, 1, 2, 3]),
  "b.jpg": new Uint8Array(300_000).map((_, i) => (i * 7919) % 251),
};
const archive = JSON.stringify({ format: "akmedon-garden", filler: "kale ".repeat(200_000) });

async function zipped(names = Object.keys(photos)): Promise<Uint8Array> {
  const pieces: Uint8Array[] = [];
  for await (const piece of gardenZipPieces(archive, names, (n) => photos[n] ?? null)) pieces.push(piece);
  return Uint8Array.from(Buffer.concat(pieces));
}

describe("a garden with its photos as one zip", () => {
  it("reads back to the same, and by any other reader of zips", async () => {
    const bytes = await zipped();
    expect(isZip(bytes)).toBe(true);
    const read = await readGardenZip(bytes);
    if (!read.ok) throw new Error(read.errors[0]?.message);
    expect(read.value.archive).toBe(archive);
    expect(Object.fromEntries(read.value.photos)).toEqual(photos);
    // fflate's one-step reader goes by the table at the end, not by the stream
    expect(Object.keys(unzipSync(bytes))).toEqual([GARDEN_ENTRY, "photos/a.jpg", "photos/b.jpg"]);
  });
  it("leaves out a photo that is gone, and writes the rest", async () => {
    const read = await readGardenZip(await zipped(["a.jpg", "gone.jpg"]));
    expect(read.ok && [...read.value.photos.keys()]).toEqual(["a.jpg"]);
  });
  it("leaves alone what is neither the garden nor a photo, wherever its name leads", async () => {
    const bytes = zipSync({
      [GARDEN_ENTRY]: new TextEncoder().encode("{}"),
      "../../passwd": new Uint8Array([1]),
      "photos/../x.jpg": new Uint8Array([1]),
      "photos/run.sh": new Uint8Array([1]),
    });
    const read = await readGardenZip(bytes);
    expect(read.ok && [read.value.archive, read.value.photos.size]).toEqual(["{}", 0]);
  });
  it.each([
    ["cut short", (b: Uint8Array) => b.subarray(0, Math.floor(b.length / 3))],
    ["of something else", () => zipSync({ "diary.txt": new TextEncoder().encode("dear diary") })],
    ["damaged", (b: Uint8Array) => b.map((x, i) => (i > 200 && i < 4000 ? x ^ 0x5a : x))],
    ["empty", () => zipSync({})],
  ])("says so when it is %s", async (_, spoil) => {
    const read = await readGardenZip(spoil(await zipped()));
    expect(read).toMatchObject({ ok: false, errors: [{ message: expect.stringMatching(/zip|damaged/) }] });
  });
  it("gives up one that swells without end", async () => {
    const bomb = zipSync({ [GARDEN_ENTRY]: new Uint8Array(130_000_000) }, { level: 9 });
    expect(bomb.length).toBeLessThan(1_000_000);
    expect(await readGardenZip(bomb)).toMatchObject({
      ok: false,
      errors: [{ message: expect.stringContaining("larger than any") }],
    });
  });
});
