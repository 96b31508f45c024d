import type { KeyboardEvent } from "react";

/**
 * Escape in a field of a place leaves it, so that single keys act again; what is picked stays. In a
 * form it closes the form, as anywhere in it.
 */
export function leave(event: KeyboardEvent<HTMLElement>) {
  if (event.key === "Escape" && !event.currentTarget.closest('[role="dialog"]')) {
    event.stopPropagation();
    event.currentTarget.blur();
  }
}
