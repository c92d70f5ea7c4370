import { randomBytes } from "node:crypto";
import { EventEmitter } from "node:events";
import { existsSync } from "node:fs";
import { createServer, type Server } from "node:http";
import { createServer as createSecureServer } from "node:https";
import type { AddressInfo } from "node:net";
import { hostname, networkInterfaces } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express, { type NextFunction, type Request, type Response } from "express";
import helmet from "helmet";
import { RouterContextProvider, type ServerBuild } from "react-router";
import { sessionRegister } from "#db/sessions";
import { certificateOf } from "./authority";
import type { Lock } from "./passphrase";
import { counted } from "./quiet";
import { signIn } from "./sign-in";
import { trustPage } from "./trust";

// compression hands "drain" listeners on but cannot take them off again: they go with each response, and the warning
// about them would only trouble the gardener's terminal
EventEmitter.defaultMaxListeners = 200;

/** Largest bodies taken: forms are small, files come only to the two pages that import. */
const MOST_FORM_BYTES = 256 * 1024;
const MOST_FILE_BYTES = 31 * 1024 * 1024;
const FILE_PAGES = /^\/(weather|settings|walk\/[\w-]+|waiting|picks\/(import|several)|keep\/places)(\.data)?$/;

const SELF = "'self'";
const nonceOf = (_req: unknown, res: unknown): string => `'nonce-${(res as Response).locals.nonce}'`;
/**
 * The headers that keep a page to itself: nothing from any other host, scripts and styles only with this page's nonce,
 * in nobody's frame. No lasting word that this host is encrypted: its plain address brings phones to trust it.
 */
const headers = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: [SELF],
      scriptSrc: [SELF, nonceOf],
      styleSrcElem: [SELF, nonceOf],
      styleSrcAttr: ["'unsafe-inline'"],
      imgSrc: [SELF, "data:", "blob:"],
      fontSrc: [SELF],
      connectSrc: [SELF],
      workerSrc: [SELF],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: [SELF],
      frameAncestors: ["'none'"],
    },
  },
  referrerPolicy: { policy: "same-origin" },
  strictTransportSecurity: false,
});

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

/** This machine on the networks it is part of. */
const homeInterfaces = () =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter((n) => n.family === "IPv4" && !n.internal);
/** Its addresses there. */
const homeAddresses = (): string[] => homeInterfaces().map((n) => n.address);

/** Whether a request names this machine, by itself or, when the home network is let in, by its address there. */
function isOurs(host: string, lan: boolean): boolean {
  if (LOCAL.test(host)) return true;
  if (!lan) return false;
  const name = host.replace(/:\d+$/, "").toLowerCase();
  const own = hostname().toLowerCase();
  return homeAddresses().includes(name) || name === own || name === `${own}.local`;
}

/** The machine's name without the network's. */
const host = (): string => hostname().split(".")[0]!.toLowerCase();

/** The part of the service that looks encrypted and at home: what goes out where, and to whom. */
type Encryption = { authority: string; securePort: () => number };

/**
 * On the home network only the encrypted address serves the garden; the plain one brings phones to trust it. This
 * machine itself needs no encryption: what it sends never leaves it.
 */
function encryptedAtHome({ authority, securePort }: Encryption) {
  const secureAddress = (name: string) => `https://${name}:${securePort()}`;
  const trust = trustPage(authority, secureAddress);
  return (req: Request, res: Response, next: NextFunction): void => {
    trust(req, res, () => {
      if (req.secure || LOCAL.test(req.get("Host") ?? "") || req.path === "/seed.svg") next();
      else if (req.method === "GET") res.redirect(302, "/trust");
      else res.status(426).type("text").send("Use the encrypted address; nothing was taken.");
    });
  };
}

