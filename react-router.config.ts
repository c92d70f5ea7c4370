import type { Config } from "@react-router/dev/config";
import { bundleWorker } from "./scripts/service-worker.mjs";

export default {
  future: {
    v8_middleware: true,
    v8_splitRouteModules: true,
    v8_viteEnvironmentApi: true,
    v8_passThroughRequests: true,
    v8_trailingSlashAwareDataRequests: true,
  },
  ssr: true,
  appDirectory: "app",
  routeDiscovery: { mode: "initial" },
  buildEnd: ({ viteConfig }) => bundleWorker(viteConfig.root),
} satisfies Config;
