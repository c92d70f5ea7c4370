import { sayMonthDay, sayNear } from "#core/calendar/day";
import type { PlantingOutlook } from "#core/planning/outlook";
import { slotTime } from "#core/planning/question/problem";
import { tastesOf } from "#core/planning/question/question";
import { begunOn, readyWindow } from "#core/planting/window";
import { freeOn, glutOf, type LastPick, lastPickOf, missedG } from "#core/season/estimates";
import { freeShare } from "#core/season/free-ground";
import { sayEnough, sayShare } from "#core/season/words";
import { sayMass } from "#core/units/mass";
import { type GardenNow, handbook } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { siteOf } from "./season-data.server";
import { enoughOf } from "./season-weeks.server";

/** When each growing planting is expected to give its last, by its id. */
const lastPicks = (d: GardenNow): ReadonlyMap<string, LastPick | null> =>
  remembered(
    d,
    "last picks",
    () =>
      new Map(
        d.outlook.plantings.map((p) => {
          const window = readyWindow(p.planting, p.crop, begunOn(p, d.today));
          const site = siteOf(d, p.bed);
          return [
            p.planting.id,
            lastPickOf(p.planting, p.crop, p.judgement, p.supply, window, d.snapshot.weather, site, d.today),
          ];
        }),
      ),
  );

/** How much of a bed is free today, the day on which all of it is expected to be, and both in words. */
export function bedFree(d: GardenNow, bedId: string) {
  const bed = d.snapshot.beds.find((b) => b.id === bedId)!;
  const share = freeShare(bed, d.snapshot.plantings, (id) => handbook().find(id), d.today);
  const here = d.outlook.plantings.filter((p) => p.bed.id === bedId);
  const lasts = here.map((p) => lastPicks(d).get(p.planting.id) ?? null);
  const on = share === 1 ? d.today : freeOn(lasts, d.today);
  const part = share > 0 && share < 1 ? `${sayShare(share)} is free` : "";
  const whole = on ? `${part ? "all of it" : "free"} about ${sayMonthDay(on)}` : "";
  const words = share === 1 ? "free" : [part, whole].filter(Boolean).join(", ");
  return { share, on, words };
}

const ENDS: Record<LastPick["why"], string> = {
  lifted: "all of it at once",
  borne: "it has borne then",
  frost: "frost comes about then in half the years",
  season: "its season ends",
};
/** An absence that is reckoned for the planting's page, days. */
const AWAY_DAYS = 7;
const LEAST_G = 30;

/** What is to be expected of a planting, a sentence each: its last pick, what a week away would cost, a glut, plants enough. */
export function estimatesOf(d: GardenNow, p: PlantingOutlook): string[] {
  const { units } = d.snapshot.garden;
  const says: string[] = [];
  const last = lastPicks(d).get(p.planting.id);
  if (last)
    says.push(`Last pick ${last.why === "lifted" ? "" : "about "}${sayNear(last.day, d.today)}: ${ENDS[last.why]}.`);
  const nowT = slotTime(d.today, d.today, d.now.slice(11, 16));
  const missed = missedG(p.supply, nowT, AWAY_DAYS);
  if (missed >= LEAST_G)
    says.push(`A week without a pick from now on: about ${sayMass(missed, units)} over-age or lost.`);
  const same = d.outlook.plantings.filter((x) => x.crop.id === p.crop.id);
  const { weeklyG } = tastesOf(d.snapshot)(p.crop);
  const glut = glutOf(
    same.map((x) => x.supply),
    weeklyG,
  );
  if (glut)
    says.push(
      `More than you eat: ${sayMass(glut.weekG, units)} in the coming week${same.length > 1 ? ` from ${same.length} plantings` : ""}, ${sayMass(glut.eatenG, units)} at table. ${glut.easesOn ? `That eases about ${sayNear(glut.easesOn, d.today)}.` : "It goes on beyond the fortnight."}`,
    );
  const enough = enoughOf(d, d.today.slice(0, 4)).find((e) => e.crop.id === p.crop.id);
  if (enough && enough.learnedFrom > 0) says.push(`Plants for your table: ${sayEnough(enough)}.`);
  return says;
}
