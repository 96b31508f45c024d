import type { DeliveryView } from "../api/client";
import { plural } from "../ui/format";
import type { ViewId } from "./reviewActs";

interface Props {
  delivery: DeliveryView;
  shown: ViewId;
  ready: number;
  seating: boolean;
  /** Runs an act by its id. */
  run: (id: string) => void;
}

/** What seating would do, and the button for it. */
export function ReviewFooter({ delivery, shown, ready, seating, run }: Props) {
  return (
    <footer className="flex min-h-12 shrink-0 items-center gap-5 border-t border-rule bg-raised px-4 max-sm:text-small">
      <button
        className="shrink-0 border border-active px-3 py-1 font-semibold text-active disabled:border-rule disabled:font-normal"
        disabled={ready === 0 || delivery.measuring > 0 || seating}
        onClick={() => run("seat")}
      >
        {seating ? "Seating…" : `Seat ${plural(ready, "file")}`} <kbd>S</kbd>
      </button>
      <span className="text-ink-2" aria-live="polite">
        {outlook(delivery, ready)}
      </span>
      {shown === "plan" && ready > 0 && (
        <span className="ml-auto flex shrink-0 gap-4 text-small">
          <button onClick={() => run("file-seat")}>
            Goes to… <kbd>G</kbd>
          </button>
          <button onClick={() => run("dead-air")}>
            Dead air… <kbd>D</kbd>
          </button>
          <button onClick={() => run("seat-names")}>
            Names… <kbd>N</kbd>
          </button>
        </span>
      )}
    </footer>
  );
}

function outlook(delivery: DeliveryView, ready: number): string {
  const { files, measuring, stow } = delivery;
  if (measuring > 0) {
    return `Measuring: ${measuring} of ${plural(files.length, "file")} left. It goes on when this page is closed.`;
  }
  if (ready === 0) {
    return delivery.seated
      ? "Everything that has a place is seated."
      : "No file goes to a seat; beside each stands why.";
  }
  const added = files.filter((file) => file.place?.act === "adds").length;
  const left = files.filter((file) => file.place && !file.place.seat).length;
  const parts = [
    `${plural(added, "seat")} added`,
    `${plural(stow.length, "seat")} stowed because nothing came for them`,
    ...(left > 0 ? [`${plural(left, "file")} left out`] : []),
  ];
  return `${parts.join(", ")}. One undo takes all of it back.`;
}
