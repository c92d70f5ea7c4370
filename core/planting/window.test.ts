import { describe, expect, it } from "vitest";
import { planting } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { begunOn, likelyWindow, offWindow, readyWindow } from "./window";
import { sayWindow } from "./words";

const lettuce = cropOf("lettuce-head");
const packet = (over = {}) =>
  planting("lettuce-head", { startedOn: "2026-04-30", packetMinDays: 60, packetMaxDays: 70, ...over });

describe("a packet's days as dates", () => {
  it("60 to 70 days from 30 April are 29 June to 9 July", () => {
    const days = readyWindow(packet(), lettuce);
    expect(days).toEqual({ from: "2026-06-29", to: "2026-07-09", by: "packet" });
    expect(sayWindow(days, "2026-05-01")).toBe("29 Jun to 9 Jul");
  });
  it("without a packet they are the handbook's, by how it was started", () => {
    const [low, high] = lettuce.days.sown!;
    const days = readyWindow(packet({ packetMinDays: null, packetMaxDays: null, startedHow: "sown" }), lettuce);
    expect(days.by).toBe("handbook");
    expect(days.from).toBe(readyWindow(packet({ packetMinDays: low, packetMaxDays: high }), lettuce).from);
    expect(Date.parse(days.to) - Date.parse(days.from)).toBe((high - low) * 86_400_000);
  });
  it("over New Year they name the years", () => {
    expect(sayWindow({ from: "2026-12-20", to: "2027-01-15" }, "2026-11-01")).toBe("20 Dec to 15 Jan 2027");
  });
  it("a first pick is late, early or in time", () => {
    const days = readyWindow(packet(), lettuce);
    expect(["2026-07-12", "2026-06-24", "2026-06-29", "2026-07-09"].map((d) => offWindow(days, d))).toEqual([
      3, -5, 0, 0,
    ]);
  });
  it("what stands for years counts from this year's bloom, not from the year it was planted", () => {
    const apple = planting("apple", { startedOn: "2015-11-20" });
    const judgement = { daysSinceStart: 40 };
    expect(begunOn({ planting: apple, crop: cropOf("apple"), judgement }, "2026-06-10")).toBe("2026-05-01");
    expect(begunOn({ planting: packet(), crop: lettuce, judgement }, "2026-06-10")).toBe("2026-04-30");
  });
});

describe("the window by all that is known", () => {
  const day = (d: number, ready: number) => ({
    ...{ day: `2026-07-0${d}`, unready: 1 - ready, nearly: 0, ready, past: 0, meanStage: ready },
  });
  it("runs from one chance in ten to nine in ten, and is open where that lies beyond what is judged", () => {
    const days = [day(1, 0.02), day(2, 0.2), day(3, 0.6), day(4, 0.95)];
    expect(likelyWindow({ days })).toEqual({ from: "2026-07-02", to: "2026-07-04" });
    expect(likelyWindow({ days: days.slice(0, 3) })).toEqual({ from: "2026-07-02", to: null });
    expect(likelyWindow({ days: days.slice(0, 1) })).toEqual({ from: null, to: null });
  });
});
