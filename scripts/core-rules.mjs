// The core is pure: no clock, no chance and no machine that was not passed in. Fails with file and line.
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

const FORBIDDEN = [
  [/\bMath\.random\b/, "chance must be passed in"],
  [/\bDate\.now\b|\bnew Date\(\s*\)|\bperformance\.now\b/, "the time must be passed in"],
  [
    /\bprocess\.|\bglobalThis\b|\bwindow\.|\bdocument\.|\blocalStorage\b|\bfetch\(/,
    "the core knows no machine and no page",
  ],
  [/from\s+["'](node:|react|fs|path|better-sqlite3|drizzle)/, "the core imports only itself and small libraries"],
];
/** Facts of the trade are fields: nothing is read out of sentences, names or ids. What people type is read here alone. */
const READS_TYPING = [
  "core/weighing/amount.ts",
  "core/keeping/lot.ts",
  "core/planning/question/meal.ts",
  "core/units/",
  "core/calendar/",
];
const OUT_OF_WORDS = [
  [/\/[^/\s][^/]*\/[gimsuy]*\.(test|exec)\(|\.(match|search)\(\//, "a fact is a field, not a pattern over words"],
  [/\b[A-Z][A-Z_]+\.(test|exec)\(|new RegExp\(/, "a fact is a field, not a pattern over words"],
  [/\b(id|cropId)\.(startsWith|endsWith|includes)\(/, "a fact is a field, not a part of an id"],
];
const rulesFor = (file) =>
  READS_TYPING.some((path) => file.split("\\").join("/").startsWith(path))
    ? FORBIDDEN
    : [...FORBIDDEN, ...OUT_OF_WORDS];
const files = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? files(join(folder, e.name)) : [join(folder, e.name)],
  );
const faults = files("core")
  .filter((f) => f.endsWith(".ts") && !f.endsWith(".test.ts"))
  .flatMap((f) =>
    readFileSync(f, "utf8")
      .split("\n")
      .flatMap((line, i) =>
        rulesFor(f)
          .filter(([pattern]) => pattern.test(line.replace(/^\s*(\*|\/\/).*/, "")))
          .map(([, why]) => `${f}:${i + 1} ${why}: ${line.trim()}`),
      ),
  );
if (faults.length > 0) {
  console.error(faults.join("\n"));
  process.exit(1);
}
console.log(`core: ${files("core").length} files keep its rules`);
