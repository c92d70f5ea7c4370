import { pipeline, Readable } from "node:stream";
import { createGzip } from "node:zlib";
import { createReadableStreamFromReadable } from "@react-router/node";

/** Pieces made ahead of whoever takes them. */
const AHEAD = 2;

/**
 * A long text, sent piece by piece as it is made and as fast as it is taken; packed for whoever takes it packed. That is
 * done here: on the way out each piece would be packed to its end by itself.
 */
export function textOut(pieces: Iterable<string>, request: Request, headers: Record<string, string>): Response {
  const text = Readable.from(pieces, { highWaterMark: AHEAD });
  if (!/\bgzip\b/.test(request.headers.get("Accept-Encoding") ?? ""))
    return new Response(createReadableStreamFromReadable(text), { headers });
  // whoever goes away in the middle ends both
  const packed = pipeline(text, createGzip(), () => {});
  return new Response(createReadableStreamFromReadable(packed), {
    headers: { ...headers, "Content-Encoding": "gzip", Vary: "Accept-Encoding" },
  });
}
