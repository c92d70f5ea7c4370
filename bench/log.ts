import { addDays } from "../core/calendar/day";
import { blankPick, type PickRecord } from "../core/weighing/pick";
import { restoreArchive } from "../db/archive";
import { openGarden } from "../db/open";
import * as schema from "../db/schema/index";
import { DEMO_NOW, demoGarden } from "../standins/demo-garden";
import { chance } from "../standins/random";

// argv: folder of the garden to be made
const [, , folder] = process.argv;
const SEASONS = 20;
const PLANTINGS = 40;
const PICKS = 125;

const demo = demoGarden();
const db = openGarden(folder!);
restoreArchive(db, demo, DEMO_NOW);
const luck = chance(20);
const crops = [...new Set(demo.plantings.map((p) => p.cropId))];
const kinds = ["early", "late", "red", "white", "tall", "low", "sweet", "striped"];
const plantings: (typeof demo.plantings)[number][] = [];
const picks: PickRecord[] = [];
for (let s = 0; s < SEASONS; s++)
  for (let k = 0; k < PLANTINGS; k++) {
    const startedOn = `${2006 + s}-04-${String(10 + (k % 18)).padStart(2, "0")}`;
    const cropId = crops[k % crops.length]!;
    const id = `s${s}-${k}`;
    plantings.push({
      ...demo.plantings.find((p) => p.cropId === cropId)!,
      id,
      bedId: demo.beds[k % demo.beds.length]!.id,
      kind: `${kinds[k % kinds.length]} ${k}`,
      startedOn,
      endedOn: addDays(startedOn, 200),
    });
    for (let n = 0; n < PICKS; n++) {
      const netG = Math.round(luck.between(80, 4000));
      picks.push(
        blankPick({
          id: `${id}-${n}`,
          plantingId: id,
          at: `${addDays(startedOn, 50 + n)}T${String(7 + (n % 12)).padStart(2, "0")}:${String(k).padStart(2, "0")}`,
          by: luck.next() < 0.5 ? "Ilse" : "Tam",
          extent: "all-ready",
          grossG: luck.next() < 0.1 ? null : netG + 410,
          count: Math.max(1, Math.round(netG / 120)),
          entered: `${netG + 410} g`,
          tare: [{ name: "bucket", tareG: 410, count: 1 }],
          grade: luck.next() < 0.1 ? "eat-first" : "sound",
          minutes: 5 + (n % 20),
          note: n % 40 === 0 ? "after rain, a few split" : "",
        }),
      );
    }
  }
// the record of those seasons: one real one of the demo's desk, a little warmer or cooler each year
const year = demo.weather.filter((w) => w.day.startsWith("2025"));
const weather = Array.from({ length: 2023 - 2006 }, (_, k) => 2006 + k).flatMap((y) => {
  const warmer = luck.between(-1.5, 1.5);
  return year.map((w) => ({
    ...w,
    day: `${y}${w.day.slice(4)}`,
    tempMinC: w.tempMinC + warmer,
    tempMaxC: w.tempMaxC + warmer,
  }));
});
for (const p of picks) if (p.grossG === null) p.tare = [];
db.$client.transaction(() => {
  for (const p of plantings) db.insert(schema.plantings).values(p).run();
  for (const w of weather) db.insert(schema.weatherDays).values(w).run();
  for (const p of picks) db.insert(schema.picks).values(p).run();
})();
db.$client.close();
console.log(JSON.stringify({ picks: picks.length + demo.picks.length, plantings: plantings.length }));
