/* The floors of the house: each folder may import only from the floors below it. */
const floors = ["core", "formats", "standins", "db", "cli", "app"];
const allowed = {
  core: ["core"],
  formats: ["core", "formats"],
  standins: ["core", "formats", "standins"],
  db: ["core", "formats", "db"],
  cli: ["core", "formats", "standins", "db", "cli"],
  app: ["core", "formats", "standins", "db", "app"],
};
const floorRules = floors.map((floor) => ({
  name: `${floor}-stays-on-its-floor`,
  comment: `${floor}/ may import only from: ${allowed[floor].join(", ")}`,
  severity: "error",
  from: { path: `^${floor}/`, pathNot: "\\.test\\.tsx?$" },
  to: { path: `^(${floors.filter((f) => !allowed[floor].includes(f)).join("|") || "-"})/` },
}));
/* The folders of core/, each on those before it: by the steps of the work (fixtures are for tests). */
const steps = [
  "units",
  "calendar",
  "handbook",
  "garden",
  "weather",
  "planting",
  "weighing",
  "household",
  "keeping",
  "season",
  "planning",
  "jobs",
];
const stepRules = steps.map((step, i) => ({
  name: `core-${step}`,
  comment: `core/${step}/ may import only from: ${steps.slice(0, i).join(", ") || "nothing else in core/"}`,
  severity: "error",
  from: { path: `^core/${step}/`, pathNot: "\\.test\\.ts$" },
  to: { path: "^core/", pathNot: `^core/((${steps.slice(0, i + 1).join("|")})/|(kept-with|group-by)\\.ts$)` },
}));
/* The parts of app/, each on those before it: a part may import from any that stands earlier in this list. */
const order = [
  "ui",
  "server",
  "offline",
  "lessons",
  "handbook",
  "picks",
  "keep",
  "jobs",
  "walk",
  "rounds",
  "season",
  "weather",
  "plot",
  "settings",
  "today",
  "shell",
];
const parts = order.map((part, i) => ({ part, stands: order.slice(0, i) }));
module.exports = {
  forbidden: [
    ...floorRules,
    ...stepRules,
    {
      name: "computing-has-no-words",
      comment:
        "what core/ computes is codes and figures; words.ts of each folder says them, and nothing computes with words",
      severity: "error",
      from: { path: "^core/", pathNot: "(\\.test|/words)\\.ts$" },
      to: { path: "^core/.*/words\\.ts$" },
    },
    {
      name: "core-reaches-for-nothing",
      comment: "core/ is pure: only these small libraries, never React, Node or the database",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { pathNot: ["^core/", "^node_modules/(zod|suncalc|fast-deep-equal|jstat|simple-statistics)/"] },
    },
    {
      name: "no-circles",
      severity: "error",
      from: { path: "^(core|formats|standins|db|cli|app)/" },
      to: { circular: true },
    },
    ...parts.flatMap(({ part, stands }) => ({
      name: `app-${part}`,
      comment: `app/${part}/ may import only from: ${stands.join(", ") || "nothing else in app/"}`,
      severity: "error",
      from: { path: `^app/${part}/`, pathNot: "\\.test\\.tsx?$" },
      to: { path: "^app/[^/]+/", pathNot: `^app/(${[part, ...stands].join("|")})/` },
    })),
    {
      name: "resolvable",
      severity: "error",
      from: {},
      to: { couldNotResolve: true, pathNot: "^(virtual:|\\./\\+types|\\.\\./\\+types)" },
    },
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\+types/" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default", "types"],
    },
  },
};
