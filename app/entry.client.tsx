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

// in development every change would meet yesterday's kept page
if (import.meta.env.PROD) withWorker();
