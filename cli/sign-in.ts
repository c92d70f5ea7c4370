import { parse } from "cookie";
import { type NextFunction, type Request, type Response, Router, urlencoded } from "express";
import type { SessionRegister } from "#db/sessions";
import { type Lock, opens, tryCounter } from "./passphrase";

const COOKIE = "ak-session";
const cookieOf = (req: Request): string | undefined => parse(req.get("Cookie") ?? "")[COOKIE];
/** Only this application's pages send it, and no script reads it. */
const KEPT_TO_US = { path: "/", httpOnly: true, sameSite: "strict" } as const;
/** Addresses of the calendar: a key of 32 letters. */
const FEED = /^\/feed\/[\w-]{32}\.ics$/;
/** Addresses of a stand-in's sheet: a key of 32 letters. */
const STAND_IN = /^\/for\/[\w-]{32}$/;
/** The application's own icons: asked for without the sign-in's cookie by a device that installs it. */
const OPEN = ["/seed.svg", "/icon-180.png", "/icon-192.png", "/icon-512.png", "/icon-512-round.png"];
const forHtml = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
/** Only paths of this very application, never another address. */
const safeBack = (back: unknown): string => (typeof back === "string" && /^\/(?![/\\])/.test(back) ? back : "/");

/** The one page served before sign-in; plain, since it needs nothing of the application. */
const page = (nonce: string, back: string, fault: string | null) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Sign in · Akmedon</title><link rel="icon" href="/seed.svg" type="image/svg+xml">
<style nonce="${nonce}">
body{margin:0;background:#f7f2e6;color:#28312a;font:18px/1.5 Georgia,serif;display:grid;min-height:100vh;place-items:center}
main{width:min(22rem,88vw)}h1{font-size:2rem;margin:0 0 .4rem}label{display:block;font-weight:bold;margin:1.2rem 0 .3rem}
input{width:100%;box-sizing:border-box;min-height:52px;font:inherit;padding:0 .8rem;border:1.5px solid #28312a;border-radius:2px 10px 2px 10px;background:#fcf9f2}
button{margin-top:1rem;width:100%;min-height:56px;font:bold 1.1rem Georgia,serif;background:#2d5a3d;color:#fff;border:0;border-radius:2px 10px 2px 10px}
:focus-visible{outline:3px solid #b3541e;outline-offset:2px}[role=alert]{color:#7d2f2a;font-weight:bold}
</style></head><body><main><img src="/seed.svg" alt="" width="40" height="40"><h1>Akmedon</h1>
<p>This garden is open to its own people on the home network.</p>
<form method="post" action="/sign-in"><input type="hidden" name="back" value="${forHtml(back)}">
<label for="passphrase">Passphrase</label>
<input id="passphrase" name="passphrase" type="password" autocomplete="current-password" required autofocus${fault ? ' aria-invalid="true" aria-describedby="fault"' : ""}>
${fault ? `<p id="fault" role="alert">${forHtml(fault)}</p>` : ""}
<button type="submit">Sign in</button></form></main></body></html>`;

/**
 * Lets through who is signed in; everyone else sees the sign-in page and the application's own icon, nothing more.
 * @param now milliseconds since 1970
 */
export function signIn(lock: Lock, sessions: SessionRegister, now: () => number = Date.now): Router {
  const router = Router();
  const tries = tryCounter();
  router.get("/sign-in", (req, res) => {
    res.type("html").send(page(res.locals.nonce, safeBack(req.query.back), null));
  });
  router.post("/sign-in", urlencoded({ extended: false, limit: "4kb" }), async (req: Request, res: Response) => {
    const from = req.ip ?? "";
    const back = safeBack(req.body?.back);
    if (!tries.allowed(from, now())) {
      res
        .status(429)
        .type("html")
        .send(page(res.locals.nonce, back, "Too many wrong tries. Wait a quarter of an hour."));
      return;
    }
    // counted before it is looked at: many at once are no more tries than one after the other
    tries.wrong(from, now());
    if (!(await opens(lock, String(req.body?.passphrase ?? "").slice(0, 1000)))) {
      res
        .status(401)
        .type("html")
        .send(page(res.locals.nonce, back, "That is not the passphrase."));
      return;
    }
    tries.right(from);
    const session = sessions.begin(req.get("User-Agent") ?? "", now());
    res.cookie(COOKIE, session.key, { ...KEPT_TO_US, maxAge: session.maxAgeS * 1000, secure: req.secure });
    res.redirect(303, back);
  });
  router.post("/sign-out", (req, res) => {
    const key = cookieOf(req);
    if (key) sessions.endKey(key);
    res.clearCookie(COOKIE, KEPT_TO_US);
    res.redirect(303, "/sign-in");
  });
  router.use((req: Request, res: Response, next: NextFunction) => {
    // these addresses are their own keys, looked at where they are answered
    const open = OPEN.includes(req.path) || (req.method === "GET" && FEED.test(req.path)) || STAND_IN.test(req.path);
    if (open || sessions.holds(cookieOf(req), now())) return next();
    const wantsPage = req.method === "GET" && (req.get("Accept") ?? "").includes("text/html");
    if (wantsPage) return res.redirect(303, `/sign-in?back=${encodeURIComponent(req.originalUrl)}`);
    res.status(401).type("text").send("Sign in first.");
  });
  return router;
}
