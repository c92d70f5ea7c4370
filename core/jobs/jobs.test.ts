import { describe, expect, it } from "vitest";
import { addDays, type Day } from "../calendar/day";
import { bed, check, planting } from "../fixtures/garden";
import { garden } from "../fixtures/snapshot";
import { CROPS, cropOf } from "../handbook";
import { outlookOf } from "../planning/outlook";
import type { Reading } from "../planting/check";
import type { Snapshot } from "../snapshot";
import { blankPick } from "../weighing/pick";
import type { Job } from "./due";
import { inOrder, jobsOf } from "./jobs";
import { type JobMark, type OwnJob, ownJobSchema } from "./mark";
import { nextOf } from "./own";
import { JOB_RULES, rulesOf } from "./rule";

const base = garden();
type Grown = { id: string; startedOn: Day; startedHow?: "sown" | "transplanted" | "planted"; bedId?: string };
type Told = {
  looks?: [Day, Reading[]][];
  picks?: Day[];
  marks?: JobMark[];
  own?: OwnJob[];
  change?: Partial<Snapshot>;
};

/** Jobs of a garden with one planting, on a day. */
function jobsOn(today: Day, grown: Grown | null, told: Told = {}): Job[] {
  const p =
    grown && planting(grown.id, { ...{ startedHow: "sown" as const, plants: 10 }, ...grown, id: "p", bedId: "b" });
  const snapshot: Snapshot = {
    ...base,
    garden: { ...base.garden, pinnedNow: `${today}T09:00` },
    beds: [bed({ id: "b" })],
    plantings: p ? [p] : [],
    checks: (told.looks ?? []).map(([day, readings], i) => check(day, readings, { id: `c${i}`, plantingId: "p" })),
    picks: (told.picks ?? []).map((day, i) =>
      blankPick({ id: `k${i}`, plantingId: "p", at: `${day}T10:00`, grossG: 300, extent: "all-ready" }),
    ),
    ownJobs: told.own ?? [],
    jobMarks: told.marks ?? [],
    forecast: null,
    ...told.change,
  };
  return jobsOf(snapshot, outlookOf(snapshot, `${today}T09:00`), []);
}
const ids = (jobs: readonly Job[]) => jobs.map((j) => j.jobId);
const mark = (jobId: string, day: Day, what: JobMark["what"] = "done", of = "p"): JobMark => ({
  ...{ id: `m ${jobId} ${day}`, jobId, of, day, at: `${day}T18:00`, what },
});
const job = (over: Partial<OwnJob> = {}): OwnJob => ({
  ...{ id: "own", words: "Feed", plantingId: null, bedId: null, lotId: null, startOn: "2026-06-01", everyDays: null },
  ...{ times: null, untilOn: null, onFrost: false, dryLeaves: false, minutes: 5, note: "", ...over },
});

describe("the handbook's jobs", () => {
  it("name crops that there are, cues and signs that these crops have, and options that these cues have", () => {
    const faults: string[] = [];
    for (const rule of JOB_RULES)
      for (const id of rule.crops) {
        const crop = cropOf(id);
        for (const m of [...rule.begins, ...rule.ends]) {
          const want = "cue" in m ? m.cue : "sign" in m ? m.sign : null;
          if (!want) continue;
          const cue = crop.cues.find((c) => c.id === want);
          // a rule for several crops may read a sign that only some of them show
          const elsewhere = rule.crops.some((x) => cropOf(x).cues.some((c) => c.id === want));
          if (!cue && !elsewhere) faults.push(`${rule.id}: ${id} has no ${want}`);
          if (cue && "is" in m && (cue.kind !== "choice" || !m.is.some((o) => cue.options.some((x) => x.id === o))))
            faults.push(`${rule.id}: ${want} of ${id} has none of ${m.is}`);
        }
      }
    expect(faults).toEqual([]);
  });
  it("cover most crops, each once, and have ids of their own", () => {
    expect(new Set(JOB_RULES.map((r) => r.id)).size).toBe(JOB_RULES.length);
    const without = CROPS.filter((c) => rulesOf(c).length === 0).map((c) => c.id);
    expect(without.length).toBeLessThan(CROPS.length / 8);
  });
});

