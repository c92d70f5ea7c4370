/** The nonce of this page's content security policy, as the door in `cli/serve.ts` hands it in; empty in development. */
export const nonceOf = (context: object): string =>
  "nonce" in context && typeof context.nonce === "string" ? context.nonce : "";
