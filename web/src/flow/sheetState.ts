import { useCallback, useState } from "react";
import { useRoomForSheet } from "../ui/BesideSheet";

const KEY = "drevik-side-sheet";

/** Whether the side sheet is shown: as it was left where there is room, else when asked for. */
export function useSideSheet(): { shown: boolean; toggle: () => void } {
  const wide = useRoomForSheet();
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
  return { shown: wide ? beside : over, toggle };
}
