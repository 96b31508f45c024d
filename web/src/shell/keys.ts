/** Just what is needed of a keyboard event, so that tests need no browser. */
export interface KeyPress {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
  altKey: boolean;
  shiftKey: boolean;
  target: unknown;
}

function isTyping(target: unknown): boolean {
  if (typeof target !== "object" || target === null || !("tagName" in target)) {
    return false;
  }
  const name = String(target.tagName);
  const isText = name === "INPUT" && "type" in target && target.type !== "checkbox";
  return isText || name === "TEXTAREA" || name === "SELECT";
}

/**
 * The name of a key press, such as "o", "?", "ctrl+k". Ctrl and Cmd are one. Letters that go into a text
 * field, an open dialog or a menu are not key presses of the place behind it.
 */
export function keyOf(event: KeyPress): string | undefined {
  const command = event.ctrlKey || event.metaKey;
  const elsewhere =
    event.target instanceof Object &&
    "closest" in event.target &&
    typeof event.target.closest === "function" &&
    event.target.closest('[role="dialog"], [role="menu"]') !== null;
  if (elsewhere || (!command && isTyping(event.target))) {
    return undefined;
  }
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const shift = event.shiftKey && /^[a-z]$/.test(key) ? "shift+" : "";
  return (command ? "ctrl+" : "") + (event.altKey ? "alt+" : "") + shift + key;
}

/** A key's name as it is shown: "Ctrl Z", "O". */
export function shown(key: string): string {
  return key
    .split("+")
    .map((part) =>
      part.length === 1 ? part.toUpperCase() : part[0]?.toUpperCase() + part.slice(1),
    )
    .join(" ");
}
