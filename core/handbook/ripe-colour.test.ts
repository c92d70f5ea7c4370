import { describe, expect, it } from "vitest";
import { CROPS, cropOf } from "./index";
import { inRipeColour, showsColour } from "./ripe-colour";

const coloured = CROPS.filter(showsColour);
const words = (crop: (typeof CROPS)[number]) =>
  crop.cues.flatMap((c) => [c.ask, ...(c.kind === "choice" ? c.options.map((o) => o.label) : [])]).join("; ");

describe("a kind with a ripe colour of its own", () => {
  it("is asked for in that colour, with the same answers at the same stages", () => {
    expect(coloured.length).toBeGreaterThan(12);
    for (const crop of coloured) {
      const own = inRipeColour(crop, "Orange");
      expect(words(own), crop.id).toContain("orange");
      expect(words(own), crop.id).not.toContain("{colour}");
      expect(own.cues.map((c) => c.id)).toEqual(crop.cues.map((c) => c.id));
    }
    const tomato = inRipeColour(cropOf("tomato"), "yellow").cues.find((c) => c.id === "colour")!;
    expect(tomato.kind === "choice" && tomato.options.find((o) => o.id === "red")).toMatchObject({
      label: "over 90 % yellow",
      at: 1.5,
    });
    expect(words(inRipeColour(cropOf("tomato"), "yellow"))).not.toMatch(/\bred\b/);
  });
  it("is judged by feel where it ripens in the colour it had before", () => {
    for (const id of ["tomato", "plum", "gooseberry", "chilli"]) {
      const own = inRipeColour(cropOf(id), "green");
      expect(
        own.cues.some((c) => c.id === "colour"),
        id,
      ).toBe(false);
      expect(
        own.cues.some((c) => c.role === "decisive"),
        id,
      ).toBe(true);
    }
  });
  it("leaves every other crop, and one with nothing said, as it is", () => {
    expect(inRipeColour(cropOf("carrot"), "purple")).toBe(cropOf("carrot"));
    expect(inRipeColour(cropOf("tomato"), " ")).toBe(cropOf("tomato"));
  });
});
