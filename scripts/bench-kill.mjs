// npm run bench:kill: a process is killed 500 times at whatever it is doing to a garden; what it had acknowledged must
// be there. Writes bench/kill.md; about five minutes. KILLS=50 for a short one.
import { spawnSync } from "node:child_process";
import { bundleBench, install } from "./ready.mjs";

install();
const file = bundleBench("kill");
const { status } = spawnSync(process.execPath, [file], { stdio: "inherit" });
process.exit(status ?? 1);
