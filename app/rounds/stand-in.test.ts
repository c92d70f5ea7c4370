import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { addDays } from "#core/calendar/day";
import { change } from "#db/change";
import { closeStandIn, renewStandInKey, standInKey } from "#db/stand-in-links";
import { replacePlan } from "#db/work";
import { readStandInFile, STAND_IN_FILE } from "#formats/stand-in-file";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { db, gardenNow } from "../server/garden-now.server";
import { logStandIn, nextTrip, readBack, standInByKey, standInEntries, standInView } from "./stand-in.server";
import { standInDocument } from "./stand-in-page.server";

let dir = "";
let garden: ReturnType<typeof gardenInProcess>;
const LINE = { take: "ready", expectedG: 1200, lostG: 0, minutes: 6, why: "ready" } as const;
beforeAll(() => {
  garden = gardenInProcess((made) => makeDemo(made, false));
  dir = garden.dir;
  const { today, now } = gardenNow();
  // a trip that has begun, and one round in it
  change(db(), "Away", now, (c) => {
    for (const t of gardenNow().snapshot.trips) c.remove("trips", t.id);
    c.put("trips", {
      ...{ id: "trip-1", name: "the sea", fromDay: addDays(today, -1), toDay: addDays(today, 4) },
      ...{ standIn: "Ode", standInMinutes: 40 },
    });
  });
  const round = {
    id: "round-1",
    day: addDays(today, 1),
    startsAt: "18:00",
    status: "planned",
    pinned: true,
    note: "",
  } as const;
  const lines = ["tom-wall", "cou-lower"].map((plantingId) => ({
    ...LINE,
    id: `line-${plantingId}`,
    roundId: "round-1",
    plantingId,
  }));
  replacePlan(db(), [{ ...round, lines }], null, now, "Rounds planned");
});
afterAll(() => garden.end());
const view = () => standInView(gardenNow(), nextTrip(gardenNow())!);
const form = (fields: Record<string, string>) => {
  const made = new FormData();
  for (const [k, v] of Object.entries(fields)) made.append(k, v);
  return made;
};
const his = () => gardenNow().snapshot.picks.filter((p) => p.by === "Ode");

describe("the stand-in's secret address", () => {
  it("opens his sheet and nothing else; renewed or closed, the old one opens nothing", () => {
    const first = renewStandInKey(dir, "trip-1");
    expect(standInByKey(first)).toMatchObject({ view: { who: "Ode" } });
    const second = renewStandInKey(dir, "trip-1");
    expect(standInByKey(first)).toBeNull();
    expect(standInByKey(second)).not.toBeNull();
    expect(standInByKey(second.slice(0, 31))).toBeNull();
    closeStandIn(dir, "trip-1");
    expect([standInByKey(second), standInKey(dir, "trip-1")]).toEqual([null, null]);
  });
  it("is open from the day before the trip to the day after it", () => {
    const key = renewStandInKey(dir, "trip-1");
    const trip = gardenNow().snapshot.trips[0]!;
    const moved = (fromDay: string, toDay: string) =>
      change(db(), "Trip moved", gardenNow().now, (c) => c.put("trips", { ...trip, fromDay, toDay }));
    const { today } = gardenNow();
    moved(addDays(today, 2), addDays(today, 9));
    expect(standInByKey(key)).toHaveProperty("closed");
    moved(addDays(today, 1), addDays(today, 9));
    expect(standInByKey(key)).toHaveProperty("view");
    moved(addDays(today, -9), addDays(today, -1));
    expect(standInByKey(key)).toHaveProperty("view");
    moved(addDays(today, -9), addDays(today, -2));
    expect(standInByKey(key)).toHaveProperty("closed");
    moved(trip.fromDay, trip.toDay);
  });
});

