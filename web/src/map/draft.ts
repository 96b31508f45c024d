import type { MapWords } from "../api/client";
import type { Pending } from "./cells";

const key = (mix: string) => `drevik-map-${mix}`;

/** What is written in the map and not carried out stays in this browser: no step away loses it. */
export function keptPending(mix: string): Pending {
  try {
    const kept = JSON.parse(localStorage.getItem(key(mix)) ?? "[]") as [string, MapWords][];
    return new Map(kept.filter(([, words]) => typeof words.text === "string"));
  } catch {
    return new Map();
  }
}

export function keepPending(mix: string, pending: Pending) {
  try {
    if (pending.size > 0) {
      localStorage.setItem(key(mix), JSON.stringify([...pending]));
    } else {
      localStorage.removeItem(key(mix));
    }
  } catch {
    // It is on the page all the same.
  }
}
