import { sayDay } from "../calendar/day";
import type { Planting } from "./planting";
import { allowedFrom, type Treatment, type TreatmentKind } from "./treatment";

export const START_WORDS: Record<Planting["startedHow"], string> = {
  sown: "sown where it stands",
  transplanted: "set out as a young plant",
  planted: "sets, tubers or cloves planted",
};

export const TREATMENT_WORDS: Record<TreatmentKind, string> = {
  spray: "sprayed",
  feed: "fed",
  manure: "raw manure worked in",
  "tops-cut": "tops or vines cut",
};

/** Why a treated planting may not be picked yet. */
export const sayWait = (t: Treatment): string =>
  t.kind === "tops-cut"
    ? `its tops were cut on ${sayDay(t.day)}, and skins set until ${sayDay(allowedFrom(t))}`
    : t.kind === "manure"
      ? `raw manure was worked in on ${sayDay(t.day)}: wait until ${sayDay(allowedFrom(t))}, or by the local rule if that is longer`
      : `${TREATMENT_WORDS[t.kind]}${t.product ? ` with ${t.product}` : ""} on ${sayDay(t.day)}; by its label not before ${sayDay(allowedFrom(t))}`;
