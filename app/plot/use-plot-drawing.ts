import { useEffect, useRef, useState } from "react";
import type { Bed } from "#core/garden/bed";
import { drawn, type Lie, moved, nextName, resized, rowOf, turned } from "#core/garden/draw";
import { M_PER_FOOT } from "#core/units/constants";
import type { UnitSystem } from "#core/units/mass";
import { PX_A_METRE } from "./plot-ground";

/** A bed on the drawing board; `planted`: something grows or grew in it, so it is not removed here. */
export type DrawnBed = Lie & { id: string; name: string; planted: boolean };
export type Tool = "bed" | "round";
/** What the pointer has hold of. */
type Grip = { id: string; part: "whole" | "corner"; dx: number; dy: number } | { id: null; from: [number, number] };

type Plot = { widthM: number; lengthM: number };
let made = 0;
const freshBed = (lie: Lie, name: string): DrawnBed => ({ ...lie, id: `new-${++made}`, name, planted: false });

/**
 * The state of a plot that is drawn by hand: beds are drawn, moved, resized, turned and copied by pointer, finger or
 * keys; every step can be taken back until it is saved.
 */
export function usePlotDrawing(given: readonly DrawnBed[], plot: Plot, units: UnitSystem) {
  const [beds, setBeds] = useState<DrawnBed[]>([...given]);
  const [chosen, choose] = useState<string | null>(null);
  const [tool, setTool] = useState<Tool>("bed");
  const [ghost, setGhost] = useState<Lie | null>(null);
  const [past, setPast] = useState<DrawnBed[][]>([]);
  const svg = useRef<SVGSVGElement>(null);
  const grip = useRef<Grip | null>(null);
  const stepM = units === "us" ? M_PER_FOOT / 4 : 0.1;
  const others = (id: string | null) => beds.filter((b) => b.id !== id);
  const bed = beds.find((b) => b.id === chosen) ?? null;

  // saved, or changed elsewhere: the board begins anew; a save that was refused leaves it as it is
  const saved = JSON.stringify(given);
  useEffect(() => {
    setBeds(JSON.parse(saved));
    setPast([]);
  }, [saved]);

  const remember = () => setPast((p) => [...p, beds].slice(-50));
  const put = (next: DrawnBed) => setBeds((all) => all.map((b) => (b.id === next.id ? next : b)));
  /** One step that can be taken back. */
  const step = (next: DrawnBed) => {
    remember();
    put(next);
  };
  const add = (more: readonly DrawnBed[]) => {
    if (more.length === 0) return;
    remember();
    setBeds((all) => [...all, ...more]);
    choose(more[0]!.id);
  };
  const takeBack = () => {
    const last = past.at(-1);
    if (!last) return;
    setBeds(last);
    setPast((p) => p.slice(0, -1));
  };

  const pointOf = (e: React.PointerEvent): [number, number] => {
    const box = svg.current!.getBoundingClientRect();
    const view = svg.current!.viewBox.baseVal;
    const perPx = Math.max(view.width / box.width, view.height / box.height);
    // the drawing keeps its shape in its box and lies in its middle
    const x = view.x + view.width / 2 + (e.clientX - box.left - box.width / 2) * perPx;
    const y = view.y + view.height / 2 + (e.clientY - box.top - box.height / 2) * perPx;
    return [x / PX_A_METRE, plot.lengthM - y / PX_A_METRE];
  };
  const shape: Bed["shape"] = tool === "round" ? "circle" : "rectangle";
  const pointer = {
    onGround(e: React.PointerEvent<SVGSVGElement>) {
      if (e.button !== 0) return;
      svg.current?.setPointerCapture(e.pointerId);
      choose(null);
      grip.current = { id: null, from: pointOf(e) };
    },
    onBed: (b: DrawnBed, part: "whole" | "corner") => (e: React.PointerEvent) => {
      if (e.button !== 0) return;
      e.stopPropagation();
      svg.current?.setPointerCapture(e.pointerId);
      const [x, y] = pointOf(e);
      choose(b.id);
      remember();
      grip.current = { id: b.id, part, dx: x - b.xM, dy: y - b.yM };
    },
    onMove(e: React.PointerEvent<SVGSVGElement>) {
      const held = grip.current;
      if (!held) return;
      const [x, y] = pointOf(e);
      if (held.id === null) {
        setGhost(drawn(shape, held.from, [x, y], beds, plot, stepM));
        return;
      }
      const b = beds.find((o) => o.id === held.id);
      if (!b) return;
      put(
        held.part === "corner"
          ? resized(b, x, y, others(b.id), plot, stepM)
          : moved(b, x - held.dx, y - held.dy, others(b.id), plot, stepM),
      );
    },
    onEnd() {
      const held = grip.current;
      grip.current = null;
      if (held?.id === null && ghost)
        add([
          freshBed(
            ghost,
            nextName(
              beds.map((b) => b.name),
              tool === "round" ? "Pot" : "Bed",
            ),
          ),
        ]);
      // a press that moved nothing is no step
      if (held && held.id !== null)
        setPast((p) => (JSON.stringify(p.at(-1)) === JSON.stringify(beds) ? p.slice(0, -1) : p));
      setGhost(null);
    },
  };

  const copies = (count: number) => {
    if (!bed) return;
    const names = beds.map((b) => b.name);
    add(
      rowOf(bed, count, others(bed.id), plot).map((lie) => {
        const name = nextName(names, /^(.*?)\s*\d*$/.exec(bed.name)?.[1] || "Bed");
        names.push(name);
        return freshBed(lie, name);
      }),
    );
  };
  const remove = () => {
    if (!bed || bed.planted) return;
    remember();
    setBeds(others(bed.id));
    choose(null);
  };
  const turn = () => bed && step(turned(bed, plot));
  /** Arrows move by a step, with Shift they draw the far corner. */
  const key = (e: React.KeyboardEvent, b: DrawnBed) => {
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-stepM, 0],
      ArrowRight: [stepM, 0],
      ArrowUp: [0, stepM],
      ArrowDown: [0, -stepM],
    };
    const way = by[e.key];
    const height = b.shape === "circle" ? b.widthM : b.lengthM;
    if (way) {
      const [dx, dy] = way;
      // by keys it goes step by step and catches on nothing
      step(
        e.shiftKey
          ? resized(
              b,
              b.xM + b.widthM + (b.shape === "circle" ? dx + dy : dx),
              b.yM + height + (b.shape === "circle" ? dx + dy : dy),
              [],
              plot,
              stepM,
            )
          : moved(b, b.xM + dx, b.yM + dy, [], plot, stepM),
      );
    } else if (e.key === "r") step(turned(b, plot));
    else if (e.key === "c") copies(1);
    else if (e.key === "Delete" || e.key === "Backspace") remove();
    else if (e.key === "Escape") choose(null);
    else return;
    e.preventDefault();
  };
  const gone = given.filter((g) => !beds.some((b) => b.id === g.id)).map((g) => g.id);
  const changed = beds.filter((b) => JSON.stringify(b) !== JSON.stringify(given.find((g) => g.id === b.id)));
  return {
    ...{ svg, beds, bed, chosen, choose, tool, setTool, ghost, pointer, key, step, copies, remove, turn, takeBack },
    ...{ canTakeBack: past.length > 0, gone, changed, stepM },
  };
}
