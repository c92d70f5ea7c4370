import type { Route } from "./+types/photo";
import { photoBytes } from "./photos.server";

export function loader({ params }: Route.LoaderArgs) {
  const bytes = photoBytes(params.name);
  if (!bytes) throw new Response("There is no such photo.", { status: 404 });
  return new Response(new Uint8Array(bytes), {
    headers: { "Content-Type": "image/jpeg", "Cache-Control": "private, max-age=31536000, immutable" },
  });
}
