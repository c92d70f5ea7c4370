import { randomBytes } from "node:crypto";
import { EventEmitter } from "node:events";
import { existsSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { hostname, networkInterfaces } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express, { type NextFunction, type Request, type Response } from "express";
import type { ServerBuild } from "react-router";
import { sessionRegister } from "#db/sessions";
import type { Lock } from "./passphrase";
import { signIn } from "./sign-in";

// compression hands "drain" listeners on but cannot take them off again: they go with each response, and the warning
// about them would only trouble the gardener's terminal
EventEmitter.defaultMaxListeners = 200;

/** Largest bodies taken: forms are small, files come only to the two pages that import. */
const MOST_FORM_BYTES = 256 * 1024;
const MOST_FILE_BYTES = 31 * 1024 * 1024;
const FILE_PAGES = /^\/(weather|settings|walk\/[\w-]+|picks\/(import|several)|keep\/places)(\.data)?$/;

/** The content security policy of a page: nothing from any other host, scripts and styles only with this page's nonce. */
const policy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src-elem 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");

/** The methods a page needs; anything else is refused before any file or page is looked for. */
const METHODS = ["GET", "HEAD", "POST"];
function known(req: Request, res: Response, next: NextFunction): void {
  if (!METHODS.includes(req.method)) {
    res.status(405).setHeader("Allow", METHODS.join(", ")).type("text").send("This cannot be done here.");
    return;
  }
  if (req.path.includes("\0") || req.path.includes("%00")) {
    res.status(400).type("text").send("There is no such address.");
    return;
  }
  next();
}

/** Refuses a change that another site's page sent: its origin must be this very address. */
function sameOrigin(req: Request, res: Response, next: NextFunction): void {
  if (req.method === "GET" || req.method === "HEAD") {
    next();
    return;
  }
  const origin = req.get("Origin");
  const site = req.get("Sec-Fetch-Site");
  const host = req.get("Host");
  const foreign =
    (site !== undefined && site !== "same-origin" && site !== "none") ||
    (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`);
  if (foreign || (origin === undefined && site === undefined)) {
    res.status(403).type("text").send("This change did not come from Akmedon’s own pages, so it was not made.");
    return;
  }
  next();
}

/** Refuses bodies of unknown or too large a size before they are read. */
function bounded(req: Request, res: Response, next: NextFunction): void {
  if (req.method === "GET" || req.method === "HEAD") {
    next();
    return;
  }
  const length = Number(req.get("Content-Length"));
  if (!Number.isInteger(length)) {
    res.status(411).type("text").send("The size of what was sent is not known.");
    return;
  }
  if (length > (FILE_PAGES.test(req.path) ? MOST_FILE_BYTES : MOST_FORM_BYTES)) {
    res.status(413).type("text").send("This is more than can be taken here.");
    return;
  }
  next();
}

/** Names by which this machine alone may be addressed; guards against a foreign name that points here. */
const LOCAL = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** Addresses of this machine on the networks it is part of. */
const homeAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter((n) => n.family === "IPv4" && !n.internal)
    .map((n) => n.address);

/** Whether a request names this machine, by itself or, when the home network is let in, by its address there. */
function isOurs(host: string, lan: boolean): boolean {
  if (LOCAL.test(host)) return true;
  if (!lan) return false;
  const name = host.replace(/:\d+$/, "").toLowerCase();
  const own = hostname().toLowerCase();
  return homeAddresses().includes(name) || name === own || name === `${own}.local`;
}

/**
 * Serves the built application: on this machine only, or, behind a passphrase, on the home network.
 * @param port 0 lets the system choose
 * @param lock the passphrase's lock; null serves this machine only
 * @returns the server, its address, and its address on the home network; rejects when the port is taken
 */
export async function serve(
  root: string,
  port: number,
  lock: Lock | null = null,
): Promise<{ server: Server; address: string; homeAddress: string | null }> {
  const file = join(root, "build", "server", "index.js");
  if (!existsSync(file)) throw new Error("The application is not built yet: run `npm run build` first.");
  const build = (await import(pathToFileURL(file).href)) as ServerBuild;
  const app = express();
  app.disable("x-powered-by");
  app.use((req, res, next) => {
    if (!isOurs(req.get("Host") ?? "", lock !== null)) {
      res.status(421).type("text").send("Akmedon answers only to this machine’s own address.");
      return;
    }
    res.locals.nonce = randomBytes(16).toString("base64");
    res.setHeader("Content-Security-Policy", policy(res.locals.nonce));
    res.setHeader("X-Content-Type-Options", "nosniff");
    res.setHeader("Referrer-Policy", "same-origin");
    res.setHeader("Cross-Origin-Opener-Policy", "same-origin");
    next();
  });
  app.use(known, sameOrigin, bounded);
  if (lock) app.use(signIn(lock, sessionRegister(process.env.AKMEDON_DATA ?? join(root, "data", "garden"))));
  app.use(compression());
  app.use("/assets", express.static(join(root, "build", "client", "assets"), { immutable: true, maxAge: "1y" }));
  app.use(express.static(join(root, "build", "client"), { maxAge: "1h" }));
  app.use((_req, res, next) => {
    // pages are this household's alone: no cache between here and the browser keeps them
    res.setHeader("Cache-Control", "private, no-cache");
    next();
  });
  app.use(
    createRequestHandler({
      build,
      mode: process.env.NODE_ENV,
      getLoadContext: (_req, res) => ({ nonce: res.locals.nonce as string }),
    }),
  );
  const server = createServer(app);
  await new Promise<void>((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, lock ? "0.0.0.0" : "127.0.0.1", resolve);
  });
  const { port: chosen } = server.address() as AddressInfo;
  const home = lock ? homeAddresses()[0] : undefined;
  const homeAddress = home ? `http://${home}:${chosen}` : null;
  return { server, address: `http://127.0.0.1:${chosen}`, homeAddress };
}
