// npm run test:nodes [VERSION …]: whether Akmedon runs on other versions of Node, 22 and 24 unless told otherwise. Each is
// taken from the npm registry, the database engine compiled for it, what holds a garden tested, a demo garden served. One
// that cannot be had here is said and left out. CI runs it after everything else.
import { execFileSync, spawn, spawnSync } from "node:child_process";
import { cpSync, mkdirSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { build, bundleCommand, install, NODE_FLAGS, root } from "./ready.mjs";

const PAGES = ["/", "/walk", "/rounds", "/picks", "/keep", "/season", "/plot", "/weather", "/handbook", "/settings"];
const asked = process.argv.slice(2);
const platform = `node-${process.platform}-${process.arch}`;

install();
build();
bundleCommand();
let failed = false;
for (const version of asked.length > 0 ? asked : ["22", "24"]) {
  const home = join(tmpdir(), `akmedon-node-${version}-${process.pid}`);
  const said = await triedOn(version, home).catch((error) => `fails: ${error.message}`);
  console.log(`Node ${version}: ${said}`);
  failed ||= said.startsWith("fails");
  rmSync(home, { recursive: true, force: true });
}
process.exit(failed ? 1 : 0);

/** What came of one version, in words. @param home an empty folder for it */
async function triedOn(version, home) {
  mkdirSync(home, { recursive: true });
  const packed = spawnSync("npm", ["pack", `${platform}@${version}`, "--silent"], { cwd: home });
  const archive = readdirSync(home).find((name) => name.endsWith(".tgz"));
  if (packed.status !== 0 || !archive) return "not to be had here, left out";
  execFileSync("tar", ["xzf", archive], { cwd: home });
  const from = join(home, "package");
  const node = join(from, "bin", "node");

  // a copy of the project beside it: only the engine is another
  const project = join(home, "project");
  mkdirSync(project);
  for (const name of readdirSync(root))
    if (!["node_modules", "data", ".git"].includes(name))
      cpSync(join(root, name), join(project, name), { recursive: true });
  execFileSync("cp", ["-a", join(root, "node_modules"), join(project, "node_modules")]);
  const engine = join(project, "node_modules", "better-sqlite3");
  rmSync(join(engine, "build"), { recursive: true, force: true });
  const gyp = join(execFileSync("npm", ["root", "-g"], { encoding: "utf8" }).trim(), "npm", "node_modules", "node-gyp");
  const compiled = spawnSync(node, [join(gyp, "bin", "node-gyp.js"), "rebuild", "--release", `--nodedir=${from}`], {
    cwd: engine,
    encoding: "utf8",
    // what npm is told of this machine's own headers would go before the option
    env: { ...process.env, npm_config_nodedir: from },
  });
  if (compiled.status !== 0)
    return `its database engine is not to be compiled here, left out\n${compiled.stderr.slice(-600)}`;

  const env = { ...process.env, AKMEDON_ROOT: project, NODE_ENV: "production" };
  const tests = spawnSync(
    node,
    [join("node_modules", "vitest", "vitest.mjs"), "run", "--project", "holds", "--reporter=dot"],
    {
      cwd: project,
      stdio: "inherit",
      env: { ...env, NODE_ENV: "test" },
    },
  );
  if (tests.status !== 0) return "fails: the tests above";
  const served = spawn(
    node,
    [...NODE_FLAGS, join("build", "cli", "akmedon.mjs"), "demo", "--data", join(home, "garden"), "--port", "0"],
    {
      cwd: project,
      env,
    },
  );
  try {
    const address = await addressOf(served);
    for (const page of PAGES) {
      const { status } = await fetch(address + page);
      if (status !== 200) return `fails: ${page} answers ${status}`;
    }
  } finally {
    served.kill("SIGTERM");
  }
  return `${execFileSync(node, ["--version"], { encoding: "utf8" }).trim()} runs it: tests green, ${PAGES.length} pages served`;
}

/** The address that a server says; an error with what it said when it ends before. */
function addressOf(served) {
  let said = "";
  return new Promise((resolve, reject) => {
    const read = (chunk) => {
      said += chunk;
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
      if (found) resolve(found[0]);
    };
    served.stdout.on("data", read);
    served.stderr.on("data", read);
    served.once("exit", () => reject(new Error(said.slice(-600))));
  });
}
