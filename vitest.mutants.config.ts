import { defineConfig } from "vitest/config";

// the tests of one folder alone: what is changed in it must fail there, not three floors above
export default defineConfig({
  test: {
    include: [`${process.env.MUTANTS_FOLDER ?? "core/weighing"}/**/*.test.ts`],
    // whole seasons a change are too many
    exclude: ["node_modules", "build", "**/*.sweep.test.ts"],
    environment: "node",
    isolate: false,
    testTimeout: 300_000,
    hookTimeout: 300_000,
  },
});
