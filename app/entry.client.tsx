import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { StrictMode, startTransition } from "react";
import { hydrateRoot } from "react-dom/client";
import { HydratedRouter } from "react-router/dom";
import { withWorker } from "./offline/signal";

const nonce = document.querySelector<HTMLMetaElement>("meta[property=csp-nonce]")?.content ?? "";
const cache = createCache({ key: "ak", nonce });

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <CacheProvider value={cache}>
        <HydratedRouter />
      </CacheProvider>
    </StrictMode>,
  );
});

/** Tells the garden's own server what went wrong here, a few times at most; nobody else hears of it. */
let told = 0;
function tell(error: unknown): void {
  told += 1;
  if (told > 5) return;
  const { message, stack } = error instanceof Error ? error : { message: String(error), stack: "" };
  const body = new FormData();
  body.set("where", location.pathname.slice(0, 200));
  body.set("message", (message || "a fault without words").slice(0, 600));
  body.set("stack", (stack ?? "").slice(0, 4000));
  void fetch("/trouble", { method: "POST", body, keepalive: true }).catch(() => undefined);
}
if (import.meta.env.PROD) {
  addEventListener("error", (event) => tell(event.error ?? event.message));
  addEventListener("unhandledrejection", (event) => tell(event.reason));
}

// in development every change would meet yesterday's kept page
if (import.meta.env.PROD) withWorker();
