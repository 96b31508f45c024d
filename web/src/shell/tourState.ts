import { useSyncExternalStore } from "react";

export interface Stop {
  /** The place that it is about. */
  place: "shelf" | "flow" | "intake" | "check" | "delivery";
  title: string;
  says: string;
}

/** Five steps, in the order of the work. */
export const STOPS: readonly Stop[] = [
  {
    place: "shelf",
    title: "The shelf",
    says: "Templates and sessions stand here. A session is started from a template and takes its buses, returns, stems and outputs along; files dropped here begin one too.",
  },
  {
    place: "intake",
    title: "The intake",
    says: "What is delivered is dropped here. Every file is measured and sorted, doubtful ones first; the seating plan shows where each will go before anything is routed.",
  },
  {
    place: "flow",
    title: "The Flow",
    says: "Where sound goes: seats at the left, files at the right. Point at a row to see its way, pick rows to act on all of them, press ? for the keys.",
  },
  {
    place: "check",
    title: "The line check",
    says: "What is wrong with the Mix, worked out anew at every edit, with mends; and what is proved when nothing is. Its count stands beside its name wherever you are.",
  },
  {
    place: "delivery",
    title: "The delivery sheet",
    says: "Every output with what is in it. P prints all of them in one pass, measures the files as they were written, and proves that the stems add up.",
  },
];

const KEY = "drevik-tour";
let at: number | undefined;
const listeners = new Set<() => void>();

function tell() {
  listeners.forEach((listener) => listener());
}

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Goes to a step; beyond the last the tour is over. */
export function goOnTour(step: number) {
  at = step < STOPS.length ? step : undefined;
  if (at === undefined) {
    localStorage.setItem(KEY, "over");
  }
  tell();
}

/** Leaves it; it is not offered again, and can be taken from the command list. */
export function leaveTour() {
  goOnTour(STOPS.length);
}

export function useTour(): number | undefined {
  return useSyncExternalStore(subscribe, () => at);
}

/** True until it was taken or declined once. */
export function useTourOffered(): boolean {
  return useSyncExternalStore(
    subscribe,
    () => at === undefined && localStorage.getItem(KEY) !== "over",
  );
}
