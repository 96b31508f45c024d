import { Dialog } from "radix-ui";
import { useState } from "react";
import type { Channel, Edit } from "../api/client";
import { plural } from "../ui/format";

interface Props {
  open: boolean;
  channels: Channel[];
  onClose: () => void;
  onEdit: (edit: Edit) => void;
}

/** Renames one channel after another without leaving the keyboard: Enter goes to the next. */
export function RenameDialog({ open, channels, onClose, onEdit }: Props) {
  const [names, setNames] = useState(() => channels.map((channel) => channel.name));
  const [at, setAt] = useState(0);
  const submit = (event: React.FormEvent) => {
    event.preventDefault();
    if (at + 1 < channels.length) {
      setAt(at + 1);
      return;
    }
    const changed = channels.flatMap((channel, i) => {
      const name = names[i] ?? channel.name;
      return name === channel.name ? [] : [[channel.id, name] as const];
    });
    onClose();
    if (changed.length > 0) {
      onEdit({ edit: "rename-channels", names: Object.fromEntries(changed) });
    }
  };
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ground/60" />
        <Dialog.Content className="fixed left-1/2 top-24 w-[440px] -translate-x-1/2 border border-rule bg-raised p-5">
          <Dialog.Title className="text-[15px] font-semibold">
            Rename {plural(channels.length, "channel")}
          </Dialog.Title>
          <Dialog.Description className="mt-1 text-ink-2">
            Enter goes to the next one, and after the last renames all in one step.
          </Dialog.Description>
          <form onSubmit={submit} className="mt-3 max-h-[50vh] overflow-y-auto">
            {channels.map((channel, i) => (
              <label
                key={channel.id}
                className="grid grid-cols-[150px_1fr] items-center gap-3 py-0.5"
              >
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
            <button className="mt-3 border border-active px-3 py-1 text-active">
              {at + 1 < channels.length ? "Next" : "Rename"}
            </button>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
