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
/**
 * Sentences stand in one place for each part of the work (`words.ts`), which the computing does not read: it gives codes
 * and figures. Left out are data of the handbook, faults of what was typed beside their bounds, and what only an engineer
 * reads.
 */
const HOLDS_WORDS =
  /(\/|-)words\.ts$|^core\/(handbook|units|fixtures)\/|\/name\.ts$|^core\/keeping\/(curing|replant|lot)\.ts$/;
const LITERAL = /"([^"]*)"|`([^`]*)`/g;
const isSentence = (text) =>
  text
    .trim()
    .split(/\s+/)
    .filter((word) => /^[a-zé’]{2,}[,.;:]?$/.test(word)).length >= 3;
const A_FAULT =
  /RangeError|message|\.(min|max|refine|int|positive|number|regex|lt|gt|describe)\(|z\.number|\b(say|lacks)\("|^\s*(import|:)|null :/;
const saysIt = (file, line) =>
  !HOLDS_WORDS.test(file) &&
  !A_FAULT.test(line) &&
  [...line.matchAll(LITERAL)].some(([, plain, template]) => isSentence(plain ?? template.replace(/\$\{[^}]*\}/g, " ")))
    ? ["a sentence: it stands in words.ts of the folder, and the computing gives codes and figures"]
    : [];
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
      .flatMap((line, i) => {
        const code = line.replace(/^\s*(\/?\*|\/\/).*/, "").replace(/\/\/ .*$/, "");
        return [
          ...rulesFor(f)
            .filter(([pattern]) => pattern.test(code))
            .map(([, why]) => why),
          ...saysIt(f.split("\\").join("/"), code),
        ].map((why) => `${f}:${i + 1} ${why}: ${line.trim()}`);
      }),
  );
if (faults.length > 0) {
  console.error(faults.join("\n"));
  process.exit(1);
}
console.log(`core: ${files("core").length} files keep its rules`);
