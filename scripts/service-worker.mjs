// Bundles the service worker after a build, with the list of what that build made.
import { createHash } from "node:crypto";
import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import { build } from "esbuild";

/** Letters of other scripts and the list of routes are had when they are needed, or never. */
const NEEDED = /\.(js|css|svg|png|webmanifest)$|latin-(?!ext).*\.woff2$/;
const HASHED = /^assets\//;

/** @param root the project's folder */
export async function bundleWorker(root) {
  const client = join(root, "build", "client");
  const names = (await readdir(client, { recursive: true })).filter(
    (name) => NEEDED.test(name) && name !== "service-worker.js",
  );
  const files = await Promise.all(
    names.sort().map(async (name) => ({
      url: `/${name}`,
      // a name with a hash in it never means another file
      revision: HASHED.test(name)
        ? null
        : createHash("sha256")
            .update(await readFile(join(client, name)))
            .digest("hex")
            .slice(0, 16),
    })),
  );
  await build({
    entryPoints: [join(root, "app", "offline", "service-worker.ts")],
    outfile: join(client, "service-worker.js"),
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    define: { BUILT: JSON.stringify(files), "process.env.NODE_ENV": '"production"' },
    logLevel: "error",
  });
}
