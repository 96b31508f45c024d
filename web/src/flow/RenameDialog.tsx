import { useState } from "react";
import type { Channel, Edit, MixView, RenameChannels } from "../api/client";
import { useRenamed } from "../resources/names";
import { FormDialog, STAY } from "../ui/FormDialog";
import { plural } from "../ui/format";
import { useSettled } from "../ui/settled";
import { toggled } from "../ui/toggled";

interface Props {
  view: MixView;
  channels: Channel[];
  onClose: () => void;
  onEdit: (edit: Edit) => Promise<unknown>;
}

/** Renames one channel after another without leaving the keyboard: Enter goes to the next. */
export function RenameDialog({ view, channels, onClose, onEdit }: Props) {
  const [names, setNames] = useState(() => channels.map((channel) => channel.name));
  const [at, setAt] = useState(0);
  const [kept, setKept] = useState<string[]>([]);
  const changed = channels.flatMap((channel, i) => {
    const name = names[i] ?? channel.name;
    return name === channel.name ? [] : [[channel.id, name] as const];
  });
  const edit: RenameChannels = {
    edit: "rename-channels",
    names: Object.fromEntries(changed),
    keepCategory: kept,
  };
  const settled = useSettled(changed.length > 0 ? edit : undefined, JSON.stringify(changed));
  const followed = useRenamed(view.id, view.revision, settled).data ?? [];
  const submit = () => {
    if (at + 1 < channels.length) {
      setAt(at + 1);
      return STAY;
    }
    return changed.length > 0 ? onEdit(edit) : undefined;
  };
  return (
    <FormDialog
      title={`Rename ${plural(channels.length, "channel")}`}
      description="Enter goes to the next one, and after the last renames all in one step."
      does={at + 1 < channels.length ? "Next" : "Rename"}
      onClose={onClose}
      onSubmit={submit}
    >
      <div className="max-h-[50vh] overflow-y-auto">
        {channels.map((channel, i) => (
          <label key={channel.id} className="grid grid-cols-[150px_1fr] items-center gap-3 py-0.5">
            <span className="truncate text-ink-2">{channel.name}</span>
            <input
              required
              ref={(element) => {
                if (i === at) {
                  element?.focus();
                }
              }}
              className="border-b border-rule bg-transparent py-0.5"
              value={names[i] ?? ""}
              onFocus={(event) => {
                setAt(i);
                event.target.select();
              }}
              onChange={(event) => setNames(names.with(i, event.target.value))}
            />
          </label>
        ))}
      </div>
      {followed.length > 0 && (
        <fieldset className="mt-2 max-h-[24vh] overflow-y-auto border border-rule px-2 py-1">
          <legend className="text-ink-2">Categories that follow</legend>
          {followed.map((one) => (
            <label key={one.channel} className="flex min-h-6 items-baseline gap-2">
              <input
                type="checkbox"
                checked={!kept.includes(one.channel)}
                onChange={() => setKept(toggled(kept, one.channel))}
              />
              <span className="min-w-0 break-words">
                <bdi>{edit.names[one.channel]}</bdi>: {one.from} → {one.to}
                <span className="block text-small text-ink-2">{one.because.join("; ")}</span>
              </span>
            </label>
          ))}
        </fieldset>
      )}
    </FormDialog>
  );
}
