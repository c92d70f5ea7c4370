import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["e2e/**/*.test.ts"],
    testTimeout: 900_000,
    hookTimeout: 600_000,
    // each file has a garden, a server and a browser of its own; two at a time, for the machine may be small
    maxWorkers: 2,
    reporters: ["verbose"],
  },
});
