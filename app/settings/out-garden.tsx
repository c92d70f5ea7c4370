import { gardenOut } from "./garden-out.server";

/** The whole garden as one JSON archive. */
export const loader = () => gardenOut("json");
