import { useSyncExternalStore } from "react";

const never = () => () => undefined;

/** Whether the page's scripts run: before they do, the device's own controls serve. */
export const useAwake = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
