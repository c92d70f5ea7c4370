import { type Technique, techniqueFor } from "#core/handbook/technique";
import type { PlantingOutlook } from "#core/planning/outlook";
import { soilState } from "#core/weather/soil";
import type { GardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";

const DAYS_OF_SOIL = 30;

/** The ground as it is today, by the weather of the last month; null: nobody knows. */
export const soilToday = (d: GardenNow) =>
  remembered(d, "soil today", () => {
    const days = d.snapshot.weather.filter((w) => w.day < d.today).slice(-DAYS_OF_SOIL);
    return days.length >= 10 ? soilState(days).state : null;
  });

/** How a planting is taken today: by its school, in this ground, at this size. */
export const techniqueOf = (d: GardenNow, p: Pick<PlantingOutlook, "crop" | "school" | "judgement">): Technique =>
  techniqueFor(p.crop, { schoolId: p.school.id, soil: soilToday(d), meanStage: p.judgement.meanStage });
