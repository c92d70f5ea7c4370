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
        FORBIDDEN.filter(([pattern]) => pattern.test(line.replace(/^\s*(\*|\/\/).*/, ""))).map(
          ([, why]) => `${f}:${i + 1} ${why}: ${line.trim()}`,
        ),
      ),
  );
if (faults.length > 0) {
  console.error(faults.join("\n"));
  process.exit(1);
}
console.log(`core: ${files("core").length} files keep its rules`);
