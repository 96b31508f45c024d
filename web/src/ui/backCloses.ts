import { useEffect, useRef } from "react";

/** Windows that are open, the topmost last. */
const open: (() => void)[] = [];

/**
 * Whether the last step of the page's history is one that only a window has made. It stays when the
 * window is closed otherwise: taking it back would cross what is gone to at the same moment.
 */
let stepped = false;

/** Back has taken the step away: with the topmost window, or, where none is open, one step more. */
function onBack() {
  if (stepped) {
    stepped = false;
    const close = open.at(-1);
    if (close) {
      close();
    } else {
      history.back();
    }
  }
}

/** Somewhere else was gone to: the last step is not a window's any more. */
export function forgetStep() {
  stepped = (history.state as { window?: boolean } | null)?.window === true;
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
    };
  }, []);
}