describe("a job of a planting's life", () => {
  const carrot: Grown = { id: "carrot", startedOn: "2026-05-01" };
  it("is told two weeks ahead, is due from its day, then late no more but gone when its time is over", () => {
    const on = (day: Day) => jobsOn(day, carrot).find((j) => j.jobId === "thin-carrot");
    expect(on("2026-05-20")).toBeUndefined();
    expect(on("2026-05-30")).toMatchObject({ state: "soon", from: "2026-06-08" });
    expect(on("2026-06-08")).toMatchObject({ state: "due", by: "2026-07-02" });
    expect(on("2026-07-03")).toBeUndefined();
  });
  it("is asked only of what was started that way", () => {
    expect(ids(jobsOn("2026-06-08", { ...carrot, startedHow: "transplanted" }))).not.toContain("thin-carrot");
  });
  it("done, comes again after its days from the day it was done, so many times as it is wanted", () => {
    const marks = [mark("thin-carrot", "2026-06-10")];
    expect(jobsOn("2026-06-25", carrot, { marks }).find((j) => j.jobId === "thin-carrot")).toMatchObject({
      from: "2026-07-04",
      state: "soon",
    });
    const twice = [...marks, mark("thin-carrot", "2026-07-04")];
    expect(ids(jobsOn("2026-07-20", carrot, { marks: twice }))).not.toContain("thin-carrot");
  });
  it("not wanted here is never asked again, of this planting", () => {
    expect(ids(jobsOn("2026-06-10", carrot, { marks: [mark("thin-carrot", "2026-06-09", "never")] }))).not.toContain(
      "thin-carrot",
    );
    expect(
      ids(jobsOn("2026-06-10", carrot, { marks: [mark("thin-carrot", "2026-06-09", "never", "another")] })),
    ).toContain("thin-carrot");
  });
  it("of the years is done anew each year, not only once for all", () => {
    const canes: Grown = { id: "raspberry-autumn", startedOn: "2022-03-01", startedHow: "planted" };
    const cut = (day: Day, marks: JobMark[] = []) =>
      jobsOn(day, canes, { marks }).find((j) => j.what.startsWith("Cut all canes"));
    const now = cut("2026-02-10");
    expect(now).toMatchObject({ state: "due", by: "2026-03-10" });
    expect(cut("2026-02-20", [mark(now!.jobId, "2026-02-12")])).toBeUndefined();
    expect(cut("2026-02-20", [mark(now!.jobId, "2025-02-12")])).toBeDefined();
  });
});

describe("countdowns", () => {
  const garlic: Grown = { id: "garlic", startedOn: "2025-10-20", startedHow: "planted" };
  it("stop watering begins two weeks before the lift, says so that day, and stays until it is done", () => {
    const stop = (day: Day, told: Told = {}) => jobsOn(day, garlic, told).find((j) => j.jobId === "water-garlic");
    expect(stop("2026-03-01")).toBeUndefined();
    // the first day on which it is due
    const days = Array.from({ length: 120 }, (_, k) => addDays("2026-04-15", k));
    const first = days.find((d) => stop(d)?.state === "due")!;
    expect(first > "2026-05-20" && first < "2026-07-15").toBe(true);
    // ripe by now: it does not vanish
    const seen: Told = { looks: [[addDays(first, 14), [{ cueId: "leaves-brown", value: 50 }]]] };
    expect(stop(addDays(first, 15), seen)?.state).toBe("late");
    expect(stop(addDays(first, 15), { ...seen, marks: [mark("water-garlic", first)] })).toBeUndefined();
  });
  it("after the frost sweet potatoes are lifted within seven days: five left after two", () => {
    const told: Told = { looks: [["2026-10-10", [{ cueId: "frost-due", value: true }]]] };
    const lift = (day: Day) =>
      jobsOn(day, { id: "sweet-potato", startedOn: "2026-06-05", startedHow: "planted" }, told).find(
        (j) => j.jobId === "lift-after-frost",
      );
    expect(lift("2026-10-12")).toMatchObject({ from: "2026-10-10", by: "2026-10-17", saves: 3 });
    expect(lift("2026-10-18")).toBeUndefined();
  });
  it("a cue read begins what a date would not yet", () => {
    const onion: Grown = { id: "bulb-onion", startedOn: "2026-04-01", startedHow: "planted" };
    const told: Told = { looks: [["2026-06-20", [{ cueId: "tops-down", value: 20 }]]] };
    expect(ids(jobsOn("2026-06-21", onion, told).filter((j) => j.state !== "soon"))).toContain("dry-shoulders");
    expect(ids(jobsOn("2026-06-21", onion).filter((j) => j.state !== "soon"))).not.toContain("dry-shoulders");
  });
  it("what follows the last pick of a season waits for it", () => {
    const berries: Grown = { id: "strawberry", startedOn: "2024-09-01", startedHow: "planted" };
    const told: Told = { picks: ["2026-06-12", "2026-06-20"] };
    expect(ids(jobsOn("2026-06-20", berries, told))).toContain("runners");
    expect(ids(jobsOn("2026-06-20", berries))).not.toContain("runners");
  });
});

