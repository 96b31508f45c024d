/** Rows that a page is. */
const PAGE = 10;

/** What is asked of a key press, so that tests need no browser. */
export interface Press {
  key: string;
  altKey: boolean;
  ctrlKey: boolean;
  metaKey: boolean;
}

/** With Alt, Ctrl or Cmd an arrow is another key, which an act may have. */
export function isPlain(press: Press): boolean {
  return !press.altKey && !press.ctrlKey && !press.metaKey;
}

/** Where a key leads in a list of so many, from a place in it; undefined for keys that do not move. */
export function placeAfter(press: Press, at: number, count: number): number | undefined {
  if (!isPlain(press)) {
    return undefined;
  }
  const to = {
    ArrowDown: at + 1,
    ArrowUp: at - 1,
    PageDown: at + PAGE,
    PageUp: at - PAGE,
    Home: 0,
    End: count - 1,
  }[press.key];
  return to === undefined ? undefined : Math.max(0, Math.min(count - 1, to));
}
