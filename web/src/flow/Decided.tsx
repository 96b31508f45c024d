import type { Channel, Edit, MixView } from "../api/client";
import { useDecisions } from "../resources/maps";
import { when } from "../ui/format";
import { hint } from "../ui/hint";

interface Props {
  view: MixView;
  channel: Channel;
  onAct: (edit: Edit) => void;
}

/** What the category map decides of a channel, and what is pinned against it. */
export function Decided({ view, channel, onAct }: Props) {
  const decisions = useDecisions(view.id, view.revision, channel.id).data ?? [];
  if (decisions.length === 0) {
    return null;
  }
  const pinned = decisions.filter((one) => one.pinned).length;
  return (
    <section className="mt-3 border-t border-rule-2 pt-2" aria-label="Category map">
      <h3 className="mb-1 flex justify-between text-tiny text-ink-3">
        By the category map
        {pinned > 1 && (
          <button
            className="min-h-6 underline"
            onClick={() => onAct({ edit: "unpin-slots", channels: [channel.id] })}
          >
            Unpin all
          </button>
        )}
      </h3>
      <ul>
        {decisions.map((one) => (
          <li key={one.slot} className="mb-1 flex items-baseline justify-between gap-2 text-small">
            <span>
              {one.label}:{" "}
              {one.pinned ? (
                <>
                  <b className="font-semibold">pinned</b>
                  <span className="text-ink-2">
                    {one.pinnedBy && ` by: ${one.pinnedBy}`}
                    {one.pinnedAt && `, ${when(one.pinnedAt)}`}
                    {one.says === undefined ? "" : `; the map says ${one.says}`}
                  </span>
                </>
              ) : (
                <>
                  {one.says} <em className="text-tiny text-ink-2 not-italic">{one.by}</em>
                </>
              )}
            </span>
            <button
              className="min-h-6 shrink-0 underline"
              aria-label={`${one.pinned ? "Unpin" : "Pin"} ${one.label.toLowerCase()}${one.slot.includes(":") ? ` ${one.says ?? ""}` : ""}`}
              {...hint(
                one.pinned
                  ? "Follow the category map again"
                  : "Keep this, whatever the category map says",
              )}
              onClick={() =>
                onAct({
                  edit: one.pinned ? "unpin-slots" : "pin-slots",
                  channels: [channel.id],
                  slots: [one.slot],
                })
              }
            >
              {one.pinned ? "Unpin" : "Pin"}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
