import { Box, chakra, Slider } from "@chakra-ui/react";
import { THUMB } from "./theme/recipes";
import { useAwake } from "./use-awake";

type Props = {
  name: string;
  label: string;
  min: number;
  max: number;
  step: number;
  value: number;
  onValue: (value: number) => void;
  /** the value in words, beside the label and for who hears it */
  say: (value: number) => string;
};

/** More or less of something, by a thumb or by the arrow keys, said in words. */
export function Slide({ name, label, min, max, step, value, onValue, say }: Props) {
  const words = (
    <>
      <strong>{label}</strong>{" "}
      <chakra.span color="inkSoft" fontSize="sm">
        {say(value)}
      </chakra.span>
    </>
  );
  // without the page's scripts it is the browser's own
  if (!useAwake())
    return (
      <Box asChild>
        <label>
          {words}
          <chakra.input
            type="range"
            display="block"
            w="100%"
            h={THUMB}
            accentColor="moss"
            {...{ name, min, max, step }}
            defaultValue={value}
          />
        </label>
      </Box>
    );
  return (
    <Slider.Root
      {...{ name, min, max, step }}
      value={[value]}
      onValueChange={(e) => onValue(e.value[0]!)}
      getAriaValueText={(e) => say(e.value)}
      thumbAlignment="center"
    >
      <Slider.Label>{words}</Slider.Label>
      <Slider.Control>
        <Slider.Track>
          <Slider.Range />
        </Slider.Track>
        <Slider.Thumb index={0}>
          <Slider.HiddenInput />
        </Slider.Thumb>
      </Slider.Control>
    </Slider.Root>
  );
}
