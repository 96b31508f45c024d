import { useRef, type PointerEvent } from "react";

/** What an edge needs to be dragged sideways: pixels to the right of where it was taken hold of. */
export function useDragging(onMove: (from: number, by: number) => void, value: number) {
  const start = useRef<{ value: number; x: number }>(undefined);
  return {
    onPointerDown: (event: PointerEvent) => {
      event.preventDefault();
      event.currentTarget.setPointerCapture(event.pointerId);
      start.current = { value, x: event.clientX };
    },
    onPointerMove: (event: PointerEvent) => {
      if (start.current) {
        onMove(start.current.value, event.clientX - start.current.x);
      }
    },
    onPointerUp: () => {
      start.current = undefined;
    },
    onPointerCancel: () => {
      start.current = undefined;
    },
  };
}
