// node scripts/icons.mjs: the icons of the installed application, drawn from public/seed.svg.
import { readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";
import { root } from "./ready.mjs";

const PAPER = "#f7f2e6";
const seed = await readFile(join(root, "public", "seed.svg"));

/** A square icon; the seed takes up so much of its width. What a phone cuts round needs a wide rim. */
async function icon(name, size, share) {
  const drawn = await sharp(seed, { density: 1200 })
    .resize(Math.round(size * share))
    .png()
    .toBuffer();
  const image = sharp({ create: { width: size, height: size, channels: 3, background: PAPER } });
  await writeFile(
    join(root, "public", name),
    await image
      .composite([{ input: drawn }])
      .png({ palette: true })
      .toBuffer(),
  );
}
await icon("icon-192.png", 192, 0.78);
await icon("icon-512.png", 512, 0.78);
await icon("icon-512-round.png", 512, 0.58);
await icon("icon-180.png", 180, 0.72);
