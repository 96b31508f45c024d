import { useEffect, useRef } from "react";

/** Windows that are open, the topmost last. */
const open: (() => void)[] = [];

/** Whether the last step of the page's history is one that only a window has made. */
let stepped = false;

/** Back has taken the step away, and the topmost window with it. */
function onBack() {
  if (stepped) {
    stepped = false;
    open.at(-1)?.();
  }
}

/** While a window is open, Back closes it and does not leave the place. */
export function useBackCloses(close: () => void) {
  const latest = useRef(close);
  useEffect(() => {
    latest.current = close;
  });
  useEffect(() => {
    const mine = () => latest.current();
    open.push(mine);
    // Added once, however often it is asked for.
    window.addEventListener("popstate", onBack);
    if (!stepped) {
      stepped = true;
      history.pushState({ ...(history.state as object | null), window: true }, "");
    }
    return () => {
      open.splice(open.indexOf(mine), 1);
      // Later: one window may make room for the next, which takes the step over.
      setTimeout(() => {
        if (open.length === 0 && stepped) {
          stepped = false;
          if ((history.state as { window?: boolean } | null)?.window) {
            history.back();
          }
        }
      });
    };
  }, []);
}
