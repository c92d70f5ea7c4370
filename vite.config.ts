import { reactRouter } from "@react-router/dev/vite";
import { defineConfig, type Plugin } from "vite";

/** Emits the worker threads beside the server build under fixed names. */
const workers = (): Plugin => ({
  name: "akmedon-workers",
  applyToEnvironment: (environment) => environment.name === "ssr",
  buildStart() {
    if (this.environment.mode !== "build") return;
    for (const [name, folder] of Object.entries({ plan: "rounds", reading: "server", backup: "server" }))
      this.emitFile({ type: "chunk", id: `app/${folder}/${name}.worker.ts`, fileName: `workers/${name}.js` });
  },
});

/** Where a schema is made: of Zod's, or of another one; what it is asked stays. */
const MADE = /(?<![\w.])(?:z|\w+S(?:chema|hape))\s*\.(?=\s*(?!parse|safeParse)\w+\()/g;

/**
 * Leaves out of a page's script every schema it does not ask for, and Zod with them: to make a schema has no effect, which
 * the bundler cannot know. A page that wants one word or figure of a file has all of that file's schemas otherwise.
 */
const unaskedSchemas = (): Plugin => ({
  name: "akmedon-unasked-schemas",
  applyToEnvironment: (environment) => environment.name === "client",
  transform: (code, id) =>
    /\/(core|formats|app)\/[^?]*\.tsx?$/.test(id) && /from "zod"/.test(code)
      ? { code: code.replace(MADE, (call) => `/* @__PURE__ */ ${call}`), map: null }
      : null,
});

/**
 * What Zod says of a schema in JSON's own language for schemas: no form asks that. Zod hangs it on every schema, so the
 * bundler cannot leave it out; its functions stay, with nothing in them.
 */
const noJsonSchema = (): Plugin => ({
  name: "akmedon-no-json-schema",
  applyToEnvironment: (environment) => environment.name === "client",
  transform(code, id) {
    if (!/\/zod\/v4\/core\/(to-json-schema|json-schema-processors)\.js$/.test(id)) return null;
    const names = [...code.matchAll(/^export (?:function|const) (\w+)/gm)].map(([, name]) => name);
    return { code: names.map((name) => `export const ${name} = () => undefined;`).join("\n"), map: null };
  },
});

/** Native code, and what the command line shares with the pages: of these a process has one copy, their package's own. */
const SHARED = ["better-sqlite3", "react", "react-dom", "react-router", "pino", "chokidar"];

// bundled with the pages the other packages load in a quarter of the time and half the memory; of icons and languages
// nobody asks for nothing is loaded
export default defineConfig(({ command }) => ({
  plugins: [unaskedSchemas(), noJsonSchema(), reactRouter(), workers()],
  ...(command === "build" && { ssr: { noExternal: true, external: SHARED } }),
  build: { sourcemap: false, chunkSizeWarningLimit: 900 },
}));
