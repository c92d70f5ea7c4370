import type { Tick } from "./garden/tick";
import type { JobMark, OwnJob } from "./jobs/mark";
import type { GrowingGarden } from "./planning/outlook";
import type { BedLoss } from "./season/bed-loss";
import type { Lesson } from "./season/lessons";
import type { Planned } from "./season/next-plot-row";
import type { SeedLot } from "./season/seed-lots";

/** Everything about a garden, read in one go: what judging and planning read, and what is kept beside. */
export type Snapshot = GrowingGarden & {
  lessons: Lesson[];
  bedLosses: BedLoss[];
  ticks: Tick[];
  ownJobs: OwnJob[];
  jobMarks: JobMark[];
  seedLots: SeedLot[];
  planned: Planned[];
};
