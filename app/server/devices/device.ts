import type { UnitSystem } from "#core/units/mass";
import type { GardenNow } from "../garden-now.server";

/** What a device tells of. */
export const TELLS = ["scale", "room", "record", "forecast"] as const;
export type Tells = (typeof TELLS)[number];
export const TELLS_WORDS: Record<Tells, string> = {
  scale: "what a pick weighs",
  room: "how warm and damp a place at home is",
  record: "the weather of days gone by",
  forecast: "the weather to come",
};

/** What came of a file that a device has left: how much was taken in, or why nothing was. */
export type FileOutcome = { ok: true; words: string } | { ok: false; message: string };

/**
 * A device, or what stands in for one. A real one leaves files in the garden's inbox; a simulated one is there to try
 * out, and what it shows is kept in no garden but the demo's: verdicts and plans never rest on it.
 */
export type Device = { id: string; tells: Tells; name: string } & (
  | {
      simulated: false;
      /** how its files are called, for people */
      files: string;
      /** a file of it, for people */
      example(units: UnitSystem): string;
      /** whether a file is one of its own */
      owns(file: string, d: GardenNow): boolean;
      /** takes a file in; null: it is read where it lies, and stays */
      take: ((d: GardenNow, file: string, text: string) => Promise<FileOutcome>) | null;
    }
  | {
      simulated: true;
      /** what it shows now, in words */
      shows(d: GardenNow): string;
    }
);

/** Whether what a simulated device shows may be kept: in the demo alone, whose clock stands still. */
export const maySimulate = (d: GardenNow): boolean => d.snapshot.garden.pinnedNow !== null;
