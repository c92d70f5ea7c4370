import { Writable } from "node:stream";
import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { renderToPipeableStream } from "react-dom/server";
import {
  type EntryContext,
  type HandleErrorFunction,
  isRouteErrorResponse,
  type RouterContextProvider,
  ServerRouter,
} from "react-router";
import { noteTrouble } from "#db/troubles";
import { watchInbox } from "./server/devices/inbox.server";
import { dataDir } from "./server/garden-now.server";
import { nonceOf } from "./server/nonce.server";
import { NonceContext } from "./ui/nonce";

/** What fails while a page is made is written down where the gardener can read it. */
export const handleError: HandleErrorFunction = (error, { request }) => {
  if (request.signal.aborted || isRouteErrorResponse(error)) return;
  console.error(error);
  noteTrouble(dataDir(), new URL(request.url).pathname, error);
};

// devices lay their files down while the garden is served
if (process.env.NODE_ENV === "production") watchInbox();

const ABORT_MS = 10_000;

/** Renders a page with a style cache of its own that carries the page's nonce, so that the content security policy holds. */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
  loadContext: RouterContextProvider,
) {
  const nonce = nonceOf(loadContext);
  const cache = createCache({ key: "ak", nonce });
  return new Promise<Response>((resolve, reject) => {
    let statusCode = status;
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext.Provider value={nonce}>
        <CacheProvider value={cache}>
          <ServerRouter context={context} url={request.url} nonce={nonce} />
        </CacheProvider>
      </NonceContext.Provider>,
      {
        nonce,
        onAllReady() {
          const parts: Uint8Array[] = [];
          headers.set("Content-Type", "text/html; charset=utf-8");
          pipe(
            new Writable({
              highWaterMark: 16 * 1024 * 1024,
              write(part: Buffer, _, next) {
                parts.push(part);
                next();
              },
              final(end) {
                resolve(new Response(Buffer.concat(parts) as unknown as BodyInit, { headers, status: statusCode }));
                end();
              },
            }),
          );
        },
        onShellError: reject,
        onError(error) {
          statusCode = 500;
          console.error(error);
        },
      },
    );
    setTimeout(abort, ABORT_MS).unref();
  });
}
