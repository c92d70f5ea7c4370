/** Bundles the service worker after a build. @param root the project's folder */
export function bundleWorker(root: string): Promise<void>;
