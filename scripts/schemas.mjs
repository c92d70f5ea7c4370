// npm run schemas: writes the JSON schemas of the documents into docs/schemas, after their code has changed.
import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { bundleCommand, install, root } from "./ready.mjs";

install();
const command = bundleCommand();
for (const name of ["judge", "judged", "plan", "planned"])
  writeFileSync(
    join(root, "docs", "schemas", `${name}.schema.json`),
    execFileSync(process.execPath, [command, "schema", name], { env: { ...process.env, AKMEDON_ROOT: root } }),
  );
