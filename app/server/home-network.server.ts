/** Where the garden is reached on the home network, with a code for the phone; null when it is not let in. */
export async function homeNetwork(): Promise<{ address: string; code: string } | null> {
  const address = process.env.AKMEDON_HOME_ADDRESS;
  if (!address) return null;
  const { default: QRCode } = await import("qrcode");
  const svg = await QRCode.toString(address, { type: "svg", margin: 1, color: { dark: "#28312a", light: "#0000" } });
  return { address, code: `data:image/svg+xml;utf8,${encodeURIComponent(svg)}` };
}
