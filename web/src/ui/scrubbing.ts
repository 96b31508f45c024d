import { useRef, type PointerEvent } from "react";

/** Pixels of the pointer for one step; what moves less is a click. */
const PIXELS = 4;

interface Scrubbing {
  /** One step up or down, of the size that the held keys say. */
  onStep: (steps: number, event: PointerEvent) => void;
  onEnd: () => void;
}

/**
 * A field that is dragged up and down like a knob. A click still goes into it, and what is being typed
 * in is left alone; a finger scrolls the page, as everywhere.
 */
export function useScrubbing({ onStep, onEnd }: Scrubbing) {
  const from = useRef<{ y: number; steps: number }>(undefined);
  const end = (event: PointerEvent<HTMLInputElement>) => {
    const moved = (from.current?.steps ?? 0) !== 0;
    const began = from.current !== undefined;
    from.current = undefined;
    if (moved) {
      onEnd();
    } else if (began && event.type === "pointerup") {
      event.currentTarget.focus();
    }
  };
  return {
    onPointerDown: (event: PointerEvent<HTMLInputElement>) => {
      const typing = document.activeElement === event.currentTarget;
      if (event.pointerType !== "touch" && event.button === 0 && !typing) {
        // Else it would be typed in as soon as it is pressed.
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { y: event.clientY, steps: 0 };
      }
    },
    // What a press does to the focus comes with this one.
    onMouseDown: (event: React.MouseEvent<HTMLInputElement>) => {
      if (from.current) {
        event.preventDefault();
      }
    },
    onPointerMove: (event: PointerEvent<HTMLInputElement>) => {
      if (from.current) {
        const steps = Math.trunc((from.current.y - event.clientY) / PIXELS);
        if (steps !== from.current.steps) {
          onStep(steps - from.current.steps, event);
          from.current.steps = steps;
        }
      }
    },
    onPointerUp: end,
    onPointerCancel: end,
  };
}
