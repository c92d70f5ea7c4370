// npm run bench:season: whole seasons lived through by rules of thumb, by Akmedon and with foresight. Writes
// bench/season.md and bench/season.svg; about a quarter of an hour on two cores. SEASONS=2 for a short one;
// -- --seed 11 --crop courgette [--climate continental] tells one planting's season day by day.
import { spawnSync } from "node:child_process";
import { bundleBench, install } from "./ready.mjs";

install();
const file = bundleBench("season");
const { status } = spawnSync(process.execPath, [file, ...process.argv.slice(2)], { stdio: "inherit" });
process.exit(status ?? 1);
