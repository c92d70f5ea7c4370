/**
 * What a planting is called: the crop first, for a neighbour knows potatoes and not 'late white'; then its kind.
 *
 * @example plantingName({ kind: "late white" }, { name: "Potato" }) // "Potato ‘late white’"
 */
export const plantingName = (planting: { kind: string }, crop: { name: string } | null | undefined): string =>
  !crop ? planting.kind || "a planting" : planting.kind === "" ? crop.name : `${crop.name} ‘${planting.kind}’`;
