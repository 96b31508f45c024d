import { Dialog } from "radix-ui";
import type { ReactNode } from "react";
import { useReturnFocus } from "./returnFocus";

interface Props {
  title: ReactNode;
  description: ReactNode;
  onClose: () => void;
  children: ReactNode;
}

/** A window over the place, for what is looked through rather than filled in. */
export function LargeDialog({ title, description, onClose, children }: Props) {
  const returning = useReturnFocus();
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ground/60" />
        <Dialog.Content
          {...returning}
          className="fixed z-20 left-1/2 top-16 grid h-[80vh] w-[880px] -translate-x-1/2 grid-rows-[auto_minmax(0,1fr)] border border-rule bg-raised"
        >
          <header className="border-b border-rule px-5 py-3">
            <Dialog.Title className="text-[15px] font-semibold">{title}</Dialog.Title>
            <Dialog.Description className="text-ink-2">{description}</Dialog.Description>
          </header>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
