import type { Crop, Cue } from "./crop";

/** Ripe colours that are offered; any other word may be typed. */
export const RIPE_COLOURS = ["red", "pink", "orange", "yellow", "white", "green", "purple", "brown", "black"] as const;

/** Whether anything of a crop is judged by its ripe colour. */
export const showsColour = (crop: Pick<Crop, "cues">): boolean => crop.cues.some((cue) => cue.inColour !== undefined);

/**
 * The crop as its kind shows it: every cue of colour asks for, and answers in, the kind's own ripe colour. A kind that
 * is ripe in the colour it had before tells nothing by colour: those cues are left out, and where one of them decided,
 * what is felt decides in its place. An empty colour leaves the crop as the handbook has it.
 *
 * A tomato that ripens yellow asks how far it has coloured, up to 'over 90 % yellow'
 */
export function inRipeColour(crop: Crop, colour: string): Crop {
  const own = colour.trim().toLowerCase();
  if (own === "" || !showsColour(crop)) return crop;
  const tells = (cue: Cue) => cue.inColour === undefined || cue.inColour.unripe !== own;
  const cues = crop.cues.filter(tells).map((cue) => coloured(cue, own));
  const dropped = crop.cues.filter((cue) => !tells(cue));
  if (!dropped.some((cue) => cue.role === "decisive") || cues.some((cue) => cue.role === "decisive"))
    return { ...crop, cues };
  const felt = cues.findIndex((cue) => cue.kind === "choice" && cue.reliability !== "low");
  return { ...crop, cues: cues.map((cue, i) => (i === felt ? { ...cue, role: "decisive" as const } : cue)) };
}

function coloured(cue: Cue, colour: string): Cue {
  const words = cue.inColour;
  if (!words) return cue;
  const say = (text: string) => text.replaceAll("{colour}", colour);
  const asked = { ...cue, ask: words.ask ? say(words.ask) : cue.ask };
  if (asked.kind !== "choice") return asked;
  return {
    ...asked,
    options: asked.options.map((o) => ({ ...o, label: words.options[o.id] ? say(words.options[o.id]!) : o.label })),
  };
}
