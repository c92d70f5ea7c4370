/**
 * A straight scale for pictures: from figures to places. d3's own would bring all its scales into every page used in
 * the beds, because the charts' package holds on to the whole of it.
 * @example linear([0, 10], [100, 0])(2.5) // 75
 */
export const linear =
  ([from, to]: readonly [number, number], [start, end]: readonly [number, number]) =>
  (x: number): number =>
    start + (to === from ? 0 : (x - from) / (to - from)) * (end - start);
