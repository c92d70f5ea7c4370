import { listTroubles } from "#db/troubles";
import { dataDir } from "../server/garden-now.server";

/** What went wrong, as a text that a gardener can read and send. */
export function loader() {
  const text = listTroubles(dataDir(), 500)
    .map((t) => `${t.at}  ${t.where}\n${t.stack || t.message}\n`)
    .join("\n");
  return new Response(text || "Nothing went wrong.\n", {
    headers: {
      "Content-Type": "text/plain; charset=utf-8",
      "Content-Disposition": 'attachment; filename="akmedon-what-went-wrong.txt"',
    },
  });
}
