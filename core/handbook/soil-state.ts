/** How the top of the soil is to be worked: reckoned in `weather/soil.ts`, and what a technique may hang on. */
export type SoilState = "frozen" | "sodden" | "workable" | "dry" | "baked";
