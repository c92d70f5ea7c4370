import { reactRouter } from "@react-router/dev/vite";
import { defineConfig, type Plugin } from "vite";

/** Emits the planner's worker thread beside the server build under a fixed name. */
const planWorker = (): Plugin => ({
  name: "akmedon-plan-worker",
  applyToEnvironment: (environment) => environment.name === "ssr",
  buildStart() {
    if (this.environment.mode === "build")
      this.emitFile({ type: "chunk", id: "app/server/plan.worker.ts", fileName: "workers/plan.js" });
  },
});

export default defineConfig({
  plugins: [reactRouter(), planWorker()],
  build: { sourcemap: false, chunkSizeWarningLimit: 900 },
});
