import { Toolbar } from "radix-ui";
import type { Act } from "../shell/acts";
import { shown } from "../shell/keys";
import { plural } from "../ui/format";

const BAR = [
  "create",
  "send-to",
  "reassign",
  "fan",
  "chain",
  "category",
  "colour",
  "rename",
  "mute",
  "stow",
];
const RIGHT = ["bring-back", "find", "side-sheet"];

/** One bar acts on all that is picked. It is one stop for Tab; arrows go through it. */
export function SelectionBar({ picked, acts }: { picked: string[]; acts: Act[] }) {
  const button = (act: Act | undefined) =>
    act && (
      <Toolbar.Button
        key={act.id}
        className="min-h-6 whitespace-nowrap"
        disabled={act.can === false}
        onClick={act.run}
      >
        {act.label} {act.key && <kbd>{shown(act.key)}</kbd>}
      </Toolbar.Button>
    );
  const find = (id: string) => button(acts.find((act) => act.id === id));
  return (
    <Toolbar.Root
      aria-label="What to do with the picked channels"
      className="flex min-h-9 flex-wrap items-center gap-x-4 border-b border-rule px-4 text-small"
    >
      <span
        aria-live="polite"
        className={`w-28 shrink-0 ${picked.length ? "font-semibold text-active" : "text-ink-2"}`}
      >
        {picked.length ? `${plural(picked.length, "channel")} picked` : "Nothing picked"}
      </span>
      {BAR.map(find)}
      <span className="ml-auto flex min-w-0 gap-4 text-ink-2">{RIGHT.map(find)}</span>
    </Toolbar.Root>
  );
}
