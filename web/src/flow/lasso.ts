import { useState } from "react";
import type { Geometry } from "./geometry";

/** Drag over empty ground to pick the rows under the box. */
export function useLasso(
  ref: React.RefObject<HTMLDivElement | null>,
  geometry: Geometry | undefined,
  onRows: (rows: string[]) => void,
) {
  const [box, setBox] = useState<{ left: number; top: number; width: number; height: number }>();
  const start = (event: React.PointerEvent) => {
    const pane = ref.current;
    if (
      !pane ||
      !geometry ||
      event.button !== 0 ||
      // A finger scrolls.
      event.pointerType === "touch" ||
      (event.target as Element).closest("[data-row]")
    ) {
      return;
    }
    const bounds = pane.getBoundingClientRect();
    const at = (e: { clientX: number; clientY: number }) => ({
      x: e.clientX - bounds.left + pane.scrollLeft,
      y: e.clientY - bounds.top + pane.scrollTop,
    });
    const from = at(event);
    const boxTo = (e: PointerEvent) => {
      const to = at(e);
      return {
        left: Math.min(from.x, to.x),
        top: Math.min(from.y, to.y),
        width: Math.abs(to.x - from.x),
        height: Math.abs(to.y - from.y),
      };
    };
    const move = (e: PointerEvent) => setBox(boxTo(e));
    const done = () => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", end);
      window.removeEventListener("pointercancel", done);
      setBox(undefined);
    };
    const end = (e: PointerEvent) => {
      done();
      const now = boxTo(e);
      if (now.width + now.height < 6) {
        onRows([]);
        return;
      }
      const inside = [...geometry.rows.values()].filter(
        (row) =>
          row.x < now.left + now.width &&
          row.x + row.width > now.left &&
          row.y > now.top &&
          row.y < now.top + now.height,
      );
      onRows(inside.map((row) => row.id));
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", end);
    window.addEventListener("pointercancel", done);
  };
  return { box, start };
}
