// npm run bench:planner: how near to the best the planner comes, and how fast. Writes bench/planner.md.
// With SOLVER=no it leaves out the comparison with an independent solver, which takes five minutes.
import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { build as bundle } from "esbuild";
import { install, root } from "./ready.mjs";

install();
// beside the build, where the packages it leaves out are found
const file = join(root, "build", "bench", "planner.mjs");
await bundle({
  entryPoints: [join(root, "bench", "planner.ts")],
  bundle: true,
  platform: "node",
  format: "esm",
  packages: "external",
  outfile: file,
  logLevel: "error",
});
const table = execFileSync(process.execPath, [file], { encoding: "utf8" });
writeFileSync(join(root, "bench", "planner.md"), table);
console.log(table);