describe("what he got", () => {
  it("is logged under his name, each line once, and put right when he writes it again", () => {
    const first = logStandIn(
      view(),
      standInEntries(view(), form({ "got-line-tom-wall": "1.2 kg", "note-line-tom-wall": "some split" })),
    );
    expect(first).toEqual({ logged: 1, faults: {} });
    expect(his()).toMatchObject([{ plantingId: "tom-wall", grossG: 1200, roundId: "round-1", note: "some split" }]);
    // the same page sent again changes nothing; another amount puts it right
    expect(standInEntries(view(), form({ "got-line-tom-wall": "1.2 kg" }))).toEqual([]);
    logStandIn(view(), standInEntries(view(), form({ "got-line-tom-wall": "1.5 kg" })));
    expect(his()).toMatchObject([{ grossG: 1500 }]);
    logStandIn(view(), standInEntries(view(), form({ "got-line-tom-wall": "9 pieces" })));
    expect(his()).toMatchObject([{ grossG: null, count: 9 }]);
    expect(standInEntries(view(), form({ "got-line-tom-wall": "9" }))).toEqual([]);
  });
  it("names the line whose amount cannot be read or cannot be, and logs the others", () => {
    const typed = form({ "got-line-cou-lower": "plenty", "got-line-tom-wall": "1.6 kg" });
    const { logged, faults } = logStandIn(view(), standInEntries(view(), typed));
    expect([logged, Object.keys(faults)]).toEqual([1, ["line-cou-lower"]]);
    const far = logStandIn(view(), standInEntries(view(), form({ "got-line-cou-lower": "800 kg" })));
    expect(far.faults["line-cou-lower"]).toMatch(/far more/);
    const elsewhere = {
      id: "line-onions-x",
      plantingId: "onions",
      roundId: "round-1",
      at: gardenNow().now,
      amount: "2 kg",
      note: "",
    };
    expect(logStandIn(view(), [elsewhere]).faults).toHaveProperty("line-onions-x");
  });
  it("comes back in a file, as often as one likes, once", async () => {
    const entry = {
      id: "line-cou-lower",
      plantingId: "cou-lower",
      roundId: "round-1",
      at: gardenNow().now,
      amount: "900 g",
      note: "",
    };
    const file = (value: unknown) => new File([JSON.stringify(value)], "picked.json");
    const good = { format: STAND_IN_FILE, tripId: "trip-1", entries: [entry] };
    for (let i = 0; i < 2; i++)
      expect(await readBack(gardenNow(), nextTrip(gardenNow())!, file(good))).toBeInstanceOf(Response);
    expect(his().filter((p) => p.plantingId === "cou-lower")).toMatchObject([{ grossG: 900 }]);
    const other = await readBack(gardenNow(), nextTrip(gardenNow())!, file({ ...good, tripId: "trip-2" }));
    expect(other).toMatchObject({ data: { errors: { file: "this file is of another trip" } } });
  });
  it("a file that is none is refused with the place of each fault", () => {
    expect(readStandInFile("dear diary")).toMatchObject({ ok: false });
    expect(readStandInFile('{"format":"something"}')).toMatchObject({ errors: [{ row: null }] });
    const wrong = { id: "line-1234", plantingId: "p", roundId: "", at: "2026-02-31T10:00", amount: "", note: "" };
    const read = readStandInFile(JSON.stringify({ format: STAND_IN_FILE, tripId: "t", entries: [wrong] }));
    expect(read.ok ? [] : read.errors.map((e) => [e.row, e.column])).toEqual([
      [1, "at"],
      [1, "amount"],
    ]);
  });
});

describe("his sheet as a document", () => {
  it("holds his rounds with how to pick, cautions and what to leave alone, and asks for nothing from outside", () => {
    for (const ending of [
      { kind: "file" } as const,
      { kind: "link", nonce: "n0nce", typed: {}, faults: {}, said: "" } as const,
    ]) {
      const html = standInDocument(view(), ending);
      expect(html).toContain("For Ode");
      expect(html).toContain("Leave these alone");
      expect(html).toMatch(/name="got-line-tom-wall"/);
      expect(html).not.toMatch(/(?:src|href)="(?!data:)/);
      expect(html.includes("<script>")).toBe(ending.kind === "file");
    }
  });
  it("what is typed into it is never taken for markup", () => {
    const typed = { "got-line-tom-wall": '"><script>alert(1)</script>' };
    const html = standInDocument(view(), {
      kind: "link",
      nonce: "n",
      typed,
      faults: { "line-tom-wall": "no" },
      said: "",
    });
    expect(html).not.toContain("<script>alert");
    expect(html).toContain('role="alert"');
  });
});
