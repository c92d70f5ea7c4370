import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { Circle, CopyPlus, RotateCw, Rows3, Square, Trash2, Undo2 } from "lucide-react";
import { useState } from "react";
import { Form } from "react-router";
import { readDistance, typedDistance } from "#core/units/distance";
import type { UnitSystem } from "#core/units/mass";
import { sayDistance } from "#core/units/say";
import { SvgText } from "../ui/svg-text";
import { Button, type Faults, Field, FormError, Input, LinkButton } from "../ui/ui";
import { useNarrow } from "../ui/use-narrow";
import { PLOT_PAD, PlotGround, PX_A_METRE } from "./plot-ground";
import { type DrawnBed, usePlotDrawing } from "./use-plot-drawing";

type Props = {
  beds: DrawnBed[];
  plot: { widthM: number; lengthM: number };
  units: UnitSystem;
  /** the server's guess, until the browser can be asked */
  onPhone: boolean;
  faults: Faults;
};
/** Half the side of a corner's handle, px of the drawing; what a finger can hit around it is larger, on a phone more so. */
const HANDLE = { wide: 9, narrow: 16 };
const FINGER = { wide: 30, narrow: 64 };
/** A name's letters, px of the drawing at most; how wide one is, as a share of its height. */
const LETTERS = { wide: 20, narrow: 34 };
const LETTER_WIDTH = 0.56;
/** Most beds that one press copies. */
const MOST_COPIES = 20;

