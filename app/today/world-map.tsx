import { chakra } from "@chakra-ui/react";
import type { PointerEvent } from "react";
import { feature } from "topojson-client";
import type { GeometryCollection, Topology } from "topojson-specification";
import land from "world-atlas/land-110m.json";

/** Where gardens are: from 66° south to 66° north, the map as wide as the earth is round, a unit a degree. */
const TOP = 66;
const HEIGHT = 2 * TOP;

/** Coastlines as one path in degrees, north up. Natural Earth 1:110 million, public domain, by world-atlas. */
const COASTS = (() => {
  const topology = land as unknown as Topology<{ land: GeometryCollection }>;
  const rings = feature(topology, topology.objects.land).features.flatMap(({ geometry }) =>
    geometry.type === "Polygon"
      ? geometry.coordinates
      : geometry.type === "MultiPolygon"
        ? geometry.coordinates.flat()
        : [],
  );
  const at = ([lon, lat]: number[]) => `${(lon! + 180).toFixed(1)} ${(TOP - lat!).toFixed(1)}`;
  return rings
    .map((ring) =>
      // where a coast runs over the edge of the map the pen is lifted
      ring.map((p, k) => `${k === 0 || Math.abs(p[0]! - ring[k - 1]![0]!) > 180 ? "M" : "L"}${at(p)}`).join(""),
    )
    .join("");
})();

/** A small map of the world: a click says where the garden lies, to about half a degree. The fields beside it say the same. */
export default function WorldMap({
  latitudeDeg,
  longitudeDeg,
  onPlace,
}: {
  latitudeDeg: number;
  longitudeDeg: number;
  onPlace: (latitudeDeg: number, longitudeDeg: number) => void;
}) {
  const place = (e: PointerEvent<SVGSVGElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const lon = ((e.clientX - box.left) / box.width) * 360 - 180;
    const lat = TOP - ((e.clientY - box.top) / box.height) * HEIGHT;
    const half = (x: number) => Math.round(2 * x) / 2;
    onPlace(half(lat), half(lon));
  };
  const known = Math.abs(latitudeDeg) <= TOP && Math.abs(longitudeDeg) <= 180;
  return (
    <chakra.svg
      viewBox={`0 0 360 ${HEIGHT}`}
      w="100%"
      display="block"
      cursor="crosshair"
      onPointerDown={place}
      role="img"
      aria-label="Map of the world: a click sets latitude and longitude"
    >
      <path d={COASTS} fill="var(--ak-colors-moss-tint)" stroke="var(--ak-colors-ink-soft)" strokeWidth="0.4" />
      <line x1="0" x2="360" y1={TOP} y2={TOP} stroke="var(--ak-colors-rule)" strokeWidth="0.5" strokeDasharray="2 3" />
      {known && (
        <g
          transform={`translate(${longitudeDeg + 180} ${TOP - latitudeDeg})`}
          stroke="var(--ak-colors-madder)"
          fill="none"
        >
          <circle r="4.5" strokeWidth="1.6" />
          <circle r="0.9" fill="var(--ak-colors-madder)" />
        </g>
      )}
    </chakra.svg>
  );
}
