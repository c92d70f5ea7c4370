import { desk } from "../server/desk.server";
import { lastWeights } from "../server/devices/scale-log.server";

/** The last weights of a real scale, for the panel beside the weight. */
export const loader = () => ({ weights: lastWeights(desk()) });
