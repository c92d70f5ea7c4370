import { z } from "zod";

/** How sure a fact is: source in the words of its publication, or common practice, or our own estimate. */
export const SOURCES = {
  CP: "common practice of home growers",
  H66: "USDA Agriculture Handbook 66 (from memory, verify)",
  WHI: "Whiteman, USDA Marketing Research Report 196 (from memory, verify)",
  UCD: "University of California, Davis, postharvest fact sheets (from memory, verify)",
  KNO: "Knott’s Handbook for Vegetable Growers (from memory, verify)",
  NCS: "North Carolina State University heat-unit leaflet (from memory, verify)",
  EXT: "US state extension home-garden sheets, general agreement (from memory, verify)",
  RHS: "Royal Horticultural Society advice (from memory, verify)",
  WK: "winter-kill lists in grower literature (from memory, verify)",
  WSU: "Washington State University bud temperatures (from memory, verify)",
  COR: "Cornell University material (from memory, verify)",
  NCH: "US National Center for Home Food Preservation (from memory, verify)",
  FDA: "US Food and Drug Administration consumer material (from memory, verify)",
  NWS: "US National Weather Service freeze classes (from memory, verify)",
  CUT: "handbooks on cut flowers (from memory, verify)",
  own: "this garden’s own",
  est: "our own estimate, please overwrite",
} as const;
export type Source = keyof typeof SOURCES;
export const source = z.enum(Object.keys(SOURCES) as [Source, ...Source[]]);
