import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { RouteConfigEntry } from "@react-router/dev/routes";
import { describe, expect, it } from "vitest";
import { newGarden } from "#core/garden/garden";
import { restoreArchive } from "#db/archive";
import { makeBackup } from "#db/backups";
import { openGarden } from "#db/open";
import type { Archive } from "#formats/archive";
import { demoGarden } from "#standins/demo-garden";
import routes from "../../app/routes";
import { forget, serveGarden } from "../garden";

const demo = demoGarden();
const NOW = "2026-06-15T09:00";

/** An archive with nothing in it, at a moment. */
const bare = (over: Partial<Archive> = {}, garden: Partial<Archive["garden"]> = {}): Archive => ({
  ...(Object.fromEntries(Object.entries(demo).map(([k, v]) => [k, Array.isArray(v) ? [] : v])) as unknown as Archive),
  garden: { ...newGarden("Europe/London"), pinnedNow: NOW, ...garden },
  ...over,
});

const bed = { ...demo.beds[0]!, id: "bed-a", name: "First bed" };
const planting = (cropId: string, over: Partial<Archive["plantings"][number]> = {}) => ({
  ...demo.plantings[0]!,
  id: `p-${cropId}`,
  bedId: bed.id,
  cropId,
  kind: "",
  startedHow: "planted" as const,
  startedOn: "2026-04-20",
  plants: 3,
  rowM: null,
  areaM2: null,
  packetMinDays: null,
  packetMaxDays: null,
  schoolId: "",
  endedOn: null,
  note: "",
  ...over,
});
const some = [
  planting("courgette"),
  planting("garlic-softneck", { startedOn: "2025-10-20" }),
  planting("lettuce-head"),
];
const week = [{ id: "w1", weekday: 6, startsAt: "09:00", minutes: 90 }];
const shifted = (years: number): Archive => {
  const move = (text: string) =>
    text.replace(/(?<![\w-])(20\d\d)(-\d\d-\d\d)/g, (all, y: string, rest: string) =>
      rest === "-02-29" ? all : `${Number(y) + years}${rest}`,
    );
  return JSON.parse(move(JSON.stringify(demo))) as Archive;
};

/** Gardens in which somebody may find himself, from the first minute on. */
const GARDENS: [string, Archive][] = [
  ["an empty garden", bare()],
  ["one bed", bare({ beds: [bed] })],
  ["one bed and one planting, no record, no forecast", bare({ beds: [bed], plantings: [planting("courgette")] })],
  ["a few plantings and hours, no record", bare({ beds: [bed], plantings: some, windows: week })],
  [
    "a record of one day, no forecast",
    bare({ beds: [bed], plantings: some, windows: week, weather: demo.weather.slice(0, 1) }),
  ],
  ["no forecast", { ...demo, forecasts: [] }],
  [
    "only trees, bushes and crowns",
    bare({
      beds: [bed],
      plantings: ["apple", "raspberry-summer", "asparagus", "rhubarb"].map((c) =>
        planting(c, { startedOn: "2020-03-01" }),
      ),
      windows: week,
    }),
  ],
  [
    "everything cleared",
    bare({ beds: [bed], plantings: some.map((p) => ({ ...p, endedOn: "2026-06-01" })), windows: week }),
  ],
  ["one year back", { ...shifted(-1), garden: { ...demo.garden, pinnedNow: NOW } }],
  ["one year ahead", { ...shifted(1), garden: { ...demo.garden, pinnedNow: NOW } }],
  ["the southern half", bare({ beds: [bed], plantings: some, windows: week }, { latitudeDeg: -38 })],
  [
    "midsummer at 66° N",
    bare({ beds: [bed], plantings: some, windows: week }, { latitudeDeg: 66, pinnedNow: "2026-06-21T23:30" }),
  ],
  [
    "polar night at 66° N",
    bare({ beds: [bed], plantings: some, windows: week }, { latitudeDeg: 66, pinnedNow: "2026-12-21T12:00" }),
  ],
];

/** Every address of the application, its parameters filled from the garden as far as it has them. */
function addresses(archive: Archive, backup: string): string[] {
  const params: Record<string, string | undefined> = {
    plantingId: archive.plantings[0]?.id,
    bedId: archive.beds[0]?.id,
    checkId: archive.checks[0]?.id,
    roundId: archive.rounds[0]?.id,
    pickId: archive.picks[0]?.id,
    lotId: archive.picks[0] ? `${archive.picks[0].id}-0` : undefined,
    cropId: "courgette",
    backup,
    name: "none.jpg",
    token: "none",
    table: "harvest.csv",
  };
  const flat = (entries: RouteConfigEntry[]): string[] =>
    entries.flatMap((e) => [...(e.path ? [e.path] : e.index ? [""] : []), ...flat(e.children ?? [])]);
  return flat(routes)
    .filter((path) =>
      ["undo", "tick", "mode", "jobs/mark", "waiting", "trouble", "*"].every((actionOnly) => path !== actionOnly),
    )
    .flatMap((path) => {
      const names = [...path.matchAll(/:(\w+)/g)].map((m) => m[1]!);
      if (names.some((n) => params[n] === undefined)) return [];
      return [`/${path.replace(/:(\w+)/g, (_, n: string) => encodeURIComponent(params[n]!))}`];
    })
    .concat(archive.plantings[0] ? [`/picks/new?planting=${archive.plantings[0].id}`] : []);
}

/** What may be missing without anything being wrong: a photo, a progress, a lot that was used up, a trip. */
const MAY_MISS = /^\/(photos\/|progress\/|keep\/lots\/|out\/season\/|out\/stand-in\.html)/;

describe.each(GARDENS)("every page opens in a garden with %s", (_, archive) => {
  it("without a fault", async () => {
    const dataDir = mkdtempSync(join(tmpdir(), "akmedon-pages-"));
    const db = openGarden(dataDir);
    restoreArchive(db, archive, archive.garden.pinnedNow ?? NOW);
    db.$client.close();
    const made = await makeBackup(dataDir, "2026-10-06T10:00:00");
    const served = await serveGarden("serve", dataDir);
    const faults: string[] = [];
    for (const path of addresses(archive, made.ok ? made.backup.name : "none")) {
      const response = await fetch(`${served.address}${path}`, { redirect: "manual" });
      const text = await response.text();
      const fine = response.status < 400 || (response.status === 404 && MAY_MISS.test(path));
      if (!fine) faults.push(`${path} ${response.status}`);
      else if (
        /Something went wrong|\bNaN\b|undefined<|Invalid Date/.test(text.replace(/<script[\s\S]*?<\/script>/g, ""))
      )
        faults.push(`${path} shows a fault in its text`);
    }
    await served.stop();
    forget(served);
    expect(faults).toEqual([]);
  });
});
