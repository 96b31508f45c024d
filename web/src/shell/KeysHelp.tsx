import { Dialog } from "radix-ui";
import { useReturnFocus } from "../ui/returnFocus";
import { useActs } from "./acts";
import { shown } from "./keys";

/** All keys that do something here. */
export function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const returning = useReturnFocus();
  const acts = useActs().filter((act) => act.key);
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ground/60" />
        <Dialog.Content
          {...returning}
          aria-describedby={undefined}
          className="fixed z-20 left-1/2 top-20 w-[560px] -translate-x-1/2 border border-rule bg-raised p-5"
        >
          <Dialog.Title className="mb-3 text-[15px] font-semibold">Keys of this place</Dialog.Title>
          <dl className="grid grid-cols-[110px_1fr] gap-y-1">
            {acts.map((act) => (
              <div key={act.id} className="contents">
                <dt className="text-ink-2">{shown(act.key ?? "")}</dt>
                <dd>{act.label}</dd>
              </div>
            ))}
          </dl>
          <p className="mt-4 text-ink-2">
            Arrows move in every list; in the Flow, left and right follow the ribbons. Space picks,
            Shift with an arrow picks along. Escape goes one step back.
          </p>
          <Dialog.Close className="mt-4 border border-rule px-3 py-1">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
