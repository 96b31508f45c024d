/** Rows that a page is. */
const PAGE = 10;

/** Where a key leads in a list of so many, from a place in it; undefined for keys that do not move. */
export function placeAfter(key: string, at: number, count: number): number | undefined {
  const to = {
    ArrowDown: at + 1,
    ArrowUp: at - 1,
    PageDown: at + PAGE,
    PageUp: at - PAGE,
    Home: 0,
    End: count - 1,
  }[key];
  return to === undefined ? undefined : Math.max(0, Math.min(count - 1, to));
}
