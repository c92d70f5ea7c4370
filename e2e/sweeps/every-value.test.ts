import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { demoGarden } from "#standins/demo-garden";
import { forget, grownFolder, post, type Served, serveGarden } from "../garden";

const demo = demoGarden();
/** Every page that takes a post, with the fields its forms send. */
const planting = demo.plantings[0]!.id;
const FORMS: [string, string[]][] = [
  [`/walk/${planting}`, ["id", "seenAt", "by", "note", "then", "cue-colour"]],
  ["/rounds", ["intent", "roundId", "plantingId", "slotId", "take", "lineId"]],
  [
    "/picks/new",
    [
      "plantingId",
      "id",
      "gross",
      "count",
      "at",
      "by",
      "method",
      "extent",
      "grade",
      "otherTare",
      "minutes",
      "again",
      "restOn",
      "part-0-amount",
      "part-0-count",
      "part-0-grade",
    ],
  ],
  [`/picks/${demo.picks[0]!.id}`, ["plantingId", "gross", "count", "at", "extent", "grade", "intent"]],
  ["/picks/several", ["intent", "table", "rows", "at", "uses"]],
  ["/picks/import", ["intent", "file", "uses"]],
  [
    `/plot/plantings/${planting}`,
    [
      "intent",
      "cropId",
      "bedId",
      "kind",
      "startedOn",
      "startedHow",
      "plants",
      "rowM",
      "areaM2",
      "packetMinDays",
      "packetMaxDays",
      "endedOn",
    ],
  ],
  ["/plot/beds/new", ["intent", "name", "shape", "xM", "yM", "widthM", "lengthM", "cover", "sunHours", "nightOffsetC"]],
  [
    "/settings",
    [
      "intent",
      "name",
      "latitudeDeg",
      "longitudeDeg",
      "timeZone",
      "tripName",
      "fromDay",
      "toDay",
      "standInMinutes",
      "weekday",
      "startsAt",
      "minutes",
      "day",
    ],
  ],
  ["/settings/household", ["intent", "name", "kind", "litres", "cropId", "liking", "eaters"]],
  ["/weather", ["intent", "day", "bedId", "minC", "tempMinC", "tempMaxC", "rainMm"]],
  ["/keep/places", ["intent", "placeId", "at", "tempC", "humidityPct"]],
  ["/season/lessons", ["intent", "words", "plantingId", "remindOn", "cropId"]],
  ["/season/beds", ["intent", "plantingId", "bedId"]],
  ["/season/next", ["intent", "bedId", "cropId", "startOn"]],
  ["/season/seeds", ["intent", "cropId", "kind", "year", "sown", "cameUp", "testedOn"]],
  ["/handbook/courgette/change", ["intent", "crop", "name"]],
  ["/waiting", ["to", "id", "agoMs", "plantingId", "gross", "at", "seenAt", "jobId", "intent", "seen"]],
  ["/start", ["crop-0", "how-0", "on-0", "plants-0", "kind-0", "bedId", "bedName", "latitudeDeg", "timeZone"]],
  ["/rounds/stand-in", ["intent", "file"]],
  ["/undo", ["id", "back"]],
  ["/tick", ["id", "back"]],
  ["/mode", ["mode", "back"]],
];

/** What people, scripts and broken machines put into fields. */
const VALUES = [
  "",
  "2026-02-31",
  "2026-02-31T10:00",
  "9999-12-31T23:59",
  "0026-05-01",
  "2099-01-01T00:00",
  "constructor",
  "__proto__",
  "-1",
  "1e308",
  "NaN",
  "9".repeat(12_000),
  "'; drop table picks; --",
  "a\r\nb\u2028c",
  "\u0000",
  "🥕".repeat(300),
  "<script>alert(1)</script>",
  "[object Object]",
  '{"a":',
];

describe("no value in any field is a fault of the server", () => {
  let served: Served;
  beforeAll(async () => {
    served = await serveGarden("serve", grownFolder());
  });
  afterAll(async () => {
    await served.stop();
    forget(served);
  });

  it.each(FORMS)("%s", async (path, fields) => {
    const faults: string[] = [];
    const sent: [string, () => Promise<Response>][] = [
      ["an empty form", () => post(served, path, new URLSearchParams())],
      [
        "half a file",
        () => post(served, path, "--x\r\nContent-Disposition: form-data; na", "multipart/form-data; boundary=x"),
      ],
    ];
    for (const value of VALUES) {
      const all = new URLSearchParams(fields.map((f) => [f, value]));
      sent.push([`${value.slice(0, 20)} everywhere`, () => post(served, path, all)]);
      for (const field of fields.filter((f) => f !== "intent").slice(0, 6))
        sent.push([`${field}=${value.slice(0, 20)}`, () => post(served, path, new URLSearchParams([[field, value]]))]);
    }
    // a few at a time, as many hands would send them
    while (sent.length > 0)
      await Promise.all(
        sent.splice(0, 6).map(async ([what, send]) => {
          const { status } = await send();
          if (status >= 500) faults.push(`${what}: ${status}`);
        }),
      );
    expect(faults).toEqual([]);
  });

  it("left nothing behind that keeps a page from opening", async () => {
    for (const path of [
      "/",
      "/walk",
      "/rounds",
      "/picks",
      "/plot",
      "/keep",
      "/season",
      "/weather",
      "/settings",
      "/changes",
    ])
      expect(`${path} ${(await fetch(served.address + path)).status}`).toBe(`${path} 200`);
  });
});
