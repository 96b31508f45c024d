import { useSyncExternalStore } from "react";

export interface Notice {
  id: number;
  text: string;
  kind: "said" | "wrong";
}

let notices: Notice[] = [];
let next = 1;
const listeners = new Set<() => void>();

function set(changed: Notice[]) {
  notices = changed;
  listeners.forEach((listener) => listener());
}

/** Says something at the foot of the page. What went wrong stays until it is put away. */
export function notify(text: string, kind: Notice["kind"] = "said") {
  const id = next++;
  set([...notices.slice(-2), { id, text, kind }]);
  if (kind === "said") {
    setTimeout(() => dismiss(id), 5000);
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
