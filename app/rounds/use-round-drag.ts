import { useState } from "react";
import { useSubmit } from "react-router";
import { timeAt } from "./lanes";

type Slot = { id: string; t: number };
type RoundAt = { id: string; day: string; startsAt: string; lines: readonly { id: string; plantingId: string }[] };
/** A round on its way, or with a planting only that line of it. */
export type Moving = { roundId: string; slotId: string; plantingId: string | null };

/**
 * Moving a round or one bead of it along the lanes, by pointer or by arrow keys: it snaps to the slots, shows what it would cost on the
 * way, and is sent when let go of (or with Enter; Escape puts it back).
 */
export function useRoundDrag(rounds: readonly RoundAt[], slots: readonly Slot[], days: number) {
  const submit = useSubmit();
  const [moving, setMoving] = useState<Moving | null>(null);
  const slotOf = (r: RoundAt) => `${r.day}T${r.startsAt}`;
  const nearest = (t: number) => slots.reduce((best, s) => (Math.abs(s.t - t) < Math.abs(best.t - t) ? s : best));
  const drop = (roundId: string, slotId: string, plantingId: string | null) => {
    setMoving(null);
    const round = rounds.find((r) => r.id === roundId);
    if (!round || slotOf(round) === slotId) return;
    const line = round.lines.find((l) => l.plantingId === plantingId);
    const what = line ? { intent: "split", [`line-${line.id}`]: "on" } : { intent: "move" };
    submit({ ...what, roundId, slotId }, { method: "post", preventScrollReset: true });
  };

  const grab =
    (narrow: boolean) => (roundId: string, e: React.PointerEvent<SVGGElement>, plantingId: string | null) => {
      const svg = e.currentTarget.ownerSVGElement;
      if (!svg || slots.length === 0) return;
      e.preventDefault();
      const handle = e.currentTarget;
      handle.focus({ preventScroll: true });
      handle.setPointerCapture(e.pointerId);
      const ended = new AbortController();
      let last: string | null = null;
      const move = (ev: PointerEvent) => {
        const rect = svg.getBoundingClientRect();
        const x = ((ev.clientX - rect.left) / rect.width) * svg.viewBox.baseVal.width;
        last = nearest(timeAt(x, narrow, days)).id;
        setMoving({ roundId, slotId: last, plantingId });
      };
      const end = (keep: boolean) => () => {
        ended.abort();
        if (keep && last) drop(roundId, last, plantingId);
        else setMoving(null);
      };
      handle.addEventListener("pointermove", move, { signal: ended.signal });
      handle.addEventListener("pointerup", end(true), { signal: ended.signal });
      handle.addEventListener("pointercancel", end(false), { signal: ended.signal });
    };

  const key = (roundId: string, e: React.KeyboardEvent<SVGGElement>, plantingId: string | null) => {
    const round = rounds.find((r) => r.id === roundId);
    if (!round) return;
    const at = slots.findIndex(
      (s) => s.id === (moving?.roundId === roundId && moving.plantingId === plantingId ? moving.slotId : slotOf(round)),
    );
    if (e.key === "ArrowLeft" || e.key === "ArrowRight") {
      e.preventDefault();
      const next = slots[at + (e.key === "ArrowRight" ? 1 : -1)];
      if (next) setMoving({ roundId, slotId: next.id, plantingId });
    } else if (e.key === "Enter" && moving) drop(roundId, moving.slotId, plantingId);
    else if (e.key === "Escape") setMoving(null);
  };
  return { moving, grab, key };
}
