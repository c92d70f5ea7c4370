/**
 * Scales that many crops share, each an ordered list of what can be felt or seen. A crop's cue names a scale and says
 * at which stage it stands at each step. Orders and words are our own estimate, save where said.
 */
export const SCALES = {
  firm: [
    ["hard", "rock hard"],
    ["hint", "firm, a hint of give"],
    ["gives", "gives and recovers"],
    ["soft", "soft, dents"],
    ["mush", "mush"],
  ],
  detach: [
    ["torn", "must be torn off"],
    ["pull", "comes with pull and twist"],
    ["twist", "comes with a lift or light twist"],
    ["falls", "falls at a touch"],
    ["ground", "already on the ground"],
  ],
  head: [
    ["loose", "loose leaves"],
    ["cushion", "a soft cushion"],
    ["gives", "gives slightly"],
    ["hard", "hard"],
    ["cracking", "hard and cracking"],
  ],
  silk: [
    ["none", "no silk"],
    ["pale", "pale and sticky"],
    ["tips", "tips brown"],
    ["brown", "brown and dry, damp at the base"],
    ["crumbly", "crumbly throughout"],
  ],
  juice: [
    ["clear", "clear"],
    ["milky", "milky"],
    ["cream", "thick cream"],
    ["dough", "dough, no juice"],
  ],
  skinset: [
    ["slips", "skin slips off"],
    ["scuffs", "skin scuffs"],
    ["holds", "skin holds"],
  ],
  shine: [
    ["glossy", "glossy"],
    ["satin", "satin"],
    ["dull", "dull"],
  ],
  /** US standards for fresh tomatoes, 7 CFR 51.1860: share of the surface that has coloured */
  tomato: [
    ["green", "green"],
    ["breaker", "breaker, up to 10 %"],
    ["turning", "turning, 10–30 %"],
    ["pink", "pink, 30–60 %"],
    ["light-red", "light red, 60–90 %"],
    ["red", "red, over 90 %"],
    ["over", "over-red, soft or split"],
  ],
} as const satisfies Record<string, readonly (readonly [string, string])[]>;
export type ScaleName = keyof typeof SCALES;
