import { z } from "zod";

export const COVERS = ["none", "fleece", "cold-frame", "polytunnel", "greenhouse"] as const;
export type Cover = (typeof COVERS)[number];

/** A bed drawn to scale: metres from the plot's south-west corner, x east, y north; a circle uses its width as diameter. */
export const bedSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1, "give the bed a name").max(40, "at most 40 letters"),
  shape: z.enum(["rectangle", "circle"]),
  xM: z.number().min(0, "not left of the plot’s corner").max(500),
  yM: z.number().min(0, "not below the plot’s corner").max(500),
  widthM: z.number().min(0.1, "at least 0.1 m").max(100, "at most 100 m"),
  lengthM: z.number().min(0.1, "at least 0.1 m").max(100, "at most 100 m"),
  cover: z.enum(COVERS),
  sunHours: z.number().min(0, "0 to 16 hours").max(16, "0 to 16 hours"),
  nightOffsetC: z.number().min(-8, "between −8 and 8 degrees").max(8, "between −8 and 8 degrees"),
  note: z.string().max(500),
  /** where it lies, for who gardens in more than one place: home, the plot across town; empty: the one place there is */
  site: z.string().trim().max(40, "at most 40 letters").default(""),
  walkOrder: z.number().int().min(0).max(10_000),
});
export type Bed = z.infer<typeof bedSchema>;

/** Ground area of a bed in m². */
export const bedAreaM2 = (bed: Pick<Bed, "shape" | "widthM" | "lengthM">): number =>
  bed.shape === "circle" ? (Math.PI * bed.widthM ** 2) / 4 : bed.widthM * bed.lengthM;

/** Centre of a bed in the plot's metres. */
export const bedCentre = (
  bed: Pick<Bed, "shape" | "xM" | "yM" | "widthM" | "lengthM">,
): { xM: number; yM: number } => ({
  xM: bed.xM + bed.widthM / 2,
  yM: bed.yM + (bed.shape === "circle" ? bed.widthM : bed.lengthM) / 2,
});

/** A path between beds that a barrow's wheel gets through, m (common practice, no source). */
export const PATH_M = 0.4;

/**
 * Where a new bed of a size (m) fits beside the others with a path around it, from the plot's south-west corner on;
 * the corner itself where nothing is free.
 */
export function freeSpot(
  beds: readonly Pick<Bed, "shape" | "xM" | "yM" | "widthM" | "lengthM">[],
  plot: { widthM: number; lengthM: number },
  size: { widthM: number; lengthM: number },
): { xM: number; yM: number } {
  const step = 0.5;
  const taken = beds.map((b) => ({ ...b, lengthM: b.shape === "circle" ? b.widthM : b.lengthM }));
  const apart = (from: number, length: number, otherFrom: number, otherLength: number) =>
    from + length + PATH_M <= otherFrom || otherFrom + otherLength + PATH_M <= from;
  for (let yM = step; yM + size.lengthM <= plot.lengthM; yM += step)
    for (let xM = step; xM + size.widthM <= plot.widthM; xM += step)
      if (taken.every((b) => apart(xM, size.widthM, b.xM, b.widthM) || apart(yM, size.lengthM, b.yM, b.lengthM)))
        return { xM, yM };
  return { xM: step, yM: step };
}
