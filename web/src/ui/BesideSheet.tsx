import { useState, useSyncExternalStore, type KeyboardEvent, type ReactNode } from "react";
import { useDragging } from "./dragging";
import { hint } from "./hint";

/** Of this browser, for every place that has a sheet beside it. */
const KEY = "drevik-sheet-width";
/** Pixels. */
const LEAST = 220;
const USUAL = 286;
const MOST = 560;
const STEP = 16;
/** Where a page is narrow, what stands beside the sheet needs the most of it. */
const NARROW = 1200;
const USUAL_WHERE_NARROW = 240;

/** Narrower than this there is no room for a sheet beside a place. */
const ROOM = "(min-width: 900px)";

export function useRoomForSheet(): boolean {
  return useSyncExternalStore(
    (listener) => {
      const query = matchMedia(ROOM);
      query.addEventListener("change", listener);
      return () => query.removeEventListener("change", listener);
    },
    () => matchMedia(ROOM).matches,
  );
}

const usual = () => (window.innerWidth <= NARROW ? USUAL_WHERE_NARROW : USUAL);

function kept(): number | undefined {
  const width = Number(localStorage.getItem(KEY));
  return width >= LEAST && width <= MOST ? width : undefined;
}

interface Props {
  children: ReactNode;
  /** Nothing where none is shown. */
  sheet: ReactNode;
  /** Where the page is too narrow for both: the sheet lies over the place, or stands above it. */
  narrow: "over" | "above";
}

/** A place with a sheet at its right, as wide as one likes. */
export function BesideSheet({ children, sheet, narrow }: Props) {
  const room = useRoomForSheet();
  const [own, setOwn] = useState(kept);
  const width = own ?? usual();
  const setWidth = (wanted: number | undefined) => {
    const next = wanted && Math.round(Math.max(LEAST, Math.min(MOST, wanted)));
    setOwn(next);
    if (next === undefined) {
      localStorage.removeItem(KEY);
    } else {
      localStorage.setItem(KEY, String(next));
    }
  };
  const drag = useDragging((from, by) => setWidth(from - by), width);
  const byKey = (event: KeyboardEvent) => {
    const steps = { ArrowLeft: width + STEP, ArrowRight: width - STEP, Home: undefined };
    if (event.key in steps) {
      event.preventDefault();
      event.stopPropagation();
      setWidth(steps[event.key as keyof typeof steps]);
    }
  };
  const beside = Boolean(sheet) && room;
  // One tree for all widths: what the place holds open is not lost when the page is made narrower.
  return (
    <div
      className={`relative grid h-full min-h-0 min-w-0 ${
        sheet && !room && narrow === "above" ? "grid-rows-[auto_minmax(0,1fr)]" : ""
      }`}
      style={beside ? { gridTemplateColumns: `minmax(0,1fr) min(${width}px, 50%)` } : undefined}
    >
      {!room && narrow === "above" && sheet}
      {children}
      {beside && (
        <div className="relative grid min-h-0 min-w-0">
          {sheet}
          <div
            role="slider"
            aria-orientation="horizontal"
            aria-label="Width of the sheet"
            aria-valuenow={width}
            aria-valuemin={LEAST}
            aria-valuemax={MOST}
            tabIndex={0}
            className="absolute inset-y-0 left-0 w-1.5 cursor-col-resize touch-none hover:bg-rule focus-visible:bg-active"
            {...hint(
              "Drag, or ← and →: how wide the sheet is; a double click gives its first width",
            )}
            {...drag}
            onKeyDown={byKey}
            onDoubleClick={() => setWidth(undefined)}
          />
        </div>
      )}
      {!room && narrow === "over" && sheet && (
        <div className="absolute inset-y-0 right-0 z-10 grid min-h-0 w-[min(300px,88vw)]">
          {sheet}
        </div>
      )}
    </div>
  );
}
