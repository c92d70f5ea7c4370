/** A part of a report: sentences, and a table where there is one. Cells are as they are shown. */
export type ReportPart = {
  title: string;
  lines: string[];
  table: { head: string[]; rows: string[][]; numbers: number[] } | null;
};
/** A season as it is printed, or taken away as Markdown. */
export type SeasonReport = {
  title: string;
  lead: string;
  /** what came in by weeks, kilos or pounds, weighed and estimated apart */
  weeks: { name: string; weighed: number; estimated: number }[];
  unit: "kg" | "lb";
  parts: ReportPart[];
};

const WIDTH = 720;
const HEIGHT = 200;
const LEFT = 44;
const BOTTOM = 26;
const escapeXml = (text: string) =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;").replaceAll('"', "&quot;");

/** A round number of steps for an axis: 1, 2 or 5 times a power of ten, four to eight of them. */
export function axisStep(most: number): number {
  if (!(most > 0)) return 1;
  const power = 10 ** Math.floor(Math.log10(most / 4));
  return [1, 2, 5, 10].map((m) => m * power).find((s) => most / s <= 6) ?? 10 * power;
}

/** The weeks of a season as a picture: bars, the estimated part paler. A whole SVG document, no outside font or style. */
export function weekBarsSvg(weeks: SeasonReport["weeks"], unit: string): string {
  const most = Math.max(0, ...weeks.map((w) => w.weighed + w.estimated));
  const step = axisStep(most);
  const top = Math.max(step, Math.ceil(most / step) * step);
  const plot = { w: WIDTH - LEFT - 6, h: HEIGHT - BOTTOM - 10 };
  const y = (v: number) => 10 + plot.h - (plot.h * v) / top;
  const slot = plot.w / Math.max(1, weeks.length);
  const bar = Math.min(26, slot * 0.72);
  const lines: string[] = [];
  for (let v = 0; v <= top + 1e-9; v += step) {
    lines.push(
      `<line x1="${LEFT}" x2="${WIDTH - 6}" y1="${y(v).toFixed(1)}" y2="${y(v).toFixed(1)}" stroke="#ddd3bd"/>`,
    );
    lines.push(
      `<text x="${LEFT - 6}" y="${(y(v) + 4).toFixed(1)}" text-anchor="end">${Math.round(v * 100) / 100}${v === 0 ? ` ${unit}` : ""}</text>`,
    );
  }
  const every = Math.max(1, Math.ceil(weeks.length / 10));
  const bars = weeks.map((w, i) => {
    const x = LEFT + slot * (i + 0.5) - bar / 2;
    const rect = (from: number, to: number, fill: string) =>
      to > from
        ? `<rect x="${x.toFixed(1)}" width="${bar.toFixed(1)}" y="${y(to).toFixed(1)}" height="${(y(from) - y(to)).toFixed(1)}" fill="${fill}"/>`
        : "";
    const name =
      i % every === 0
        ? `<text x="${(x + bar / 2).toFixed(1)}" y="${HEIGHT - 8}" text-anchor="middle">${escapeXml(w.name)}</text>`
        : "";
    return rect(0, w.weighed, "#2d5a3d") + rect(w.weighed, w.weighed + w.estimated, "#b5c07a") + name;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" width="${WIDTH}" height="${HEIGHT}" font-family="sans-serif" font-size="12" fill="#28312a">${lines.join("")}${bars.join("")}</svg>`;
}

/** A picture as an address that holds it all, so that a file needs nothing beside it. */
export const svgAddress = (svg: string): string => `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`;

/** Signs of Markdown in what people wrote stand for themselves; a line break in a cell becomes a space. */
const plain = (text: string): string => text.replace(/([\\`*_[\]<>#|~])/g, "\\$1").replace(/\s*\n\s*/g, " ");

/** The report as one Markdown file: its picture inside it, tables in the pipe form that most readers know. */
export function writeReportMarkdown(report: SeasonReport): string {
  const out: string[] = [`# ${plain(report.title)}`, "", plain(report.lead), ""];
  if (report.weeks.length > 0)
    out.push(`![What came in week by week](${svgAddress(weekBarsSvg(report.weeks, report.unit))})`, "");
  for (const part of report.parts) {
    out.push(`## ${plain(part.title)}`, "");
    for (const line of part.lines) out.push(`- ${plain(line)}`);
    if (part.lines.length > 0) out.push("");
    if (part.table && part.table.rows.length > 0) {
      const { head, rows, numbers } = part.table;
      out.push(`| ${head.map((h) => plain(h) || " ").join(" | ")} |`);
      out.push(`|${head.map((_, i) => (numbers.includes(i) ? " ---: |" : " --- |")).join("")}`);
      for (const row of rows) out.push(`| ${row.map((c) => plain(c) || " ").join(" | ")} |`);
      out.push("");
    }
  }
  return `${out.join("\n").trimEnd()}\n`;
}
