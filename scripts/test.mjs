// npm test: what must hold before a change lands, step by step, with the time each took. With --all also the sweeps
// (the longer flows in the browser; whole seasons; every page in every garden and look, every value in every field, kills
// in a write) and other versions of Node: as CI runs it.
import { join } from "node:path";
import { build, bundleCommand, certutil, chromium, install, run } from "./ready.mjs";

const bin = (name) => join("node_modules", ".bin", name);
const browserTests = (config) => () => {
  certutil();
  run(bin("vitest"), ["run", "--config", config], { AKMEDON_CHROMIUM: chromium() });
};
const sweeps = [
  ["sweeps through seasons", () => run(bin("vitest"), ["run", "--reporter=dot"], { AKMEDON_SWEEPS: "yes" })],
  ["longer flows and sweeps over pages", browserTests("e2e/sweeps/vitest.config.ts")],
  ["other versions of Node", () => run(process.execPath, ["scripts/other-nodes.mjs"])],
];
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
  ["browser tests on it", browserTests("e2e/vitest.config.ts")],
  ...(process.argv.includes("--all") ? sweeps : []),
];
const took = [];
for (const [n, [title, work]] of steps.entries()) {
  console.log(`\n— ${n + 1} of ${steps.length}: ${title}`);
  const begun = performance.now();
  work();
  took.push(`${title} ${Math.round((performance.now() - begun) / 1000)} s`);
}
console.log(`\nAll of it holds: ${took.join(", ")}.`);
