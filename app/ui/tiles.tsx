import { CheckboxCard, type ConditionalValue, Grid, RadioCard } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** The box itself lies unseen over its tile: a thumb, a screen reader and a test all hit the real one. */
const OVER = {
  clip: "auto",
  clipPath: "none",
  width: "100%",
  height: "100%",
  margin: 0,
  inset: 0,
  opacity: 0,
} as const;

export type Answer = { value: string; picture?: ReactNode; text: ReactNode };
type Props = {
  label: string;
  /** the form's field; undefined where what is chosen is sent otherwise */
  name: string | undefined;
  answers: readonly Answer[];
  chosen: readonly string[];
  /** a tile was tapped, whether or not it was chosen before: a second tap takes the answer back */
  onTap: (value: string) => void;
  columns: ConditionalValue<string>;
  /** the picture above its words */
  upright?: boolean;
};

/** Answers to tap, each with its picture; one of them holds. */
export function Tiles({ label, name, answers, chosen, onTap, columns, upright = false }: Props) {
  return (
    <RadioCard.Root
      name={name}
      value={chosen[0] ?? null}
      onValueChange={(e) => e.value !== null && onTap(e.value)}
      orientation={upright ? "vertical" : "horizontal"}
      aria-label={label}
    >
      <Grid templateColumns={columns} gap="2">
        {answers.map(({ value, picture, text }) => (
          <RadioCard.Item key={value} value={value}>
            <RadioCard.ItemHiddenInput style={OVER} onClick={() => chosen.includes(value) && onTap(value)} />
            {picture}
            <RadioCard.ItemText>{text}</RadioCard.ItemText>
          </RadioCard.Item>
        ))}
      </Grid>
    </RadioCard.Root>
  );
}

/** Answers of which several hold. */
export function SeveralTiles({ label, name, answers, chosen, onTap, columns }: Omit<Props, "upright">) {
  return (
    <Grid templateColumns={columns} gap="2" role="group" aria-label={label}>
      {answers.map(({ value, picture, text }) => (
        <TickTile
          key={value}
          name={name}
          value={value}
          picture={picture}
          ticked={chosen.includes(value)}
          onTick={() => onTap(value)}
        >
          {text}
        </TickTile>
      ))}
    </Grid>
  );
}

type TickProps = {
  name?: string;
  value?: string;
  picture: ReactNode;
  ticked: boolean;
  onTick: (on: boolean) => void;
  children: ReactNode;
};

/** Something that is so or not, to tap. */
export function TickTile({ name, value, picture, ticked, onTick, children }: TickProps) {
  return (
    <CheckboxCard.Root
      name={name}
      value={value}
      checked={ticked}
      onCheckedChange={({ checked }) => onTick(checked === true)}
    >
      <CheckboxCard.HiddenInput style={OVER} />
      {picture}
      <CheckboxCard.Label>{children}</CheckboxCard.Label>
    </CheckboxCard.Root>
  );
}
