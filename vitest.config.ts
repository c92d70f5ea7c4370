import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["{core,formats,standins,db,cli,app}/**/*.test.{ts,tsx}"],
    environment: "node",
    // no test is about speed; this only ends one that hangs, on a machine however busy
    testTimeout: 300_000,
    hookTimeout: 300_000,
  },
});