/** The application behind its doors. @param encryption null: plain at every address */
function applicationOf(root: string, build: ServerBuild, lock: Lock | null, encryption: Encryption | null) {
  const app = express();
  app.use(counted);
  app.use((req, res, next) => {
    if (!isOurs(req.get("Host") ?? "", lock !== null)) {
      res.status(421).type("text").send("Akmedon answers only to this machine’s own address.");
      return;
    }
    res.locals.nonce = randomBytes(16).toString("base64");
    next();
  });
  app.use(headers, known, sameOrigin, bounded);
  if (encryption) app.use(encryptedAtHome(encryption));
  if (lock) app.use(signIn(lock, sessionRegister(process.env.AKMEDON_DATA ?? join(root, "data", "garden"))));
  app.use(compression());
  app.use("/assets", express.static(join(root, "build", "client", "assets"), { immutable: true, maxAge: "1y" }));
  app.use(
    express.static(join(root, "build", "client"), {
      maxAge: "1h",
      // what keeps pages for the time without a signal must be today's
      setHeaders: (res, path) => path.endsWith("service-worker.js") && res.setHeader("Cache-Control", "no-cache"),
    }),
  );
  app.use((_req, res, next) => {
    // pages are this household's alone: no cache between here and the browser keeps them
    res.setHeader("Cache-Control", "private, no-cache");
    next();
  });
  app.use(
    createRequestHandler({
      build,
      mode: process.env.NODE_ENV,
      // the page and this door are built apart and share no key of a context: the nonce goes as a plain field
      getLoadContext: (_req, res) => Object.assign(new RouterContextProvider(), { nonce: res.locals.nonce as string }),
    }),
  );
  return app;
}

const listening = (server: Server, port: number, address: string): Promise<number> =>
  new Promise((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, address, () => resolve((server.address() as AddressInfo).port));
  });

/** How the home network is let in: behind a passphrase, encrypted or plain. */
export type Home = { lock: Lock; plain: boolean };
export type Served = {
  servers: Server[];
  /** the pages as they are built */
  build: ServerBuild;
  address: string;
  /** where the garden is on the home network; null: it is not let in, or there is none */
  homeAddress: string | null;
  /** where a phone comes to trust the encryption, and the authority's certificate; null: nothing is encrypted */
  trust: { address: string; authority: string } | null;
};

/**
 * Serves the built application: on this machine only, or, behind a passphrase, on the home network too; there encrypted
 * on the next port unless it is asked for plain.
 * @param port 0 lets the system choose
 * @param home null serves this machine only
 * @returns the servers and their addresses; rejects when a port is taken
 */
export async function serve(root: string, port: number, home: Home | null = null): Promise<Served> {
  const file = join(root, "build", "server", "index.js");
  if (!existsSync(file)) throw new Error("The application is not built yet: run `npm run build` first.");
  const build = (await import(pathToFileURL(file).href)) as ServerBuild;
  const at = home ? homeAddresses()[0] : undefined;
  if (!home || home.plain) {
    const server = createServer(applicationOf(root, build, home?.lock ?? null, null));
    const chosen = await listening(server, port, home ? "0.0.0.0" : "127.0.0.1");
    return {
      servers: [server],
      build,
      address: `http://127.0.0.1:${chosen}`,
      homeAddress: at ? `http://${at}:${chosen}` : null,
      trust: null,
    };
  }
  const dataDir = process.env.AKMEDON_DATA ?? join(root, "data", "garden");
  const made = await certificateOf(
    dataDir,
    host(),
    homeInterfaces().flatMap((n) => n.cidr ?? []),
  );
  let securePort = 0;
  const app = applicationOf(root, build, home.lock, { authority: made.authority, securePort: () => securePort });
  const server = createServer(app);
  const secure = createSecureServer({ key: made.key, cert: made.certificate }, app);
  const chosen = await listening(server, port, "0.0.0.0");
  securePort = await listening(secure, port === 0 ? 0 : chosen + 1, "0.0.0.0");
  return {
    servers: [server, secure],
    build,
    address: `http://127.0.0.1:${chosen}`,
    homeAddress: at ? `https://${at}:${securePort}` : null,
    trust: { address: `http://${at ?? "127.0.0.1"}:${chosen}/trust`, authority: made.authority },
  };
}
