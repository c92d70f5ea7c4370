import jsQR from "jsqr";
import { describe, expect, it } from "vitest";
import { qrOf } from "./qr.server";

/** The drawing as grey dots, four to a module, as a camera would see it. */
function photographed({ size, path }: { size: number; path: string }) {
  const scale = 4;
  const side = size * scale;
  const dots = new Uint8ClampedArray(side * side * 4).fill(255);
  for (const [, x, y] of path.matchAll(/M(\d+) (\d+)h1v1h-1z/g))
    for (let dy = 0; dy < scale; dy++)
      for (let dx = 0; dx < scale; dx++) {
        const at = 4 * ((Number(y) * scale + dy) * side + Number(x) * scale + dx);
        dots.fill(0, at, at + 3);
      }
  return { dots, side };
}

describe("the code on a label", () => {
  it.each([
    "http://192.168.1.20:4400/plot/plantings/tom-wall",
    "https://garden.example/plot/plantings/a-planting-with-an-id-that-is-rather-long-01",
  ])("another library reads %s off it", (address) => {
    const { dots, side } = photographed(qrOf(address));
    expect(jsQR(dots, side, side)?.data).toBe(address);
  });
  it("is still read with a corner of the label torn off", () => {
    const { dots, side } = photographed(qrOf("http://192.168.1.20:4400/plot/plantings/tom-wall"));
    const torn = Math.round(side * 0.24);
    for (let y = side - torn; y < side; y++) dots.fill(255, 4 * (y * side + side - torn), 4 * (y * side + side));
    expect(jsQR(dots, side, side)?.data).toContain("tom-wall");
  });
});
