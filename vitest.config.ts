import { defineConfig } from "vitest/config";

const SWEEPS = "**/*.sweep.test.ts";
const sweeps = process.env.AKMEDON_SWEEPS === "yes";
const common = {
  environment: "node",
  // no test is about speed; this only ends one that hangs, on a machine however busy
  testTimeout: 300_000,
  hookTimeout: 300_000,
} as const;
const exclude = ["node_modules", "build", ...(sweeps ? [] : [SWEEPS])];

/**
 * Unit tests; with AKMEDON_SWEEPS=yes the ones instead that work through whole seasons, a minute each. What reckons
 * remembers no garden, so its modules are read once a worker; what holds a garden open starts anew with every file.
 */
export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      {
        test: {
          ...common,
          name: "reckons",
          isolate: false,
          include: [sweeps ? SWEEPS : "{core,formats,standins}/**/*.test.ts"],
          exclude,
        },
      },
      ...(sweeps
        ? []
        : [{ test: { ...common, name: "holds", include: ["{db,cli,app}/**/*.test.{ts,tsx}"], exclude } }]),
    ],
  },
});
