import type { Bed } from "#core/garden/bed";
import type { Planting } from "#core/garden/planting";
import type { Start } from "#core/handbook/crop";

/** Beds of the invented garden: id, name, west, south, width, length (m), then what is special. North is up the slope. */
const BEDS = `
frame     | Cold frame    | 1    | 11.2 | 2   | 1.2 | cover=cold-frame sun=7 offset=0.3
tunnel    | Polytunnel    | 4    | 9.8  | 5.5 | 2.6 | cover=polytunnel sun=9 offset=0.2 | hot by noon even in September
wall      | South wall    | 11   | 11.4 | 6   | 1   | sun=9 offset=1.2 | stones hold the day’s warmth
upper-1   | Upper first   | 1    | 7.6  | 4.5 | 1.2 |
upper-2   | Upper second  | 6.2  | 7.6  | 4.5 | 1.2 |
upper-3   | Upper third   | 11.6 | 7.6  | 5   | 1.2 | offset=-0.2
middle-1  | Middle first  | 1    | 5.2  | 4.5 | 1.2 | offset=-0.6
middle-2  | Middle second | 6.2  | 5.2  | 4.5 | 1.2 | offset=-0.6 | compacted near the path: wet it the day before
middle-3  | Middle third  | 11.6 | 5.2  | 5   | 1.2 | offset=-0.5
round     | Round bed     | 12.6 | 2.2  | 2.4 | 2.4 | shape=circle offset=-1.2
lower-1   | Lower first   | 6.2  | 2.8  | 4.5 | 1.3 | offset=-1.6
brook     | Brook bed     | 1    | 2.6  | 4.5 | 1.5 | sun=6.5 offset=-2.3 | the frost pocket
hedge     | Hedge strip   | 1    | 0.6  | 9   | 0.7 | sun=4 offset=-1.8`;

/**
 * Plantings: id, bed, crop, kind, how and when started, plants, metres of row, packet's days, school, and the hidden
 * pace at which the simulated plant grows. The last column says whether it is growing now or over.
 */
