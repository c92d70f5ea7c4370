import { type Crop, cropSchema } from "#core/handbook/crop";

/** A plain crop to begin an own one from: everything the schema wants, all of it the gardener's to change. */
export const blankCrop = (): Crop =>
  cropSchema.parse({
    id: "own-crop",
    name: "My crop",
    family: "Own",
    glyph: "lettuce",
    parts: ["leaf"],
    habit: "repeat",
    nature: "sizes",
    days: { sown: [50, 80], source: "own" },
    usualStart: "04-15",
    warmth: { baseC: null, source: "own" },
    interval: [4, 8, "own"],
    prime: [5, 12, "own"],
    late: "",
    weather: {
      killC: -2,
      lossShare: 0.7,
      killNote: "",
      chillC: null,
      heatC: null,
      galeLossShare: 0.05,
      foliage: "any",
      notes: [],
      source: "own",
    },
    technique: { how: "", tool: "hands", methods: ["pick"], leave: "nothing", source: "own", when: [] },
    container: "bucket, damp cloth over",
    atOnce: "",
    after: { how: "", tempC: [0, 4], humidityPct: [90, 95], days: [7, 14], fridge: "yes", source: "own" },
    yield: { perPlantKg: [0.2, 0.5], pieceG: 50, source: "own" },
    worth: [2, 0.8, 0.5, 0.3],
    minutesPerKg: 5,
    rotationYears: 3,
    cues: [
      {
        kind: "measure",
        id: "size",
        label: "size",
        ask: "How big is it?",
        role: "decisive",
        reliability: "high",
        seconds: 4,
        quantity: "length",
        marks: [10, 60, 100, 150, 200],
        source: "own",
      },
    ],
    schools: [{ id: "own", name: "My way", gives: "what I like", costs: "nothing", source: "own" }],
  });

/** The crop without the signs and counts that the handbook adds by itself, as it is kept. */
export const bareCrop = (crop: Crop): Crop => ({
  ...crop,
  cues: crop.cues.filter((c) => !(c.kind === "event" && c.shared) && !(c.kind === "count" && c.guessed >= 4)),
});

/** An id for an own crop, from its name, not used yet. */
export function idFor(name: string, taken: (id: string) => boolean): string {
  const plain = `own-${name
    .toLowerCase()
    .normalize("NFD")
    .replace(/[^a-z]+/g, "-")
    .replace(/^-+|-+$/g, "")}`.slice(0, 40);
  const base = plain.length > 5 ? plain : "own-crop";
  for (const letter of ["", ..."bcdefghijklmnopqrstuvwxyz"]) {
    const id = letter ? `${base}-${letter}` : base;
    if (!taken(id)) return id;
  }
  throw new RangeError("too many crops of one name");
}