describe("weather that calls for a job", () => {
  const cold = (day: Day, minC: number): Partial<Snapshot> => ({
    forecast: {
      source: "desk",
      issuedOn: day,
      days: Array.from({ length: 5 }, (_, k) => ({
        ...{ day: addDays(day, k), tempMaxC: 14, tempMinC: k === 1 ? minC : 9, rainMm: 0, windMs: 1 },
        ...{ gustMs: null, humidityPct: 70, cloudPct: 20 },
      })),
    },
  });
  const courgette: Grown = { id: "courgette", startedOn: "2026-06-01" };
  it("a light frost to come: cover this evening, once, and not when it is too hard to help", () => {
    const on = (minC: number, marks: JobMark[] = []) =>
      ids(jobsOn("2026-09-20", courgette, { marks, change: cold("2026-09-20", minC) }));
    expect(on(1)).toContain("cover-frost");
    expect(on(8)).not.toContain("cover-frost");
    expect(on(-6)).not.toContain("cover-frost");
    expect(on(1, [mark("cover-frost", "2026-09-20")])).not.toContain("cover-frost");
    expect(on(1, [mark("cover-frost", "2026-09-18")])).toContain("cover-frost");
  });
});

describe("jobs of one's own", () => {
  it("come again from the day they were done; one left out moves the rest from its own day", () => {
    const every = job({ everyDays: 14, times: 6 });
    expect(nextOf(every, [])).toBe("2026-06-01");
    expect(nextOf(every, [mark("own", "2026-06-03", "done", "")])).toBe("2026-06-17");
    expect(nextOf(every, [mark("own", "2026-06-01", "skipped", "")])).toBe("2026-06-15");
    expect(nextOf(every, [mark("own", "2026-06-01", "done", ""), mark("own", "2026-06-15", "skipped", "")])).toBe(
      "2026-06-29",
    );
  });
  it("end after so many times, on their last day, or when done once", () => {
    const done = (n: number) =>
      Array.from({ length: n }, (_, k) => mark("own", addDays("2026-06-01", 14 * k), "done", ""));
    expect(nextOf(job({ everyDays: 14, times: 3 }), done(3))).toBeNull();
    expect(nextOf(job({ everyDays: 14, untilOn: "2026-06-20" }), done(2))).toBeNull();
    expect(nextOf(job(), done(1))).toBeNull();
  });
  it("are late after two days, and told with their bed", () => {
    const [late] = jobsOn("2026-06-05", null, { own: [job({ bedId: "b" })] });
    expect(late).toMatchObject({ state: "late", bedId: "b", from: "2026-06-01", source: "own" });
  });
  it("refuse what cannot be", () => {
    const issue = (over: Partial<OwnJob>) => ownJobSchema.safeParse(job(over)).error?.issues[0]?.path[0];
    expect(issue({ words: " " })).toBe("words");
    expect(issue({ untilOn: "2026-05-01" })).toBe("untilOn");
    expect(issue({ times: 3 })).toBe("everyDays");
    expect(issue({ startOn: "2026-02-31" })).toBe("startOn");
  });
});

describe("the order", () => {
  it("puts what saves most a minute first, what ends before what waits, and what only comes last, by its day", () => {
    const j = (jobId: string, over: Partial<Job>): Job => ({
      ...{ jobId, of: "", plantingId: null, bedId: null, lotId: null, what: "", why: "", caution: "", state: "due" },
      ...{ from: "2026-06-01", by: null, minutes: 5, saves: 2, leaves: "any", soil: "any", repeats: false },
      source: "est",
      ...over,
    });
    const order = ids(
      inOrder([
        j("later", { state: "soon", from: "2026-06-09" }),
        j("sooner", { state: "soon", from: "2026-06-03" }),
        j("long", { minutes: 60 }),
        j("little", { saves: 1 }),
        j("ends", { by: "2026-06-02" }),
        j("dear", { saves: 3, by: "2026-06-02" }),
        j("plain", {}),
      ]),
    );
    expect(order).toEqual(["dear", "ends", "plain", "little", "long", "sooner", "later"]);
  });
});
