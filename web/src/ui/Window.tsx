import { Dialog } from "radix-ui";
import type { KeyboardEventHandler, ReactNode } from "react";
import { useBackCloses } from "./backCloses";
import { useReturnFocus } from "./returnFocus";

interface Props {
  title: ReactNode;
  description?: ReactNode;
  /** How wide it is where there is room; never wider than the page. */
  size?: "list" | "form" | "wide" | "broad" | "large";
  onKeyDown?: KeyboardEventHandler;
  onClose: () => void;
  /** It is gone, and the keyboard is where it was before. */
  onClosed?: () => void;
  children: ReactNode;
}

const WIDTHS = {
  list: "w-[440px]",
  form: "w-[440px]",
  wide: "w-[640px]",
  broad: "w-[1000px]",
  large: "w-[880px] h-[80vh]",
};

/** The one frame of everything that opens over a place. Escape closes it. */
export function Window(props: Props) {
  const { title, description, size = "form", onKeyDown, onClose, onClosed, children } = props;
  const returning = useReturnFocus(onClosed);
  useBackCloses(onClose);
  const list = size === "list";
  const large = size === "large";
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ground/60" />
        <Dialog.Content
          {...returning}
          {...(description === undefined && { "aria-describedby": undefined })}
          onKeyDown={onKeyDown}
          className={`fixed top-[8vh] left-1/2 z-20 flex max-h-[84vh] max-w-[calc(100vw-2rem)] -translate-x-1/2 flex-col border border-rule bg-raised ${WIDTHS[size]}`}
        >
          <header
            className={list ? "px-4 pt-3" : large ? "border-b border-rule px-5 py-3" : "px-5 pt-5"}
          >
            <Dialog.Title
              className={list ? "text-small text-ink-2" : "text-title font-semibold break-words"}
            >
              {title}
            </Dialog.Title>
            {description !== undefined && (
              <Dialog.Description className="mt-1 text-ink-2">{description}</Dialog.Description>
            )}
          </header>
          {list || large ? (
            children
          ) : (
            <div className="min-h-0 overflow-y-auto px-5 pt-3 pb-5">{children}</div>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Closes the window that it stands in. */
export function CloseButton() {
  return <Dialog.Close className="mt-4 border border-rule px-3 py-1">Close</Dialog.Close>;
}
