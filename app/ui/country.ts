import { createContext } from "react";
import type { DateOrder } from "#core/calendar/date-order";
import type { Day } from "#core/calendar/day";

/** How the garden's country writes a date, and which day it is there. */
export type Country = { order: DateOrder; today: Day };

/** Set by the frame; a page outside it writes the day first. */
export const CountryContext = createContext<Country>({ order: "day-first", today: "2026-01-01" });
