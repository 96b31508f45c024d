import { useSyncExternalStore } from "react";

/** How a place was looked at, under a name: its address within the Mix. */
export interface SavedView {
  name: string;
  /** The place and what is shown of it: "ledger?sort=-faderDb". */
  at: string;
}

/** In this browser, as how one looks at a Mix is nobody else's; a link takes it to others. */
const KEY = "drevik-views ";
const listeners = new Set<() => void>();
const read = new Map<string, { text: string; views: readonly SavedView[] }>();

function viewsOf(mix: string): readonly SavedView[] {
  const text = localStorage.getItem(KEY + mix) ?? "[]";
  const known = read.get(mix);
  if (known?.text === text) {
    return known.views;
  }
  let views: readonly SavedView[] = [];
  try {
    views = JSON.parse(text) as SavedView[];
  } catch {
    // Somebody wrote over it: there are none then, and the next one that is saved mends it.
  }
  read.set(mix, { text, views });
  return views;
}

function keep(mix: string, views: readonly SavedView[]) {
  localStorage.setItem(KEY + mix, JSON.stringify(views));
  listeners.forEach((listener) => listener());
}

/** Of one name there is one: the later. */
export function saveView(mix: string, view: SavedView) {
  keep(mix, [...viewsOf(mix).filter((one) => one.name !== view.name), view]);
}

export function removeView(mix: string, name: string) {
  keep(
    mix,
    viewsOf(mix).filter((one) => one.name !== name),
  );
}

export function useViews(mix: string): readonly SavedView[] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => viewsOf(mix),
  );
}
