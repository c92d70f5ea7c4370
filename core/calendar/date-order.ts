/** How a country writes a date: day before month, or month before day. */
export type DateOrder = "day-first" | "month-first";

let written: DateOrder = "day-first";

/**
 * Sets how dates are written from here on, as a locale is set: for the one garden that a process serves or a page
 * shows, before anything of it is put into words. Nothing is reckoned by it.
 */
export function writeDates(order: DateOrder): void {
  written = order;
}

/** How dates are written now. */
export const datesWritten = (): DateOrder => written;

/** How the dates of a garden are written: month first where its units are US. */
export const dateOrderOf = (units: "metric" | "us"): DateOrder => (units === "us" ? "month-first" : "day-first");
