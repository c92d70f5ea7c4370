import type { Garden } from "#core/garden/garden";
import { M_PER_FOOT } from "#core/units/constants";

type High = Pick<Garden, "elevationM" | "units">;

/** Height above the sea as its field shows it: metres, or whole feet. */
export const shownHeight = ({ elevationM, units }: High): number =>
  units === "us" ? Math.round(elevationM / M_PER_FOOT) : elevationM;

/** What was typed there, m; what stands as it was shown is what it was, to the last digit. */
export function readHeight(shown: number | null, garden: High): number | null {
  if (shown === null || garden.units !== "us") return shown;
  return shown === shownHeight(garden) ? garden.elevationM : shown * M_PER_FOOT;
}
