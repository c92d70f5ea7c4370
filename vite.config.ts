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

export default defineConfig({
  plugins: [reactRouter(), workers()],
  build: { sourcemap: false, chunkSizeWarningLimit: 900 },
});
