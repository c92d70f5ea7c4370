import { type Bed, bedCentre } from "../../garden/bed";
import type { Crop } from "../../handbook/crop";
import { shortestPath } from "./tour";

/** What is to be picked at one stop of a round, and whether its bed is sick. */
export type Stop = { id: string; bed: Bed; crop: Crop; sick: boolean };

/** Why a stop comes when it comes. */
export type StopTurn = "dew" | "delicate" | "dry" | "heavy" | "sick";
const TURNS: readonly StopTurn[] = ["dew", "dry", "delicate", "heavy", "sick"];

/** Weight of one piece above which a crop is left for the end of a round, g (own choice: a squash, a cabbage). */
const HEAVY_PIECE_G = 900;

/**
 * When a stop's turn is: common practice of the trade (1-031; roots and leaves in the dew, what mildews dry, soft
 * fruit on top, potatoes and squash late, disease last); no published source.
 */
export function turnOf(stop: Stop): StopTurn {
  if (stop.sick) return "sick";
  const { crop } = stop;
  if (crop.yield.pieceG >= HEAVY_PIECE_G || (crop.parts.includes("tuber") && crop.habit === "once-over"))
    return "heavy";
  if (crop.bruises) return "delicate";
  return crop.weather.foliage === "any" ? "dew" : "dry";
}

/** A stop in its place: why it comes when it comes, and at which site. */
export type OrderedStop = { stop: Stop; turn: StopTurn; site: string };

/**
 * Order of a round: one site after the other, in each the turns one after the other, and within each turn the shortest
 * way on foot from where the last one ended, exact up to thirteen beds a turn; or, where the gardener has put the beds
 * in order, by that. A site begins at the bed that is first on the gardener's own walk.
 * @param byHand the beds' own order instead of the shortest way
 * @returns the stops in order with their turn and site, and the way in metres, beds' centres as the crow flies; the way
 * between two sites is none of it
 */
export function roundOrder(
  stops: readonly Stop[],
  gate: { xM: number; yM: number },
  byHand = false,
): { order: OrderedStop[]; wayM: number } {
  const first = (site: string) => Math.min(...stops.filter((s) => s.bed.site === site).map((s) => s.bed.walkOrder));
  const sites = [...new Set(stops.map((s) => s.bed.site))].sort((a, b) => first(a) - first(b));
  const order: OrderedStop[] = [];
  let wayM = 0;
  sites.forEach((site, k) => {
    const here = stops.filter((s) => s.bed.site === site);
    const begin = [...here].sort((a, b) => a.bed.walkOrder - b.bed.walkOrder)[0]!;
    const done = orderAt(here, k === 0 && site === "" ? gate : bedCentre(begin.bed), byHand);
    order.push(...done.order.map((o) => ({ ...o, site })));
    wayM += done.wayM;
  });
  return { order, wayM };
}

function orderAt(
  stops: readonly Stop[],
  gate: { xM: number; yM: number },
  byHand: boolean,
): { order: { stop: Stop; turn: StopTurn }[]; wayM: number } {
  const order: { stop: Stop; turn: StopTurn }[] = [];
  let here = gate;
  let wayM = 0;
  for (const turn of TURNS) {
    const group = stops.filter((s) => turnOf(s) === turn);
    const beds = [...new Map(group.map((s) => [s.bed.id, s.bed])).values()].sort((a, b) => (a.id < b.id ? -1 : 1));
    if (beds.length === 0) continue;
    const places = [here, ...beds.map(bedCentre)];
    const distance = places.map((a) => places.map((b) => Math.hypot(a.xM - b.xM, a.yM - b.yM)));
    const way = byHand ? ownWay(beds) : shortestPath(distance).order.slice(1);
    let from = 0;
    for (const i of way) {
      const bed = beds[i - 1]!;
      for (const stop of group.filter((s) => s.bed.id === bed.id)) order.push({ stop, turn });
      wayM += distance[from]![i]!;
      from = i;
      here = bedCentre(bed);
    }
  }
  return { order, wayM };
}

/** The beds' numbers, from 1, in the gardener's own order. */
const ownWay = (beds: readonly Bed[]): number[] =>
  beds.map((_, i) => i + 1).sort((a, b) => beds[a - 1]!.walkOrder - beds[b - 1]!.walkOrder);
