import { useCallback } from "react";
import { useLocation } from "react-router";

const KEY = "drevik-scroll ";

/** How far down a place was when it was left, pixels; nought where it was not seen in this tab. */
export function scrollKept(pathname: string): number {
  return Number(sessionStorage.getItem(KEY + pathname) ?? 0);
}

/** Where a place is scrolled to is kept for whoever comes back to it, or reloads the page. */
export function useKeptScroll(): { start: number; keep: (top: number) => void } {
  const { pathname } = useLocation();
  const keep = useCallback(
    (top: number) => sessionStorage.setItem(KEY + pathname, String(Math.round(top))),
    [pathname],
  );
  return { start: scrollKept(pathname), keep };
}
