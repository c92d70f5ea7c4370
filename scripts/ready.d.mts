/** Bundles the akmedon command into one file where its sources are newer, and says where it lies. */
export function bundleCommand(): string;
