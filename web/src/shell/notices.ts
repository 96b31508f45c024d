import { useSyncExternalStore } from "react";

export interface Notice {
  id: number;
  text: string;
  kind: "said" | "wrong";
  /** The Mix whose last step it tells of, which can be taken back from here. */
  undoes?: string;
}

/** How long what was said stays; what went wrong stays until it is put away. */
const STAYS_MILLISECONDS = 6000;

let notices: Notice[] = [];
let next = 1;
const listeners = new Set<() => void>();

function set(changed: Notice[]) {
  notices = changed;
  listeners.forEach((listener) => listener());
}

/** Says something at the foot of the page. */
export function notify(text: string, kind: Notice["kind"] = "said") {
  say({ text, kind });
}

/** Says what was done to a Mix; only the last step can be taken back, so only it is offered. */
export function tellDone(mix: string, text: string, canUndo: boolean) {
  set(notices.filter((notice) => notice.undoes === undefined));
  say({ text, kind: "said", undoes: canUndo ? mix : undefined });
}

function say(notice: Omit<Notice, "id">) {
  const id = next++;
  set([...notices.filter((one) => one.text !== notice.text).slice(-2), { ...notice, id }]);
  if (notice.kind === "said") {
    setTimeout(() => dismiss(id), STAYS_MILLISECONDS);
  }
}

export function dismiss(id?: number) {
  set(id === undefined ? [] : notices.filter((notice) => notice.id !== id));
}

export function useNotices(): Notice[] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => notices,
  );
}
