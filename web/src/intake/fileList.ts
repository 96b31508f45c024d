import { useEffect, useLayoutEffect, useRef, type RefObject } from "react";
import type { FileView } from "../api/client";
import { placeAfter } from "../ui/arrows";

interface Rows {
  files: FileView[];
  current?: string;
  onCurrent: (id: string) => void;
  /** At Enter, and at a double click. */
  onEnter: () => void;
}

/** A list of files of which one is current: walked by arrows, pages, Home and End. */
export function useFileList({ files, current, onCurrent, onEnter }: Rows) {
  const list = useRef<HTMLDivElement>(null);
  const watch = useRowFocus(list, current, files);
  const onKeyDown = (event: React.KeyboardEvent) => {
    const at = files.findIndex((file) => file.id === current);
    const to = placeAfter(event, at, files.length);
    const next = to === undefined ? undefined : files[to];
    if (next) {
      event.preventDefault();
      focusRow(list.current, next.id);
    } else if (event.key === "Enter") {
      event.preventDefault();
      onEnter();
    }
  };
  return {
    listProps: { ref: list, role: "listbox", tabIndex: -1, onKeyDown, ...watch },
    rowProps: (file: FileView, onClick?: (event: React.MouseEvent<HTMLElement>) => void) => ({
      role: "option",
      "data-file": file.id,
      "aria-selected": file.id === current,
      tabIndex: file.id === current ? 0 : -1,
      onFocus: () => onCurrent(file.id),
      onClick: (event: React.MouseEvent<HTMLElement>) => {
        event.currentTarget.focus();
        onClick?.(event);
      },
      onDoubleClick: onEnter,
    }),
  };
}

/**
 * Keeps the keyboard on the current row of a list: it is there from the start, and stays when the
 * rows change places under it (moving a row takes its focus away).
 */
function useRowFocus(
  list: RefObject<HTMLElement | null>,
  current: string | undefined,
  rows: readonly unknown[],
) {
  const inside = useRef(false);
  const first = useRef(true);
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
  return {
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
}

function focusRow(list: HTMLElement | null, id: string | undefined) {
  list?.querySelector<HTMLElement>(`[data-file="${id ?? ""}"]`)?.focus();
}
