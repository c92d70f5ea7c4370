import { Router } from "express";
import { derOf, fingerprintOf } from "./authority";

const FILE = "/trust/akmedon-garden.crt";

/** The page that brings the garden's authority to a phone; plain, since it is seen before anything else. */
const page = (nonce: string, fingerprint: string, address: string) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Encryption at home · Akmedon</title><link rel="icon" href="/seed.svg" type="image/svg+xml">
<style nonce="${nonce}">
body{margin:0;background:#f7f2e6;color:#28312a;font:18px/1.55 Georgia,serif}
main{width:min(38rem,90vw);margin:0 auto;padding:1.5rem 0 4rem}h1{font-size:1.9rem;line-height:1.2;margin:.4rem 0 1rem}
h2{font-size:1.25rem;margin:2rem 0 .3rem}li{margin:.4rem 0}
a.go{display:block;text-align:center;padding:1rem;margin:1rem 0;background:#2d5a3d;color:#fff;font-weight:bold;text-decoration:none;border-radius:2px 10px 2px 10px}
a.on{background:#fcf9f2;color:#28312a;border:1.5px solid #28312a}
code{display:block;padding:.8rem;background:#fcf9f2;border:1px solid #d9cfb8;overflow-wrap:anywhere;font-size:.95rem}
:focus-visible{outline:3px solid #b3541e;outline-offset:2px}
</style></head><body><main><img src="/seed.svg" alt="" width="40" height="40">
<h1>Let this phone trust the garden</h1>
<p>What you enter then travels encrypted, and the pages open among the beds without a signal. It is done once on each
phone. The garden’s certificate can vouch for addresses on the home network only.</p>
<p><a class="go" href="${FILE}">1. Get the certificate</a></p>
<h2>2. On an iPhone or iPad</h2>
<ol><li>Open this page in Safari, get the certificate, and allow the profile.</li>
<li>Settings, “Profile Downloaded”: install it.</li>
<li>Settings, General, About, Certificate Trust Settings: switch “Akmedon” on.</li></ol>
<h2>2. On an Android phone</h2>
<ol><li>Get the certificate.</li>
<li>Settings: search for “CA certificate”, install anyway, and choose the file.</li></ol>
<p>Names in the settings differ a little between phones.</p>
<h2>3. Compare</h2>
<p>The SHA-256 fingerprint that the phone shows must be the one that the garden’s own machine shows in Settings, From the
beds. If it is another, do not install it.</p>
<code>${fingerprint}</code>
<p><a class="go on" href="${address}/">4. Open the garden</a></p>
<p>To take it back: remove the profile or the certificate in the phone’s settings.</p>
</main></body></html>`;

/**
 * Answers with the page and the certificate that a phone takes in, before any sign-in.
 * @param authority the authority's certificate, PEM
 * @param addressOf the encrypted address for whoever asked under a host name
 */
export function trustPage(authority: string, addressOf: (hostname: string) => string): Router {
  const router = Router();
  router.get("/trust", (req, res) => {
    res.type("html").send(page(res.locals.nonce, fingerprintOf(authority), addressOf(req.hostname)));
  });
  router.get(FILE, (_req, res) => {
    res.type("application/x-x509-ca-cert").send(derOf(authority));
  });
  return router;
}
