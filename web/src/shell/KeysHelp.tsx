import { CloseButton, Window } from "../ui/Window";
import { useActs } from "./acts";
import { shown } from "./keys";

/** All keys that do something here. */
export function KeysHelp({ onClose }: { onClose: () => void }) {
  const acts = useActs().filter((act) => act.key);
  return (
    <Window title="Keys of this place" size="wide" onClose={onClose}>
      <dl className="gap-x-8 sm:columns-2">
        {acts.map((act) => (
          <div key={act.id} className="grid break-inside-avoid grid-cols-[92px_1fr] py-0.5">
            <dt className="text-ink-2">{shown(act.key ?? "")}</dt>
            <dd>{act.label}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-4 text-ink-2">
        Arrows move in every list; in the Flow, left and right follow the ribbons. Space picks,
        Shift with an arrow picks along. Escape goes one step back.
      </p>
      <CloseButton />
    </Window>
  );
}
