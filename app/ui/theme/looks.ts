/** The looks of a page, as data-mode names them. */
export const LOOKS = ["device", "paper", "sunlight", "night"] as const;
export type Look = (typeof LOOKS)[number];

/** What each is for, as Settings tells it. */
export const LOOK_WORDS: Record<Look, string> = {
  device: "as this device is set, light or dark",
  paper: "paper",
  sunlight: "sunlight: strong contrast",
  night: "night: dark and calm",
};

/** What one press of the button in the frame turns a look into. */
export const nextLook = (look: Look): Exclude<Look, "device"> =>
  look === "sunlight" ? "night" : look === "night" ? "paper" : "sunlight";
