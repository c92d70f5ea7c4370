// Mutation testing of one folder by the folder's own tests; `npm run mutants` goes through the folders one by one and
// says which lines.
const folder = process.env.MUTANTS_FOLDER ?? "core/weighing";
const name = folder.replaceAll("/", "-");

/** @type {import("@stryker-mutator/api/core").PartialStrykerOptions} */
export default {
  testRunner: "vitest",
  plugins: ["@stryker-mutator/vitest-runner"],
  vitest: { configFile: "vitest.mutants.config.ts", related: false },
  mutate: (process.env.MUTANTS_LINES ?? `${folder}/**/*.ts,!**/*.test.ts,!**/*.d.ts`).split(","),
  coverageAnalysis: "perTest",
  // constants that are worked out while a file is loaded would want a process of their own each
  ignoreStatic: true,
  // words are read by people, not by tests
  mutator: { excludedMutations: ["StringLiteral"] },
  incremental: true,
  incrementalFile: `build/mutants/${name}.json`,
  reporters: ["json", "progress-append-only"],
  jsonReporter: { fileName: `build/mutants/report-${name}.json` },
  concurrency: 2,
  timeoutMS: 20_000,
  tempDirName: "build/mutants/tmp",
  ignorePatterns: ["build", "data", "docs", "e2e", "app", "bench", "public"],
};
