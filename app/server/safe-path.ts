/** A path within this application from a form, never another site; "/" when in doubt. */
export function safePath(value: FormDataEntryValue | string | null): string {
  return typeof value === "string" && /^\/(?![/\\])[^\s\\]{0,400}$/.test(value) ? value : "/";
}

/** The path without the mark of the last change. */
export function withoutDone(path: string): string {
  const url = new URL(path, "http://garden");
  url.searchParams.delete("done");
  url.searchParams.delete("said");
  return url.pathname + url.search;
}
