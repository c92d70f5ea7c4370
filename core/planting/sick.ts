import { addDays, type Day } from "../calendar/day";
import type { Check } from "./check";

/** Days for which a look that found disease holds. */
const DISEASE_DAYS = 14;
const CUES = ["disease", "rust", "blight"];

/** Whether the latest look at disease, rust or blight within two weeks said yes. @param checks of one planting, in order */
export function isSick(checks: readonly Check[], today: Day): boolean {
  const since = addDays(today, -DISEASE_DAYS);
  const seen = checks.filter((c) => c.at.slice(0, 10) >= since && c.at.slice(0, 10) <= today);
  return (
    seen
      .flatMap((c) => c.readings)
      .filter((r) => CUES.includes(r.cueId))
      .at(-1)?.value === true
  );
}
