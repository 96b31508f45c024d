import { useSyncExternalStore } from "react";

let reached = true;
const listeners = new Set<() => void>();

/** Told by every request: whether the server answered it at all. */
export function heard(answers: boolean) {
  if (answers !== reached) {
    reached = answers;
    listeners.forEach((listener) => listener());
  }
}

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** False from a request that nobody answered until one that somebody does. */
export function useConnected(): boolean {
  return useSyncExternalStore(subscribe, () => reached);
}
