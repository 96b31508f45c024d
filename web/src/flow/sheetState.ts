import { useCallback, useState, useSyncExternalStore } from "react";

/** Narrower than this the sheet lies over the Flow, and only when it is asked for. */
const BESIDE = "(min-width: 900px)";
const KEY = "drevik-side-sheet";

function useWide(): boolean {
  return useSyncExternalStore(
    (listener) => {
      const query = matchMedia(BESIDE);
      query.addEventListener("change", listener);
      return () => query.removeEventListener("change", listener);
    },
    () => matchMedia(BESIDE).matches,
  );
}

/** Whether the side sheet is shown: as it was left where there is room, else when asked for. */
export function useSideSheet(): { shown: boolean; over: boolean; toggle: () => void } {
  const wide = useWide();
  const [beside, setBeside] = useState(() => localStorage.getItem(KEY) !== "off");
  const [over, setOver] = useState(false);
  const toggle = useCallback(() => {
    if (!wide) {
      setOver((now) => !now);
      return;
    }
    setBeside((now) => {
      localStorage.setItem(KEY, now ? "off" : "on");
      return !now;
    });
  }, [wide]);
  return { shown: wide ? beside : over, over: !wide, toggle };
}
