import { useSyncExternalStore } from "react";

const KEY = "drevik-single-keys";
const listeners = new Set<() => void>();

/** Whether keys without Ctrl do anything; who speaks to the computer may want them off. */
export function singleKeysOn(): boolean {
  return localStorage.getItem(KEY) !== "off";
}

export function toggleSingleKeys() {
  localStorage.setItem(KEY, singleKeysOn() ? "off" : "on");
  listeners.forEach((listener) => listener());
}

export function useSingleKeys(): boolean {
  return useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, singleKeysOn);
}
