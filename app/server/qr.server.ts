import QRCode from "qrcode";

/** A QR code as one SVG path on a grid of so many modules, quiet zone of four included (ISO/IEC 18004). */
export type QrDrawing = { size: number; path: string };
const QUIET = 4;

/** Draws the code of a text; errors are mended up to a quarter of it, as a label outdoors wants. */
export function qrOf(text: string): QrDrawing {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: "Q" });
  let path = "";
  for (let y = 0; y < modules.size; y++)
    for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) path += `M${x + QUIET} ${y + QUIET}h1v1h-1z`;
  return { size: modules.size + 2 * QUIET, path };
}

/** A QR code as a picture for the page: a data address. */
export async function codeImage(text: string): Promise<string> {
  const svg = await QRCode.toString(text, { type: "svg", margin: 1, color: { dark: "#28312a", light: "#0000" } });
  return `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`;
}
