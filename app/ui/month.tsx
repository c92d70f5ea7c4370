import { DatePicker, Portal, parseDate } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useEffect, useState } from "react";
import { type Day, isDay } from "#core/calendar/day";
import type { Country } from "./country";

type Props = {
  day: string;
  country: Country;
  min?: Day;
  max?: Day;
  /** what it opens under */
  under: () => HTMLElement | null;
  onDay: (day: Day) => void;
  onClose: () => void;
};

/** A month to pick a day from, by pointer or keys; years and months by its head. Loaded when it is first asked for. */
export default function Month({ day, country, min, max, under, onDay, onClose }: Props) {
  const { order, today } = country;
  // opened once it is there, so that the keys go to it
  const [shown, setShown] = useState(false);
  useEffect(() => setShown(true), []);
  return (
    <DatePicker.Root
      open={shown}
      onOpenChange={(e) => !e.open && onClose()}
      positioning={{ placement: "bottom-end", getAnchorRect: () => under()?.getBoundingClientRect() ?? null }}
      locale={order === "month-first" ? "en-US" : "en-GB"}
      timeZone="UTC"
      startOfWeek={order === "month-first" ? 0 : 1}
      value={isDay(day) ? [parseDate(day)] : []}
      defaultFocusedValue={parseDate(isDay(day) ? day : today)}
      min={min ? parseDate(min) : undefined}
      max={max ? parseDate(max) : undefined}
      onValueChange={(e) => {
        const picked = e.value[0]?.toString();
        if (picked) onDay(picked);
      }}
    >
      <Portal>
        <DatePicker.Positioner>
          <DatePicker.Content>
            {(["day", "month", "year"] as const).map((view) => (
              <DatePicker.View key={view} view={view}>
                <DatePicker.ViewControl>
                  <DatePicker.PrevTrigger>
                    <ChevronLeft size={20} aria-hidden />
                  </DatePicker.PrevTrigger>
                  <DatePicker.ViewTrigger>
                    <DatePicker.RangeText />
                  </DatePicker.ViewTrigger>
                  <DatePicker.NextTrigger>
                    <ChevronRight size={20} aria-hidden />
                  </DatePicker.NextTrigger>
                </DatePicker.ViewControl>
                {view === "day" ? (
                  <DatePicker.DayTable />
                ) : view === "month" ? (
                  <DatePicker.MonthTable />
                ) : (
                  <DatePicker.YearTable />
                )}
              </DatePicker.View>
            ))}
          </DatePicker.Content>
        </DatePicker.Positioner>
      </Portal>
    </DatePicker.Root>
  );
}
