import { useState } from "react";
import type { Channel, Edit } from "../api/client";
import { FormDialog, STAY } from "../ui/FormDialog";
import { plural } from "../ui/format";

interface Props {
  channels: Channel[];
  onClose: () => void;
  onEdit: (edit: Edit) => Promise<unknown>;
}

/** Renames one channel after another without leaving the keyboard: Enter goes to the next. */
export function RenameDialog({ channels, onClose, onEdit }: Props) {
  const [names, setNames] = useState(() => channels.map((channel) => channel.name));
  const [at, setAt] = useState(0);
  const submit = () => {
    if (at + 1 < channels.length) {
      setAt(at + 1);
      return STAY;
    }
    const changed = channels.flatMap((channel, i) => {
      const name = names[i] ?? channel.name;
      return name === channel.name ? [] : [[channel.id, name] as const];
    });
    return changed.length > 0
      ? onEdit({ edit: "rename-channels", names: Object.fromEntries(changed) })
      : undefined;
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
    </FormDialog>
  );
}
