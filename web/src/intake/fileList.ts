import { useEffect, useLayoutEffect, useRef, type RefObject } from "react";

/**
 * Keeps the keyboard on the current row of a list: it is there from the start, and stays when the
 * rows change places under it (moving a row takes its focus away).
 */
export function useRowFocus(
  list: RefObject<HTMLElement | null>,
  current: string | undefined,
  rows: readonly unknown[],
) {
  const inside = useRef(false);
  const first = useRef(true);
  const focus = (id: string | undefined) => focusRow(list.current, id);
  useEffect(() => {
    if (first.current && current) {
      first.current = false;
      focusRow(list.current, current);
    }
  }, [list, current]);
  useLayoutEffect(() => {
    if (inside.current && document.activeElement === document.body) {
      focusRow(list.current, current);
    }
  }, [list, rows, current]);
  const watch = {
    onFocus: () => {
      inside.current = true;
    },
    onBlur: (event: React.FocusEvent) => {
      // Without a next element it was taken away, not moved on.
      if (event.relatedTarget && !list.current?.contains(event.relatedTarget)) {
        inside.current = false;
      }
    },
  };
  return { focus, watch };
}

function focusRow(list: HTMLElement | null, id: string | undefined) {
  list?.querySelector<HTMLElement>(`[data-file="${id ?? ""}"]`)?.focus();
}
