export const COINS = ["none", "euro", "uk", "us"] as const;
/** Whose coins a gardener has in the pocket. */
export type Coins = (typeof COINS)[number];

/** Everyday objects as sizes. Coins after mint specifications, balls after their rules, the rest typical (common practice). */
export type ReferenceObject = {
  id: string;
  name: string;
  lengthMm: number;
  kind: "coin" | "ball" | "hand" | "thing";
  /** whose coin it is */
  coins?: Coins;
};

export const REFERENCE_OBJECTS: readonly ReferenceObject[] = [
  { id: "match", name: "match head", lengthMm: 3, kind: "thing" },
  { id: "lace", name: "bootlace", lengthMm: 5, kind: "thing" },
  { id: "pencil", name: "pencil, thickness", lengthMm: 7, kind: "thing" },
  { id: "pea", name: "shelled pea", lengthMm: 8.5, kind: "thing" },
  { id: "pen", name: "fat pen", lengthMm: 11, kind: "thing" },
  { id: "little-finger", name: "little finger, width", lengthMm: 14, kind: "hand" },
  { id: "marble", name: "marble", lengthMm: 16, kind: "ball" },
  { id: "us-dime", name: "US dime", lengthMm: 17.91, kind: "coin", coins: "us" },
  { id: "index-finger", name: "index finger, width", lengthMm: 18, kind: "hand" },
  { id: "us-penny", name: "US penny", lengthMm: 19.05, kind: "coin", coins: "us" },
  { id: "us-nickel", name: "US nickel", lengthMm: 21.21, kind: "coin", coins: "us" },
  { id: "thumb", name: "thumb, width", lengthMm: 22, kind: "hand" },
  { id: "euro-1", name: "1 euro coin", lengthMm: 23.25, kind: "coin", coins: "euro" },
  { id: "pound-1", name: "1 pound coin", lengthMm: 23.4, kind: "coin", coins: "uk" },
  { id: "cork", name: "wine cork, width", lengthMm: 24, kind: "thing" },
  { id: "euro-50", name: "50 cent coin", lengthMm: 24.25, kind: "coin", coins: "euro" },
  { id: "us-quarter", name: "US quarter", lengthMm: 24.26, kind: "coin", coins: "us" },
  { id: "pence-10", name: "10 pence coin", lengthMm: 24.5, kind: "coin", coins: "uk" },
  { id: "euro-2", name: "2 euro coin", lengthMm: 25.75, kind: "coin", coins: "euro" },
  { id: "pence-2", name: "2 pence coin", lengthMm: 25.9, kind: "coin", coins: "uk" },
  { id: "bottle-cap", name: "bottle cap", lengthMm: 32, kind: "thing" },
  { id: "walnut", name: "walnut", lengthMm: 35, kind: "thing" },
  { id: "table-tennis-ball", name: "table tennis ball", lengthMm: 40, kind: "ball" },
  { id: "golf-ball", name: "golf ball", lengthMm: 42.67, kind: "ball" },
  { id: "battery", name: "AA battery, length", lengthMm: 50.5, kind: "thing" },
  { id: "egg", name: "hen’s egg, long side", lengthMm: 57, kind: "thing" },
  { id: "tennis-ball", name: "tennis ball", lengthMm: 67, kind: "ball" },
  { id: "finger-length", name: "index finger, length", lengthMm: 75, kind: "hand" },
  { id: "card", name: "bank card, long side", lengthMm: 85.6, kind: "thing" },
  { id: "softball", name: "softball", lengthMm: 97, kind: "ball" },
  { id: "palm", name: "palm and thumb", lengthMm: 120, kind: "hand" },
  { id: "postcard", name: "postcard, long side", lengthMm: 148, kind: "thing" },
  { id: "hand", name: "hand, wrist to fingertip", lengthMm: 185, kind: "hand" },
  { id: "hand-span", name: "hand span", lengthMm: 210, kind: "hand" },
  { id: "paper", name: "sheet of paper, long side", lengthMm: 297, kind: "thing" },
  { id: "forearm", name: "forearm", lengthMm: 385, kind: "hand" },
];

/**
 * Among everyday objects, the one closest in proportion to a length in mm.
 * @param coins only these coins are offered; none unless chosen
 */
export function nearestObject(lengthMm: number, coins: Coins = "none"): ReferenceObject {
  const distance = (o: ReferenceObject) => Math.abs(Math.log(o.lengthMm / Math.max(1, lengthMm)));
  return REFERENCE_OBJECTS.filter((o) => o.kind !== "coin" || o.coins === coins).reduce((best, o) =>
    distance(o) < distance(best) ? o : best,
  );
}
