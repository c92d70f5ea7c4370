// npm run bench:planner: how near to the best the planner comes, and how fast. Writes bench/planner.md.
// With SOLVER=no it leaves out the comparison with an independent solver, which takes five minutes.
import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { bundleBench, install, root } from "./ready.mjs";

install();
const file = bundleBench("planner");
const table = execFileSync(process.execPath, [file], { encoding: "utf8" });
writeFileSync(join(root, "bench", "planner.md"), table);
console.log(table);
