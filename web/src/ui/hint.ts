import { shown } from "../shell/keys";

/**
 * What a hint says of an element, on hover and on focus; `Hints` shows it. A text that is the element's
 * own is said only where it is cut.
 */
export function hint(text: string | undefined, key?: string) {
  return {
    "data-hint": text === "" ? undefined : text,
    ...(key !== undefined && { "data-hint-key": shown(key) }),
  };
}
