import { gardenOut } from "./garden-out.server";

/** The whole garden with the photos of its looks and picks as one zip. */
export const loader = () => gardenOut("zip");
