import type { Config } from "@react-router/dev/config";
import { bundleWorker } from "./scripts/service-worker.mjs";

export default {
  ssr: true,
  appDirectory: "app",
  routeDiscovery: { mode: "initial" },
  buildEnd: ({ viteConfig }) => bundleWorker(viteConfig.root),
} satisfies Config;