/** The plot as a drawing board: beds are drawn on the ground, taken by their middle or a corner, and told by numbers. */
export function PlotDrawing({ beds: given, plot, units, onPhone, faults }: Props) {
  const board = usePlotDrawing(given, plot, units);
  const { beds, bed, chosen, tool, ghost, pointer } = board;
  const size = useNarrow(onPhone) ? "narrow" : "wide";
  const [alike, setAlike] = useState("5");
  const W = plot.widthM * PX_A_METRE;
  const H = plot.lengthM * PX_A_METRE;
  const box = (b: { xM: number; yM: number; widthM: number; lengthM: number; shape: string }) => {
    const height = b.shape === "circle" ? b.widthM : b.lengthM;
    return {
      x: b.xM * PX_A_METRE,
      y: H - (b.yM + height) * PX_A_METRE,
      width: b.widthM * PX_A_METRE,
      height: height * PX_A_METRE,
    };
  };
  const draw = (b: Parameters<typeof box>[0], look: object) => {
    const at = box(b);
    return b.shape === "circle" ? (
      <circle cx={at.x + at.width / 2} cy={at.y + at.width / 2} r={at.width / 2} {...look} />
    ) : (
      <rect {...at} rx="5" {...look} />
    );
  };
  const measure = (name: "widthM" | "lengthM" | "xM" | "yM", label: string) => (
    <Field name={`drawn-${name}`} label={label} faults={null}>
      {(p) => (
        <Input
          {...p}
          key={`${bed!.id} ${bed![name]}`}
          defaultValue={typedDistance(bed![name], units)}
          onBlur={(e) => {
            const read = readDistance(e.target.value, units);
            if (!read.ok || read.metres < 0) e.target.value = typedDistance(bed![name], units);
            else if (read.metres !== bed![name]) {
              const both = bed!.shape === "circle" && name === "widthM" ? { lengthM: read.metres } : {};
              board.step({ ...bed!, [name]: read.metres, ...both });
            }
          }}
        />
      )}
    </Field>
  );
  const toSave = board.changed.length + board.gone.length;
  const tools = [
    ["bed", "Bed", Square],
    ["round", "Round: a pot, a tree", Circle],
  ] as const;
  return (
    <Grid
      templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.9fr) minmax(300px,1fr)" }}
      gap="8"
      alignItems="start"
    >
      <Box>
        <Flex gap="2" mb="3" wrap="wrap" role="group" aria-label="What is drawn">
          {tools.map(([id, words, Icon]) => (
            <Button
              key={id}
              type="button"
              variant={tool === id ? "solid" : "outline"}
              aria-pressed={tool === id}
              onClick={() => board.setTool(id)}
            >
              <Icon size={18} /> {words}
            </Button>
          ))}
          <Button type="button" variant="quiet" onClick={board.takeBack} disabled={!board.canTakeBack} ml="auto">
            <Undo2 size={18} /> Take back
          </Button>
        </Flex>
        <svg
          ref={board.svg}
          viewBox={`${-PLOT_PAD} ${-PLOT_PAD} ${W + 2 * PLOT_PAD} ${H + 2 * PLOT_PAD}`}
          width="100%"
          role="group"
          aria-label={`Drawing board of the plot, ${sayDistance(plot.widthM, units)} by ${sayDistance(plot.lengthM, units)}, north up`}
          style={{ display: "block", maxHeight: "74vh", touchAction: "none", cursor: "crosshair" }}
          onPointerDown={pointer.onGround}
          onPointerMove={pointer.onMove}
          onPointerUp={pointer.onEnd}
          onPointerCancel={pointer.onEnd}
        >
          <PlotGround widthM={plot.widthM} lengthM={plot.lengthM} units={units} />
          {beds.map((b) => {
            const at = box(b);
            const mine = b.id === chosen;
            return (
              <g
                key={b.id}
                role="button"
                tabIndex={0}
                aria-pressed={mine}
                aria-label={`${b.name}, ${sayDistance(b.widthM, units)} by ${sayDistance(b.shape === "circle" ? b.widthM : b.lengthM, units)}, ${sayDistance(b.xM, units)} from the west, ${sayDistance(b.yM, units)} from the south`}
                onPointerDown={pointer.onBed(b, "whole")}
                onFocus={() => board.choose(b.id)}
                onKeyDown={(e) => board.key(e, b)}
                style={{ cursor: "move", outline: "none" }}
              >
                {draw(b, {
                  fill: "var(--ak-colors-sheet)",
                  stroke: mine ? "var(--ak-colors-madder)" : "var(--ak-colors-ink)",
                  strokeWidth: mine ? 5 : 2.2,
                })}
                <SvgText
                  x={at.x + at.width / 2}
                  y={at.y + at.height / 2 + 6}
                  size={Math.max(
                    10,
                    Math.min(LETTERS[size], at.height * 0.8, at.width / (LETTER_WIDTH * b.name.length)),
                  )}
                  textAnchor="middle"
                  bold={mine}
                >
                  {b.name}
                </SvgText>
                {mine && (
                  <g onPointerDown={pointer.onBed(b, "corner")} style={{ cursor: "nesw-resize" }} data-testid="corner">
                    <circle cx={at.x + at.width} cy={at.y} r={FINGER[size]} fill="transparent" />
                    <rect
                      x={at.x + at.width - HANDLE[size]}
                      y={at.y - HANDLE[size]}
                      width={2 * HANDLE[size]}
                      height={2 * HANDLE[size]}
                      fill="var(--ak-colors-madder)"
                    />
                  </g>
                )}
              </g>
            );
          })}
          {ghost &&
            draw(ghost, {
              fill: "var(--ak-colors-ochre-tint)",
              stroke: "var(--ak-colors-ochre)",
              strokeWidth: 3,
              strokeDasharray: "8 5",
              pointerEvents: "none",
            })}
        </svg>
        <Text color="inkSoft" fontSize="sm" mt="2" aria-live="polite">
          {ghost
            ? `${sayDistance(ghost.widthM, units)} by ${sayDistance(ghost.lengthM, units)}`
            : "Draw on the ground for a new bed. Take one by its middle to move it, by its corner to size it; it catches on its neighbours."}
        </Text>
      </Box>
      <Form method="post">
        <FormError faults={faults} />
        <input type="hidden" name="beds" value={JSON.stringify(board.changed.map(({ planted: _, ...b }) => b))} />
        <input type="hidden" name="gone" value={JSON.stringify(board.gone)} />
        {bed ? (
          <Box mb="6">
            <Grid gap="4" templateColumns="repeat(2, minmax(0, 1fr))">
              <Box gridColumn="1 / -1">
                <Field name="drawn-name" label="Name" faults={null}>
                  {(p) => (
                    <Input
                      {...p}
                      key={bed.id}
                      defaultValue={bed.name}
                      maxLength={40}
                      onBlur={(e) => {
                        const name = e.target.value.trim();
                        if (name === "") e.target.value = bed.name;
                        else if (name !== bed.name) board.step({ ...bed, name });
                      }}
                    />
                  )}
                </Field>
              </Box>
              {measure("widthM", bed.shape === "circle" ? "Across" : "East to west")}
              {bed.shape === "rectangle" && measure("lengthM", "South to north")}
              {measure("xM", "From the west")}
              {measure("yM", "From the south")}
            </Grid>
            <Flex gap="2" wrap="wrap" mt="4" align="end">
              {bed.shape === "rectangle" && (
                <Button type="button" variant="outline" onClick={board.turn}>
                  <RotateCw size={18} /> Turn
                </Button>
              )}
              <Button type="button" variant="outline" onClick={() => board.copies(1)}>
                <CopyPlus size={18} /> Copy
              </Button>
              <Flex gap="1" align="center">
                <Button
                  type="button"
                  variant="outline"
                  onClick={() => board.copies(Math.min(MOST_COPIES, Math.max(1, Math.round(Number(alike)) || 1)))}
                >
                  <Rows3 size={18} /> A row of
                </Button>
                <Input
                  aria-label="how many more alike"
                  inputMode="numeric"
                  value={alike}
                  onChange={(e) => setAlike(e.target.value)}
                  w="3.6rem"
                />
                <chakra.span>more</chakra.span>
              </Flex>
              {!bed.planted && (
                <Button type="button" variant="danger" onClick={board.remove}>
                  <Trash2 size={18} /> Take out
                </Button>
              )}
            </Flex>
            {bed.planted && (
              <Text fontSize="sm" color="inkSoft" mt="3">
                Something grows or grew in it: it is removed on its own page, with what hangs on it.
              </Text>
            )}
          </Box>
        ) : (
          <Text color="inkSoft" mb="6">
            Choose a bed to give it a name and numbers. By keys: arrows move it, with Shift they size it, R turns, C
            copies.
          </Text>
        )}
        <Flex gap="3" wrap="wrap">
          <Button type="submit" disabled={toSave === 0} size="lg">
            {toSave === 0 ? "Nothing to save" : `Save ${toSave} ${toSave === 1 ? "bed" : "beds"}`}
          </Button>
          <LinkButton to="/plot" variant="quiet" size="lg">
            Back
          </LinkButton>
        </Flex>
      </Form>
    </Grid>
  );
}
