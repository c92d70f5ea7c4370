import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { axisStep, type SeasonReport, svgAddress, weekBarsSvg, writeReportMarkdown } from "./season-report";

const report: SeasonReport = {
  title: "The garth: the season 2026",
  lead: "55 picks | 105.6 kg weighed.",
  weeks: [
    { name: "4 May", weighed: 2, estimated: 0 },
    { name: "11 May", weighed: 1, estimated: 3 },
    { name: "18 & <19> May", weighed: 0, estimated: 0 },
  ],
  unit: "kg",
  parts: [
    { title: "Lessons", lines: ["Net it *early*\nin July", "[not a link](x)"], table: null },
    {
      title: "Harvest",
      lines: [],
      table: {
        head: ["Kind", "Weighed"],
        rows: [
          ["red | round", "1 kg"],
          ["", "2 kg"],
        ],
        numbers: [1],
      },
    },
  ],
};

describe("the season as Markdown", () => {
  const text = writeReportMarkdown(report);
  const cells = (line: string) => line.split(/(?<!\\)\|/).length;
  it("has one heading, its parts, and tables whose rows have as many cells as their heads", () => {
    expect(text.match(/^# /gm)).toHaveLength(1);
    expect(text.match(/^## .+$/gm)).toEqual(["## Lessons", "## Harvest"]);
    const table = text.split("\n").filter((l) => l.startsWith("|"));
    expect(table).toHaveLength(4);
    expect(new Set(table.map(cells)).size).toBe(1);
    expect(table[1]).toBe("| --- | ---: |");
  });
  it("what people wrote stands for itself, on one line", () => {
    expect(text).toContain("- Net it \\*early\\* in July");
    expect(text).toContain("- \\[not a link\\](x)");
    expect(text).toContain("| red \\| round | 1 kg |");
    expect(text).toContain("55 picks \\| 105.6 kg weighed.");
  });
  it("carries its picture inside, and nothing that asks another host", () => {
    expect(text).toMatch(/!\[[^\]]+\]\(data:image\/svg\+xml;utf8,[^)\s]+\)/);
    expect(decodeURIComponent(text).match(/https?:\/\/[^\s"]+/g)).toEqual(["http://www.w3.org/2000/svg"]);
  });
  it("a season without picks has no picture and is still a file", () => {
    expect(writeReportMarkdown({ ...report, weeks: [], parts: [] })).toBe(
      "# The garth: the season 2026\n\n55 picks \\| 105.6 kg weighed.\n",
    );
  });
});

describe("the picture of the weeks", () => {
  const svg = weekBarsSvg(report.weeks, "kg");
  it("is an image that another library can draw, names escaped", async () => {
    const meta = await sharp(Buffer.from(svg)).metadata();
    expect([meta.format, meta.width, meta.height]).toEqual(["svg", 720, 200]);
    expect(svg).toContain("18 &amp; &lt;19&gt; May");
    expect(svgAddress(svg).startsWith("data:image/svg+xml;utf8,%3Csvg")).toBe(true);
  });
  it("bars stand in proportion: 2 kg is twice as high as 1, estimates stand on what was weighed", () => {
    const rects = [...svg.matchAll(/<rect [^>]*y="([\d.]+)" height="([\d.]+)" fill="([^"]+)"/g)].map((m) => ({
      y: Number(m[1]),
      h: Number(m[2]),
      fill: m[3],
    }));
    expect(rects).toHaveLength(3);
    expect(rects[0]!.h).toBeCloseTo(2 * rects[1]!.h, 0);
    expect(rects[2]!.h).toBeCloseTo(3 * rects[1]!.h, 0);
    expect(rects[2]!.y + rects[2]!.h).toBeCloseTo(rects[1]!.y, 0);
  });
  it.each([
    [4, 1],
    [30, 5],
    [0.7, 0.2],
    [130, 50],
    [0, 1],
  ])("an axis to %s goes in steps of %s", (most, step) => {
    expect(axisStep(most)).toBeCloseTo(step, 9);
  });
});
