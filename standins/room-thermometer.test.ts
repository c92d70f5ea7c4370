import { describe, expect, it } from "vitest";
import { placeReadingSchema } from "#core/keeping/place-air";
import { roomThermometer } from "./room-thermometer";

describe("the simulated sensor of a room", () => {
  const sensor = roomThermometer("cellar", { meanC: 9, swingC: 2, humidityPct: 85 }, 3);
  const at = (day: number, hour: string) => sensor.readAt(`2026-10-${String(day).padStart(2, "0")}T${hour}`);
  it("answers the same for the same moment, as the schema of a reading wants it", () => {
    expect(at(6, "08:00")).toEqual(at(6, "08:00"));
    expect(placeReadingSchema.safeParse(at(6, "08:00")).success).toBe(true);
  });
  it("is warmest in the afternoon and near its mean over many days", () => {
    const days = Array.from({ length: 28 }, (_, i) => i + 1);
    const mean = (hour: string) => days.reduce((s, d) => s + at(d, hour).tempC, 0) / days.length;
    expect(mean("15:00")).toBeGreaterThan(mean("03:00") + 3);
    expect((mean("15:00") + mean("03:00")) / 2).toBeCloseTo(9, 0);
  });
});
