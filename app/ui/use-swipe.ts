import { type TouchEvent, useRef } from "react";

/** Least travel of a swipe, px, and how much more across than along. */
const LEAST_PX = 80;
const SLANT = 2;

/** A swipe of one finger to the left or right; anything that scrolls or slants is not one. */
export function useSwipe(to: { left: () => void; right: () => void }) {
  const from = useRef<{ x: number; y: number } | null>(null);
  return {
    onTouchStart: (e: TouchEvent) => {
      const t = e.touches[0];
      from.current = e.touches.length === 1 && t ? { x: t.clientX, y: t.clientY } : null;
    },
    onTouchEnd: (e: TouchEvent) => {
      const t = e.changedTouches[0];
      const start = from.current;
      from.current = null;
      if (!start || !t) return;
      const dx = t.clientX - start.x;
      if (Math.abs(dx) < LEAST_PX || Math.abs(dx) < SLANT * Math.abs(t.clientY - start.y)) return;
      if (dx < 0) to.left();
      else to.right();
    },
  };
}
