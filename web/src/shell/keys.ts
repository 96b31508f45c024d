/** Just what is needed of a keyboard event, so that tests need no browser. */
export interface KeyPress {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
  altKey: boolean;
  shiftKey: boolean;
  target: unknown;
}

/** What takes, copies and puts in text, in whatever text is typed into; undo there is the Mix's. */
const OF_TEXT = /^[axcv]$/;
const OF_EDITORS = /^[axcvzy]$/;

function isTyping(target: unknown): boolean {
  if (typeof target !== "object" || target === null || !("tagName" in target)) {
    return false;
  }
  const name = String(target.tagName);
  const isText = name === "INPUT" && "type" in target && target.type !== "checkbox";
  return isText || name === "TEXTAREA" || name === "SELECT";
}

/** An editor has keys of its own, undo among them. */
function isInEditor(target: unknown): boolean {
  return (
    target instanceof Object && "isContentEditable" in target && target.isContentEditable === true
  );
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
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const editing = isInEditor(event.target) && (!command || OF_EDITORS.test(key));
  const typing = isTyping(event.target) && (!command || OF_TEXT.test(key));
  if (elsewhere || editing || typing) {
    return undefined;
  }
  // A sign, such as “?”, has been made with Shift where a keyboard needs it.
  const shift = event.shiftKey && /^([a-z]|.{2,})$/.test(key) ? "shift+" : "";
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
