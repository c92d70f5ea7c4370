import { createContext } from "react";

/** The page's nonce of the content security policy; empty in the browser, where it is hidden. */
export const NonceContext = createContext("");
