import { join } from "node:path";
import { dateOrderOf, writeDates } from "#core/calendar/date-order";
import { type Handbook, handbookWith } from "#core/handbook/index";
import { Memory } from "#core/planning/memory";
import { type Outlook, outlookOf } from "#core/planning/outlook";
import type { Kept, PlanProblem, Wishes } from "#core/planning/question/problem";
import { problemOf } from "#core/planning/question/question";
import type { Snapshot } from "#core/snapshot";
import { bookOf } from "#core/weighing/taught-book";
import { revision } from "#db/change";
import { nowAt, readLogOn, snapshotOf } from "#db/garden";
import { type Db, openGarden } from "#db/open";
import { toldOf, type Wrote } from "#db/others";

/** Held for all of the process: what serves the pages has the rest of a long log read while nobody waits for one. */
const holder = globalThis as { akmedonDb?: Db; akmedonReadOn?: (() => boolean) | undefined };

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

/** A thread is writing much of the garden: its pages show it as it was, since nobody has been told otherwise yet. */
let unsettled = false;

/** The garden as it stands now, judged. Worked out once for each change and each quarter of an hour. */
export function gardenNow(): GardenNow {
  const open = db();
  const garden = memo?.now.snapshot.garden;
  const now = garden ? nowAt(garden) : null;
  if (memo && now && (unsettled ? memo.key.slice(-13) === now.slice(0, 13) : memo.key === keyAt(open, now))) {
    // what is judged holds for the hour; what is written down carries the minute
    memo.now.now = now;
    return memo.now;
  }
  return judged(open);
}

const keyAt = (open: Db, now: string): string => `${revision(open)} ${now.slice(0, 13)}`;

function judged(open: Db): GardenNow {
  const snapshot = snapshotOf(open);
  writeDates(dateOrderOf(snapshot.garden.units));
  const now = nowAt(snapshot.garden);
  const outlook = outlookOf(snapshot, now, true, false, memory);
  memo = { key: keyAt(open, now), now: { snapshot, outlook, now, today: now.slice(0, 10) } };
  if (snapshot.atHand) holder.akmedonReadOn = readOn;
  return memo.now;
}

/** Reads a portion of a log that lies unread; true when there is nothing left of it. */
function readOn(): boolean {
  const open = db();
  if (!readLogOn(open)) return false;
  holder.akmedonReadOn = undefined;
  // what was told of the log so far, as the picks that are set aside, was told of what was at hand
  judged(open);
  return true;
}

const othersTurn = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
/** Portions in which a garden is judged anew after much of it has changed. */
const PORTIONS = 4;

/**
 * Lets a thread write much of the garden, then reads and judges it anew, a portion at a time with room between them for
 * whoever asks meanwhile: nobody's page has all of that to wait for. No other change begins until it is done
 * (`exclusively`).
 * @param wrote which rows it has written, where that is known: then no others are read again
 */
export async function settled<T>(
  write: () => Promise<T>,
  wrote: (done: T) => { journalId: string; rows: Wrote } | null = () => null,
): Promise<T> {
  // what is shown meanwhile is all of it as it was
  void memo?.now.snapshot.picks;
  unsettled = true;
  try {
    const done = await write();
    const told = wrote(done);
    if (told) toldOf(db(), told.journalId, told.rows);
    await settle(db());
    return done;
  } finally {
    unsettled = false;
  }
}

async function settle(open: Db): Promise<void> {
  do await othersTurn();
  while (!readLogOn(open));
  const snapshot = snapshotOf(open);
  await othersTurn();
  const moment = nowAt(snapshot.garden);
  for (let portion = 1; portion < PORTIONS; portion++) {
    const plantings = snapshot.plantings.slice(0, Math.ceil((snapshot.plantings.length * portion) / PORTIONS));
    outlookOf({ ...snapshot, plantings }, moment, true, false, memory);
    await othersTurn();
  }
  judged(open);
}

export const NO_WISHES: Wishes = { take: [], leave: [], open: [] };

/** The planner's question for the garden as it stands. */
export const problem = (d: GardenNow, wishes: Wishes = NO_WISHES, kept: Kept[] = []): PlanProblem =>
  problemOf(d.snapshot, d.outlook, wishes, kept);

/** The handbook with this garden's own crops as they were written, without what its scale has taught. */
export const plainHandbook = (): Handbook => handbookWith(gardenNow().snapshot.ownCrops);

/** The handbook with this garden's own crops and what its scale has taught. */
export const handbook = (): Handbook => bookOf(gardenNow().snapshot);
