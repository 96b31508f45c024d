import type { DeliveryView, FileView } from "../api/client";
import type { Act } from "../shell/acts";
import { plural } from "../ui/format";

export type Asking = "category" | "seat" | "names" | "dead-air" | "reassign" | "from" | "rules";

/** What is shown of a delivery, and by which key. */
export const VIEWS = [
  { id: "files", label: "Files", key: "f" },
  { id: "plan", label: "Seating plan", key: "p" },
  { id: "report", label: "Report", key: "r" },
] as const;

export type ViewId = (typeof VIEWS)[number]["id"];

export interface ReviewContext {
  delivery: DeliveryView;
  current?: FileView;
  /** Files that the plan has a seat for. */
  ready: number;
  seating: boolean;
  /** The delivery's sample rate, if the session could take it over. */
  rate?: number;
  show: (view: ViewId) => void;
  ask: (what: Asking) => void;
  toPlan: (file: string) => void;
  seat: () => void;
  setTimes: () => void;
  setRate: (rate: number) => void;
  hear: () => void;
}

/** Everything that can be done with a delivery before it goes. */
export function reviewActs(at: ReviewContext): Act[] {
  const { delivery, current, rate } = at;
  const { measuring, times } = delivery;
  const open = current !== undefined && !current.fault && current.seatedOn === undefined;
  return [
    ...VIEWS.map((one) => ({
      id: `show-${one.id}`,
      label: `Intake: ${one.label}`,
      key: one.key,
      run: () => at.show(one.id),
    })),
    {
      id: "hear",
      label: "Hear this file",
      key: "q",
      can: current?.audio !== undefined,
      run: () => at.hear(),
    },
    {
      id: "file-category",
      label: "Category of this file…",
      key: "k",
      can: open,
      run: () => at.ask("category"),
    },
    {
      id: "file-seat",
      label: "Where this file goes…",
      key: "g",
      can: open && current.place !== undefined,
      run: () => at.ask("seat"),
    },
    {
      id: "file-plan",
      label: "This file where the plan puts it",
      key: "b",
      can: open && current.place?.wished === true,
      run: () => current && at.toPlan(current.id),
    },
    {
      id: "seat-names",
      label: "What the seats are called…",
      key: "n",
      run: () => at.ask("names"),
    },
    {
      id: "dead-air",
      label: "What counts as dead air…",
      key: "d",
      run: () => at.ask("dead-air"),
    },
    {
      id: "reassign",
      label: "Reassign…",
      key: "shift+r",
      can: current?.category !== undefined,
      run: () => at.ask("reassign"),
    },
    {
      id: "seat",
      label: `Seat ${plural(at.ready, "file")}`,
      key: "s",
      can: at.ready > 0 && measuring === 0 && !at.seating,
      run: at.seat,
    },
    {
      id: "delivery-times",
      label: "Start, end and tempo from the delivery",
      key: "t",
      can: times !== undefined && !times.set,
      run: at.setTimes,
    },
    {
      id: "delivery-rate",
      label: "The session at the delivery’s sample rate",
      key: "e",
      can: rate !== undefined,
      run: () => rate !== undefined && at.setRate(rate),
    },
    {
      id: "delivery-from",
      label: "Whom the delivery comes from…",
      key: "w",
      run: () => at.ask("from"),
    },
    {
      id: "learned",
      label: "What was learned from corrections…",
      key: "l",
      can: delivery.rules.length > 0,
      run: () => at.ask("rules"),
    },
  ];
}
