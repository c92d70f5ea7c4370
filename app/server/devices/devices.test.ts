import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { change } from "#db/change";
import { saveGarden } from "#db/garden";
import { makeDemo } from "../../../cli/demo";
import { gardenInProcess } from "../../garden-in-process";
import { action as placesAction } from "../../keep/keep-places";
import { loader as devicesPage } from "../../settings/devices";
import { action as weatherAction } from "../../weather/weather";
import { db, gardenNow } from "../garden-now.server";
import { inboxLines, takeFile } from "./inbox.server";
import { inboxOf } from "./inbox-folder";
import { DEVICES } from "./index.server";
import { lastWeights } from "./scale-log.server";

let garden: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, true));
});
afterAll(() => garden.end());
const lay = (file: string, text: string) => writeFileSync(join(inboxOf(), file), text);
const drop = async (file: string, text: string) => {
  lay(file, text);
  return takeFile(gardenNow(), file);
};

describe("files that devices lay into the inbox", () => {
  it("a station's record is taken in, the file put aside with what came of it", async () => {
    const { weather } = gardenNow().snapshot;
    const came = await drop(
      "record-2019.csv",
      "date,tmin,tmax,rain,gust\n2019-05-01,3.5,14.2,0.4,7\n2019-05-02,4,15,0,5\n",
    );
    expect(came).toEqual({ ok: true, words: "taken in" });
    expect(gardenNow().snapshot.weather).toHaveLength(weather.length + 2);
    expect(existsSync(join(inboxOf(), "record-2019.csv"))).toBe(false);
    expect(readdirSync(join(inboxOf(), "taken")).some((f) => f.endsWith("record-2019.csv"))).toBe(true);
    expect(inboxLines()[0]).toMatchObject({ file: "record-2019.csv", ok: true, at: gardenNow().now });
  });
  it("a forecast is in force at once", async () => {
    const { today } = gardenNow();
    const came = await drop("forecast.csv", `date,tmin,tmax,rain,gust\n${today},1,9,0,4\n`);
    expect(came?.ok).toBe(true);
    expect(gardenNow().snapshot.forecast!.days.find((d) => d.day === today)).toMatchObject({ tempMinC: 1 });
  });
  it("a room's readings go to the place that the file is called after, each once", async () => {
    const { places, placeReadings } = gardenNow().snapshot;
    const file = `room-${places[0]!.name.replaceAll(" ", "-")}.csv`;
    const text = "time,temp,humidity\n2026-09-01 08:00,9.4,83\n2026-09-01 20:00,9.9,84\n";
    expect(await drop(file, text)).toEqual({ ok: true, words: `2 readings of ${places[0]!.name}` });
    expect(await drop(file, text)).toEqual({ ok: true, words: `0 readings of ${places[0]!.name}` });
    const fresh = gardenNow().snapshot.placeReadings.filter((r) => !placeReadings.some((x) => x.id === r.id));
    expect(fresh.map((r) => [r.placeId, r.tempC])).toEqual([
      [places[0]!.id, 9.4],
      [places[0]!.id, 9.9],
    ]);
  });
  it.each([
    ["record-bad.csv", "date,tmin,tmax\n2019-02-31,1,2\n", /row 2/],
    ["record-what.csv", "a,b\n1,2\n", /./],
    ["forecast-old.csv", "date,tmin,tmax,rain,gust\n2019-05-01,1,9,0,4\n", /record, not a forecast/],
    ["room-nowhere.csv", "time,temp\n2026-09-01 08:00,9\n", /no such place/],
  ])("%s is refused with the reason beside it, and nothing is written", async (file, text, reason) => {
    const before = JSON.stringify(gardenNow().snapshot);
    const came = await drop(file, text);
    expect(came).toMatchObject({ ok: false, message: expect.stringMatching(reason) });
    expect(JSON.stringify(gardenNow().snapshot)).toBe(before);
    const [why] = readdirSync(join(inboxOf(), "refused")).filter((f) => f.endsWith(`${file}.why.txt`));
    expect(readFileSync(join(inboxOf(), "refused", why!), "utf8")).toMatch(reason);
  });
  it("a file that no device owns stays where it is", async () => {
    expect(await drop("holiday.jpg", "x")).toBeNull();
    expect(existsSync(join(inboxOf(), "holiday.jpg"))).toBe(true);
  });
  it("a scale's log stays and grows; the weights it showed last come first", () => {
    lay("scale.csv", "time,weight\n2026-10-06 15:20:07,1234\n2026-10-06 15:21,2 lb 3 oz\n2026-10-06 15:2");
    expect(lastWeights(gardenNow()).map((w) => [w.at, Math.round(w.massG)])).toEqual([
      ["2026-10-06T15:21", 992],
      ["2026-10-06T15:20", 1234],
    ]);
    expect(existsSync(join(inboxOf(), "scale.csv"))).toBe(true);
  });
});

describe("simulated devices", () => {
  const post = (fields: Record<string, string>) => {
    const body = new FormData();
    for (const [k, v] of Object.entries(fields)) body.set(k, v);
    return {
      request: new Request("http://garden/x", { method: "POST", body }),
      url: new URL("http://garden/x"),
      params: {},
    } as never;
  };
  beforeEach(() => {
    const g = gardenNow().snapshot.garden;
    saveGarden(db(), { ...g, pinnedNow: "2026-10-06T15:30" });
  });
  it("every one says what it shows, and is called simulated on the page", () => {
    const page = devicesPage();
    expect(page.simulated.map((x) => x.id)).toEqual(DEVICES.filter((x) => x.simulated).map((x) => x.id));
    for (const x of page.simulated) expect(x.shows).toMatch(/\d/);
  });
  it("write in the demo, whose clock stands still, and in no real garden", async () => {
    const place = gardenNow().snapshot.places[0]!;
    const before = gardenNow().snapshot.placeReadings.length;
    await placesAction(post({ intent: "thermometer", placeId: place.id }));
    expect(gardenNow().snapshot.placeReadings).toHaveLength(before + 1);
    saveGarden(db(), { ...gardenNow().snapshot.garden, pinnedNow: null });
    const real = JSON.stringify([gardenNow().snapshot.placeReadings, gardenNow().snapshot.forecasts]);
    const refused = { type: "DataWithResponseInit", init: { status: 404 } };
    await expect(placesAction(post({ intent: "thermometer", placeId: place.id }))).rejects.toMatchObject(refused);
    await expect(weatherAction(post({ intent: "simulate" }))).rejects.toMatchObject(refused);
    expect(JSON.stringify([gardenNow().snapshot.placeReadings, gardenNow().snapshot.forecasts])).toBe(real);
    change(db(), "as it was", "2026-10-06T15:30", () => null);
  });
});
