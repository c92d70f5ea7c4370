import { type ComponentType, lazy } from "react";

/**
 * A part that is loaded when it is first asked for. Where it cannot be had, without a signal and never loaded before,
 * what stands in for it is drawn; the page never fails for it.
 */
export const lazyOr = <Props>(
  load: () => Promise<{ default: ComponentType<Props> }>,
  otherwise: ComponentType<Props> = () => null,
) => lazy(() => load().catch(() => ({ default: otherwise })));
