import { describe, expect, it } from "vitest";
import { readForm } from "../ui/form-schema";
import { placeForm, placeReadingForm } from "./place.form";

const typed = {
  name: "cellar shelf",
  kind: "cellar",
  litres: "60",
  roomIn: "litres",
  takenLitres: "",
  tempMinC: "4",
  tempMaxC: "9",
  humidityMin: "80",
  humidityMax: "",
  light: "dark",
  air: "",
};
const read = (over: Record<string, string> = {}, units: "metric" | "us" = "metric") => {
  const { ok, ...rest } = readForm(placeForm(units), { ...typed, ...over });
  return ok ? (rest as { row: object }).row : Object.keys((rest as { faults: { errors: object } }).faults.errors);
};

describe("a place as it is typed", () => {
  it("is read, with what was left empty as not said", () =>
    expect(read()).toMatchObject({
      litres: 60,
      takenLitres: 0,
      tempMinC: 4,
      tempMaxC: 9,
      humidityMin: 80,
      humidityMax: null,
      light: "dark",
      air: null,
    }));
  it("is read in quarts and °F where the garden is told so", () =>
    // 1 US quart is 0.946353 l (NIST Handbook 44, Appendix C); 39.2 °F are 4 °C
    expect(read({ tempMinC: "39.2", tempMaxC: "50" }, "us")).toMatchObject({
      litres: expect.closeTo(60 * 0.946353, 1),
      tempMinC: 4,
      tempMaxC: 10,
    }));
  it("is counted in trays of what one holds", () =>
    expect(read({ roomIn: "trays", litres: "5", takenLitres: "1", trayLitres: "12" })).toMatchObject({
      litres: 60,
      takenLitres: 12,
      trayLitres: 12,
    }));
  it.each([
    [{ name: " " }, "name"],
    [{ litres: "" }, "litres"],
    [{ litres: "0" }, "litres"],
    [{ takenLitres: "61" }, "takenLitres"],
    [{ tempMinC: "10" }, "tempMinC"],
    [{ humidityMin: "101" }, "humidityMin"],
    [{ kind: "attic of dreams" }, "kind"],
  ])("%o is refused at its own field", (over, field) => expect(read(over)).toEqual([field]));
});

describe("a reading of a place", () => {
  it("is read in the garden's units", () => {
    expect(readForm(placeReadingForm("metric"), { tempC: "9,4", humidityPct: "" })).toEqual({
      ok: true,
      row: { tempC: 9.4, humidityPct: null },
    });
    expect(readForm(placeReadingForm("us"), { tempC: "50", humidityPct: "80" })).toEqual({
      ok: true,
      row: { tempC: 10, humidityPct: 80 },
    });
  });
  it.each([{ tempC: "" }, { tempC: "99" }, { tempC: "warm" }])("%o is refused", (over) =>
    expect(readForm(placeReadingForm("metric"), { humidityPct: "80", ...over })).toMatchObject({
      ok: false,
      faults: { errors: { tempC: expect.any(String) } },
    }),
  );
});
