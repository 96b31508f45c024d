import { useCallback, useState } from "react";
import { useLocation } from "react-router";

const KEY = "drevik-scroll ";

/** Where a place is scrolled to is kept for whoever comes back to it, or reloads the page; pixels. */
export function useKeptScroll(): { start: number; keep: (top: number) => void } {
  const { pathname } = useLocation();
  // Where it begins is read once, and not whenever the place is drawn.
  const [start] = useState(() => Number(sessionStorage.getItem(KEY + pathname) ?? 0));
  const keep = useCallback(
    (top: number) => sessionStorage.setItem(KEY + pathname, String(Math.round(top))),
    [pathname],
  );
  return { start, keep };
}
