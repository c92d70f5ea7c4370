import { addDays, type Day } from "../calendar/day";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";

/** Days after the last of its yearly range for which a season is still spoken of; then the next one is waited for. */
const SEASON_TAIL_DAYS = 75;

/**
 * The day from which a planting's clock runs: its start, or, for what stands for years (trees, bushes, crowns), the
 * usual bloom or first growth of the season at hand; once that is well over, of the next one. The southern half of
 * the world lives half a year apart.
 */
export function clockStart(
  planting: Pick<Planting, "startedOn">,
  crop: Pick<Crop, "days" | "usualStart">,
  today: Day,
  latitudeDeg: number,
): Day {
  if (!crop.days.yearly) return planting.startedOn;
  const length = crop.days.yearly[1] + SEASON_TAIL_DAYS;
  const year = Number(today.slice(0, 4));
  const starts = [year - 1, year, year + 1].map((y) => {
    const usual = `${y}-${crop.usualStart}`;
    return latitudeDeg >= 0 ? usual : addDays(usual, 182);
  });
  const first = starts.find((s) => addDays(s, length) >= today) ?? starts[2]!;
  return first > planting.startedOn ? first : planting.startedOn;
}
