import { useRef } from "react";

/** Where the keyboard goes when what it was on is gone: what is marked so, else the place itself. */
export function focusHome() {
  const home =
    document.querySelector<HTMLElement>("main [data-home]") ??
    document.querySelector<HTMLElement>("main");
  home?.focus();
}

/**
 * For the content of a dialog that was opened by a key: where the keyboard was before, it is again
 * when the dialog closes. (By itself a dialog returns it to the button that opened it only.)
 *
 * @param onClosed what comes after that
 */
export function useReturnFocus(onClosed?: () => void) {
  const before = useRef<Element>(null);
  return {
    onOpenAutoFocus: () => {
      before.current = document.activeElement;
    },
    onCloseAutoFocus: (event: Event) => {
      event.preventDefault();
      if (before.current instanceof HTMLElement && before.current.isConnected) {
        before.current.focus();
      } else {
        focusHome();
      }
      onClosed?.();
    },
  };
}
