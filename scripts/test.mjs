// npm test: everything that must hold before a change lands.
import { join } from "node:path";
import { build, bundleCommand, certutil, chromium, install, run } from "./ready.mjs";

const bin = (name) => join("node_modules", ".bin", name);
install();
console.log("\n— types");
run(bin("react-router"), ["typegen"]);
run(bin("tsc"), ["--noEmit"]);
run(bin("tsc"), ["--noEmit", "-p", "tsconfig.worker.json"]);
console.log("\n— lint and floors");
run(bin("biome"), ["check", "."]);
run(bin("depcruise"), ["--config", ".dependency-cruiser.cjs", "core", "formats", "standins", "db", "cli", "app"]);
run(process.execPath, ["scripts/core-rules.mjs"]);
console.log("\n— unit tests");
run(bin("vitest"), ["run", "--reporter=dot"]);
console.log("\n— browser tests on the production build");
build();
bundleCommand();
certutil();
run(bin("vitest"), ["run", "--config", "e2e/vitest.config.ts"], { AKMEDON_CHROMIUM: chromium() });
