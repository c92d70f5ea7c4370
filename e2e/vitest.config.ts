import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["e2e/*.test.ts"],
    testTimeout: 300_000,
    hookTimeout: 600_000,
    // one browser at a time: two on two cores took longer in all than one after the other
    fileParallelism: false,
    reporters: ["verbose"],
  },
});
