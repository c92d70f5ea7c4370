import { DatePicker, Input as Line, Portal, parseDate } from "@chakra-ui/react";
import { CalendarDays, ChevronLeft, ChevronRight } from "lucide-react";
import { useContext, useRef, useState } from "react";
import { type Day, isDay } from "#core/calendar/day";
import { readDay, sayTyped } from "#core/calendar/typed-day";
import { CountryContext } from "./country";
import { type FieldProps, Input } from "./ui";
import { useAwake } from "./use-awake";

type Props = Partial<FieldProps> & {
  /** day at first, "" for none; a text that is no day stays as it was typed */
  defaultValue?: string;
  value?: string;
  onDay?: (day: string) => void;
  min?: Day;
  max?: Day;
  w?: string;
  "aria-label"?: string;
  /** belongs to the form of this id */
  form?: string;
};

/** A date, typed as people do or picked from a month; shown as the garden's country writes it, sent as 2026-10-06. */
export function DateInput({ defaultValue = "", value, onDay, name, form, ...rest }: Props) {
  const awake = useAwake();
  const given = value ?? defaultValue;
  if (awake)
    return <Picked {...rest} name={name} form={form} given={given} follows={value !== undefined} onDay={onDay} />;
  return <Input {...rest} type="date" name={name} form={form} minW="0" defaultValue={given} />;
}

function Picked({
  given,
  follows,
  onDay,
  name,
  form,
  min,
  max,
  w,
  ...field
}: Omit<Props, "value" | "defaultValue"> & { given: string; follows: boolean }) {
  const { order, today } = useContext(CountryContext);
  const shownAs = (day: string) => (isDay(day) ? sayTyped(day, order) : day);
  const sent = useRef<HTMLInputElement>(null);
  const [day, setDay] = useState(given);
  const [text, setText] = useState(shownAs(given));
  const said = isDay(day) ? day : "";
  // a page that holds the day itself may change it; half a date it never hears of
  const [held, setHeld] = useState(given);
  if (given !== held) {
    setHeld(given);
    if (follows && given !== said) {
      setDay(given);
      setText(shownAs(given));
    }
  }
  const put = (next: string) => {
    setDay(next);
    onDay?.(isDay(next) ? next : "");
  };
  return (
    <DatePicker.Root
      w={w}
      locale={order === "month-first" ? "en-US" : "en-GB"}
      timeZone="UTC"
      startOfWeek={order === "month-first" ? 0 : 1}
      value={isDay(day) ? [parseDate(day)] : []}
      min={min ? parseDate(min) : undefined}
      max={max ? parseDate(max) : undefined}
      defaultFocusedValue={isDay(today) ? parseDate(today) : undefined}
      onValueChange={(e) => {
        const picked = e.value[0]?.toString();
        if (!picked || picked === day) return;
        put(picked);
        setText(shownAs(picked));
      }}
      lazyMount
      unmountOnExit
    >
      {name && <input ref={sent} type="hidden" name={name} form={form} value={day} />}
      <DatePicker.Control>
        <Line
          {...field}
          // the month writes into what is called its input: this line is ours, what was typed stays
          data-part="line"
          value={text}
          autoComplete="off"
          pe="12"
          minW="0"
          onChange={(e) => {
            setText(e.target.value);
            put(readDay(e.target.value, order, today) ?? e.target.value.trim());
          }}
          onBlur={() => {
            setText(shownAs(day));
            // what is sent is left as well: a checked form looks at it
            sent.current?.dispatchEvent(new FocusEvent("focusout", { bubbles: true }));
          }}
        />
        <DatePicker.Trigger aria-label="Choose from a month">
          <CalendarDays size={18} aria-hidden />
        </DatePicker.Trigger>
      </DatePicker.Control>
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
