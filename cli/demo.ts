import { existsSync, rmSync } from "node:fs";
import { outlookOf } from "#core/planning/outlook";
import { problemOf } from "#core/planning/question/question";
import { totalsOf } from "#core/planning/rounds/explain";
import { roundsOf } from "#core/planning/rounds/rounds";
import { plan } from "#core/planning/solver/optimise";
import { withReasons } from "#core/planning/words";
import { restoreArchive } from "#db/archive";
import { newId } from "#db/change";
import { snapshotOf } from "#db/garden";
import { databaseFile, openGarden } from "#db/open";
import { replacePlan } from "#db/work";
import { DEMO_NOW, demoGarden } from "#standins/demo-garden";

/**
 * Makes the demo garden in a data folder, if there is none yet.
 * @param fresh throws away what is there and begins anew
 * @returns whether it was made now
 */
export function makeDemo(dataDir: string, fresh: boolean): boolean {
  if (fresh) for (const suffix of ["", "-wal", "-shm"]) rmSync(databaseFile(dataDir) + suffix, { force: true });
  if (existsSync(databaseFile(dataDir))) return false;
  const db = openGarden(dataDir);
  restoreArchive(db, demoGarden(), DEMO_NOW, "Demo garden made");
  const snapshot = snapshotOf(db);
  const problem = problemOf(snapshot, outlookOf(snapshot, DEMO_NOW), { take: [], leave: [], open: [] });
  const made = plan(problem);
  const { keptG, lostG, minutes } = totalsOf(problem, made.schedule);
  const note = {
    id: "current" as const,
    at: DEMO_NOW,
    value: made.value,
    bound: made.bound,
    keptG,
    lostG,
    minutes,
    forecastId: snapshot.forecast ? `issued-${snapshot.forecast.issuedOn}` : "",
  };
  const rounds = withReasons(roundsOf(problem, made.schedule, newId), snapshot.garden.units);
  replacePlan(db, rounds, note, DEMO_NOW, "Rounds planned");
  db.$client.close();
  return true;
}