const PLANTINGS = `
tom-wall     | wall     | tomato               | red slicer     | transplanted | 2026-05-28 | 7   |     | 70-80   | half-colour          | 1.00 | growing
tom-tunnel   | tunnel   | tomato               | orange slicer  | transplanted | 2026-05-06 | 6   |     | 68-78   | first-blush          | 1.05 | growing
let-tunnel   | tunnel   | lettuce-loose-leaf   | salad mix      | sown         | 2026-08-22 |     | 3   | 40-50   | outer-leaves         | 1.00 | growing
let-frame    | frame    | lettuce-loose-leaf   | winter butter  | sown         | 2026-09-01 | 16  |     | 45-55   | outer-leaves         | 0.95 | growing
onion-late   | upper-1  | bulb-onion           | red keeper     | planted      | 2026-06-02 | 90  | 9   | 110-125 | most-down            | 0.80 | growing
kale-curly   | upper-2  | kale                 | curly green    | transplanted | 2026-06-20 | 6   |     | 55-65   | bottom-up            | 1.00 | growing
kale-palm    | upper-2  | kale                 | black palm     | transplanted | 2026-06-20 | 4   |     | 60-70   | bottom-up            | 0.95 | growing
car-store    | middle-1 | carrot               | storage orange | sown         | 2026-06-12 |     | 8   | 85-100  | storing              | 0.97 | growing
pot-late     | middle-2 | potato               | late white     | planted      | 2026-05-30 | 18  | 6.5 | 120-140 | set-skin             | 0.92 | growing
car-bunch    | middle-3 | carrot               | early sweet    | sown         | 2026-07-18 |     | 4   | 60-70   | bunching             | 1.02 | growing
squash-round | round    | winter-squash        | butter flask   | transplanted | 2026-06-02 | 3   |     | 95-110  | one-day-before-frost | 0.98 | growing
squash-lower | lower-1  | winter-squash        | blue storer    | transplanted | 2026-06-12 | 3   |     | 90-100  | one-day-before-frost | 0.96 | growing
cou-lower    | lower-1  | courgette            | dark green     | transplanted | 2026-06-10 | 3   |     | 40-50   | small                | 1.00 | growing
bean-brook   | brook    | french-bean-climbing | purple pole    | sown         | 2026-06-28 | 24  | 4   | 65-80   | standard             | 0.98 | growing
let-brook    | brook    | lettuce-loose-leaf   | oak leaf       | transplanted | 2026-08-28 | 14  |     | 30-40   | outer-leaves         | 1.00 | growing
kale-hedge   | hedge    | kale                 | red frill      | transplanted | 2026-07-15 | 8   |     | 55-65   | bottom-up            | 0.90 | growing
on-26        | upper-3  | bulb-onion           | storage yellow | planted      | 2026-03-30 | 110 | 11  | 100-115 | half-down            | 1.00 | over
gar-26       | middle-3 | garlic               | winter white   | planted      | 2025-10-22 | 60  |     | 245-265 | third-brown          | 1.00 | over
let-26       | frame    | lettuce-loose-leaf   | early crisp    | sown         | 2026-03-24 | 20  |     | 45-55   | outer-leaves         | 1.00 | over
tom-25       | wall     | tomato               | red slicer     | transplanted | 2025-05-27 | 6   |     | 70-80   | half-colour          | 0.95 | over
cou-25       | upper-1  | courgette            | dark green     | transplanted | 2025-06-05 | 4   |     | 40-50   | small                | 1.00 | over
bean-25      | middle-1 | french-bean-climbing | green pole     | sown         | 2025-05-24 | 24  | 4   | 65-80   | standard             | 0.96 | over
pot-25       | lower-1  | potato               | late white     | planted      | 2025-04-26 | 20  | 7   | 120-140 | set-skin             | 1.00 | over
on-25        | middle-2 | bulb-onion           | storage yellow | planted      | 2025-04-03 | 100 | 10  | 100-115 | half-down            | 0.97 | over
car-25       | upper-2  | carrot               | storage orange | sown         | 2025-05-20 |     | 9   | 85-100  | storing              | 1.00 | over
squash-25    | brook    | winter-squash        | blue storer    | transplanted | 2025-06-01 | 3   |     | 90-100  | as-they-colour       | 1.00 | over
kale-25      | hedge    | kale                 | curly green    | transplanted | 2025-06-14 | 10  |     | 55-65   | bottom-up            | 1.00 | over
gar-25       | round    | garlic               | winter white   | planted      | 2024-10-20 | 50  |     | 245-265 | third-brown          | 1.00 | over
tom-25b      | wall     | tomato               | orange slicer  | transplanted | 2025-05-27 | 5   |     | 68-78   | half-colour          | 1.02 | over
tom-25c      | tunnel   | tomato               | red slicer     | transplanted | 2025-05-08 | 4   |     | 70-80   | half-colour          | 0.99 | over
tom-25d      | tunnel   | tomato               | orange slicer  | transplanted | 2025-05-08 | 5   |     | 68-78   | half-colour          | 1.04 | over
tom-24a      | wall     | tomato               | red slicer     | transplanted | 2024-05-29 | 5   |     | 70-80   | half-colour          | 0.97 | over
tom-24b      | wall     | tomato               | orange slicer  | transplanted | 2024-05-29 | 4   |     | 68-78   | half-colour          | 1.03 | over
tom-24c      | tunnel   | tomato               | red slicer     | transplanted | 2024-05-09 | 4   |     | 70-80   | half-colour          | 0.98 | over
tom-24d      | tunnel   | tomato               | orange slicer  | transplanted | 2024-05-09 | 4   |     | 68-78   | half-colour          | 1.05 | over`;

const cellsOf = (table: string): string[][] =>
  table
    .trim()
    .split("\n")
    .map((line) => line.split("|").map((cell) => cell.trim()));

/** The invented garden's beds, in walking order. The plot falls to the south; cold air drains to the brook. */
export const demoBeds = (): Bed[] =>
  cellsOf(BEDS).map(([id, name, x, y, width, length, special = "", note = ""], walkOrder) => {
    const say = (key: string) => new RegExp(`${key}=(\\S+)`).exec(special)?.[1];
    return {
      id: id!,
      name: name!,
      shape: say("shape") === "circle" ? "circle" : "rectangle",
      xM: Number(x),
      yM: Number(y),
      widthM: Number(width),
      lengthM: Number(length),
      cover: (say("cover") ?? "none") as Bed["cover"],
      sunHours: Number(say("sun") ?? 8),
      nightOffsetC: Number(say("offset") ?? 0),
      note,
      site: "",
      walkOrder,
    };
  });

export type DemoPlanting = { planting: Planting; pace: number; over: boolean };

/** The invented garden's plantings, past and growing. */
export const demoPlantings = (): DemoPlanting[] =>
  cellsOf(PLANTINGS).map(([id, bedId, cropId, kind, how, on, plants, row, packet, school, pace, state]) => {
    const [least, most] = packet!.split("-").map(Number);
    return {
      planting: {
        id: id!,
        bedId: bedId!,
        cropId: cropId!,
        kind: kind!,
        disease: "",
        ripeColour: kind!.startsWith("orange") ? "orange" : "",
        startedHow: how as Start,
        startedOn: on!,
        plants: plants ? Number(plants) : null,
        rowM: row ? Number(row) : null,
        areaM2: null,
        packetMinDays: least!,
        packetMaxDays: most!,
        schoolId: school!,
        note: "",
        endedOn: null,
      },
      pace: Number(pace),
      over: state === "over",
    };
  });
