import { lastWeights } from "../server/devices/scale-log.server";
import { gardenNow } from "../server/garden-now.server";

/** The last weights of a real scale, for the panel beside the weight. */
export const loader = () => ({ weights: lastWeights(gardenNow()) });
