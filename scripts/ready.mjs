// Makes a checkout ready to run, with Node's own modules only: installs when the lock file asks for it, builds when
// sources are newer than the build.
import { execFileSync, spawnSync } from "node:child_process";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const stamp = join(root, "node_modules", ".akmedon-lock");

/** Runs a command in the project's root, its output shown; ends this process when it fails. */
export function run(command, args, env = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: "inherit", env: { ...process.env, ...env } });
  if (result.error) throw result.error;
  if (result.status !== 0) process.exit(result.status ?? 1);
}

/** Installs the packages of the lock file unless that was done already. */
export function install() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Akmedon needs Node 20.19 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const lock = readFileSync(join(root, "package-lock.json"), "utf8");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  console.log("Installing packages. The database engine is compiled on this machine: two to four minutes, once.");
  run("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"]);
  writeFileSync(stamp, lock);
}

const newest = (path) => {
  const info = statSync(path);
  if (!info.isDirectory()) return info.mtimeMs;
  const names = readdirSync(path).filter((name) => !/\.test\.tsx?$|^fixtures$/.test(name));
  return Math.max(0, ...names.map((name) => newest(join(path, name))));
};

/** Builds the application unless the build is newer than every source. */
export function build() {
  const made = join(root, "build", "server", "index.js");
  const sources = [
    "app",
    "core",
    "formats",
    "standins",
    "db",
    "public",
    "vite.config.ts",
    "react-router.config.ts",
    "package-lock.json",
  ];
  if (existsSync(made) && Math.max(...sources.map((s) => newest(join(root, s)))) < statSync(made).mtimeMs) return;
  console.log("Building the application: about half a minute.");
  run(process.execPath, [join("node_modules", "@react-router", "dev", "bin.js"), "build", "--logLevel", "error"], {
    NODE_ENV: "production",
  });
}

/** The command line as one file: it starts faster and smaller than from its sources. */
export function bundleCommand() {
  const made = join(root, "build", "cli", "akmedon.mjs");
  const newestSource = Math.max(
    ...["cli", "core", "formats", "standins", "db", "package-lock.json"].map((s) => newest(join(root, s))),
  );
  if (existsSync(made) && newestSource < statSync(made).mtimeMs) return made;
  bundle(join("cli", "akmedon.ts"), made);
  return made;
}

/** Bundles a bench of bench/ into one file beside the build, where the packages it leaves out are found. */
export function bundleBench(name) {
  const made = join(root, "build", "bench", `${name}.mjs`);
  bundle(join("bench", `${name}.ts`), made);
  return made;
}

/** One file of a source and all it imports, packages left out; called as a program, for it may be installed only now. */
function bundle(source, made) {
  run(process.execPath, [
    join("node_modules", "esbuild", "bin", "esbuild"),
    source,
    "--bundle",
    "--platform=node",
    "--format=esm",
    "--packages=external",
    "--log-level=error",
    `--outfile=${made}`,
  ]);
}

/**
 * How Node is started for the command: told how much memory a garden needs at most, it tidies up sooner and stays at
 * about 200 MB instead of growing to twice that. It tidies up with one thread beside: with four of them on two cores
 * whoever waits for a page waited for them.
 */
export const NODE_FLAGS = ["--max-old-space-size=512", "--max-semi-space-size=8", "--v8-pool-size=1"];

/** What was needed for a moment is given back to the machine at once, not kept in many pools (glibc; elsewhere without effect). */
export const MEMORY_GIVEN_BACK = {
  MALLOC_ARENA_MAX: "2",
  MALLOC_TRIM_THRESHOLD_: "131072",
  MALLOC_MMAP_THRESHOLD_: "131072",
};

/** Runs a verb of the akmedon command in this process's place. */
export function akmedon(args) {
  const result = spawnSync(process.execPath, [...NODE_FLAGS, bundleCommand(), ...args], {
    cwd: process.cwd(),
    stdio: "inherit",
    env: { ...MEMORY_GIVEN_BACK, ...process.env, AKMEDON_ROOT: root, NODE_ENV: process.env.NODE_ENV ?? "production" },
  });
  process.exit(result.status ?? 1);
}

const WINDOWED = ["/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome"];
/** Debian's Chromium without a window of its own opens pages in half the time; the list of authorities it does not ask. */
const HEADLESS = "/usr/bin/chromium-headless-shell";

/** Installs Debian's Chromium for the browser tests, both kinds, where it is missing and this user may. */
export function chromium() {
  const root = process.getuid?.() === 0;
  if (!WINDOWED.some((p) => existsSync(p))) {
    if (!root) {
      console.error("The browser tests need Chromium: install it (Debian: apt-get install chromium) and run again.");
      process.exit(1);
    }
    console.log("Installing Chromium for the browser tests.");
    installDebian("chromium");
  }
  if (!existsSync(HEADLESS) && root) {
    try {
      installDebian("chromium-headless-shell");
    } catch {
      console.log("Debian's chromium-headless-shell is not to be had here: the other one does it, more slowly.");
    }
  }
  return existsSync(HEADLESS) ? HEADLESS : WINDOWED.find((p) => existsSync(p));
}

/** Installs what tells Chromium to trust an authority, where it is missing and this user may. */
export function certutil() {
  const found = ["/usr/bin/certutil", "/usr/local/bin/certutil"].some((p) => existsSync(p));
  if (!found && process.getuid?.() === 0) installDebian("libnss3-tools");
}

function installDebian(name) {
  execFileSync("apt-get", ["update", "-qq"], { stdio: "inherit" });
  execFileSync("apt-get", ["install", "-y", "-qq", "--no-install-recommends", name], {
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" },
  });
}
