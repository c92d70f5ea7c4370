import { join } from "node:path";
import { type Handbook, handbookWith } from "#core/handbook/index";
import { Memory } from "#core/planning/memory";
import { type Outlook, outlookOf, type Snapshot } from "#core/planning/outlook";
import type { Kept, PlanProblem, Wishes } from "#core/planning/question/problem";
import { problemOf } from "#core/planning/question/question";
import { bookOf } from "#core/weighing/taught-book";
import { revision } from "#db/change";
import { nowAt, snapshotOf } from "#db/garden";
import { type Db, openGarden } from "#db/open";

const holder = globalThis as { akmedonDb?: Db };

/** The folder of the garden that this process serves: AKMEDON_DATA. */
export const dataDir = (): string => process.env.AKMEDON_DATA ?? join(process.cwd(), "data", "garden");

/** The open garden of this process. */
export function db(): Db {
  holder.akmedonDb ??= openGarden(dataDir());
  return holder.akmedonDb;
}

export type GardenNow = { snapshot: Snapshot; outlook: Outlook; now: string; today: string };

let memo: { key: string; now: GardenNow } | null = null;
const memory = new Memory();

/** The garden as it stands now, judged. Worked out once for each change and each quarter of an hour. */
export function gardenNow(): GardenNow {
  const open = db();
  const stamp = `${revision(open)}`;
  const garden = memo?.now.snapshot.garden;
  const now = garden ? nowAt(garden) : null;
  const key = `${stamp} ${now?.slice(0, 13)}`;
  if (memo && now && memo.key === key) {
    // what is judged holds for the hour; what is written down carries the minute
    memo.now.now = now;
    return memo.now;
  }
  const snapshot = snapshotOf(open);
  const moment = nowAt(snapshot.garden);
  const outlook = outlookOf(snapshot, moment, true, false, memory);
  memo = {
    key: `${stamp} ${moment.slice(0, 13)}`,
    now: { snapshot, outlook, now: moment, today: moment.slice(0, 10) },
  };
  return memo.now;
}

export const NO_WISHES: Wishes = { take: [], leave: [], open: [] };

/** The planner's question for the garden as it stands. */
export const problem = (d: GardenNow, wishes: Wishes = NO_WISHES, kept: Kept[] = []): PlanProblem =>
  problemOf(d.snapshot, d.outlook, wishes, kept);

/** The handbook with this garden's own crops as they were written, without what its scale has taught. */
export const plainHandbook = (): Handbook => handbookWith(gardenNow().snapshot.ownCrops);

/** The handbook with this garden's own crops and what its scale has taught. */
export const handbook = (): Handbook => bookOf(gardenNow().snapshot);
