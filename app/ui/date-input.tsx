import { Box, chakra } from "@chakra-ui/react";
import { CalendarDays } from "lucide-react";
import { Suspense, useContext, useRef, useState } from "react";
import { type Day, isDay } from "#core/calendar/day";
import { readDay, sayTyped } from "#core/calendar/typed-day";
import { CountryContext } from "./country";
import { lazyOr } from "./lazy-or";
import { THUMB } from "./theme/recipes";
import { type FieldProps, Input } from "./ui";
import { useAwake } from "./use-awake";
import { usePressedOpen } from "./use-pressed-open";

const Month = lazyOr(() => import("./month"));

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
  const given = value ?? defaultValue;
  if (useAwake())
    return <Picked {...rest} name={name} form={form} given={given} follows={value !== undefined} onDay={onDay} />;
  return <Input {...rest} type="date" name={name} form={form} minW="0" defaultValue={given} />;
}

const Opener = chakra("button", {
  base: {
    position: "absolute",
    right: "0",
    top: "0",
    h: "100%",
    w: THUMB,
    display: "grid",
    placeItems: "center",
    color: "moss",
    cursor: "pointer",
  },
});

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
  const country = useContext(CountryContext);
  const { order, today } = country;
  const shownAs = (day: string) => (isDay(day) ? sayTyped(day, order) : day);
  const sent = useRef<HTMLInputElement>(null);
  const line = useRef<HTMLDivElement>(null);
  const { open, close, press } = usePressedOpen<HTMLButtonElement>();
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
    <Box ref={line} position="relative" w={w} minW="0">
      {name && <input ref={sent} type="hidden" name={name} form={form} value={day} />}
      <Input
        {...field}
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
      <Opener type="button" aria-label="Choose from a month" aria-haspopup="dialog" {...press}>
        <CalendarDays size={18} aria-hidden />
      </Opener>
      {open && (
        <Suspense fallback={null}>
          <Month
            {...{ day, country, min, max }}
            under={() => line.current}
            onClose={close}
            onDay={(picked) => {
              put(picked);
              setText(shownAs(picked));
              close();
            }}
          />
        </Suspense>
      )}
    </Box>
  );
}
