// npm test: everything that must hold before a change lands, step by step, with the time each took.
import { join } from "node:path";
import { build, bundleCommand, certutil, chromium, install, run } from "./ready.mjs";

const bin = (name) => join("node_modules", ".bin", name);
const steps = [
  ["packages", () => install()],
  [
    "types",
    () => {
      run(bin("react-router"), ["typegen"]);
      run(bin("tsc"), ["--noEmit"]);
      run(bin("tsc"), ["--noEmit", "-p", "tsconfig.worker.json"]);
    },
  ],
  [
    "lint and floors",
    () => {
      run(bin("biome"), ["check", "."]);
      run(bin("depcruise"), ["--config", ".dependency-cruiser.cjs", "core", "formats", "standins", "db", "cli", "app"]);
      run(process.execPath, ["scripts/core-rules.mjs"]);
    },
  ],
  ["unit tests", () => run(bin("vitest"), ["run", "--reporter=dot"])],
  [
    "the production build",
    () => {
      build();
      bundleCommand();
    },
  ],
  [
    "browser tests on it",
    () => {
      certutil();
      run(bin("vitest"), ["run", "--config", "e2e/vitest.config.ts"], { AKMEDON_CHROMIUM: chromium() });
    },
  ],
];
const took = [];
for (const [n, [title, work]] of steps.entries()) {
  console.log(`\n— ${n + 1} of ${steps.length}: ${title}`);
  const begun = performance.now();
  work();
  took.push(`${title} ${Math.round((performance.now() - begun) / 1000)} s`);
}
console.log(`\nAll of it holds: ${took.join(", ")}.`);
