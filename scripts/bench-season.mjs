// npm run bench:season: whole seasons lived through by rules of thumb, by Akmedon and with foresight. Writes
// bench/season.md and bench/season.svg; about a quarter of an hour on two cores. SEASONS=2 for a short one;
// -- --seed 11 --crop courgette [--climate continental] tells one planting's season day by day.
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { build as bundle } from "esbuild";
import { install, root } from "./ready.mjs";

install();
// beside the build, where the packages it leaves out are found
const file = join(root, "build", "bench", "season.mjs");
await bundle({
  entryPoints: [join(root, "bench", "season.ts")],
  bundle: true,
  platform: "node",
  format: "esm",
  packages: "external",
  outfile: file,
  logLevel: "error",
});
const { status } = spawnSync(process.execPath, [file, ...process.argv.slice(2)], { stdio: "inherit" });
process.exit(status ?? 1);
