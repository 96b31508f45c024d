import type { FileView } from "../api/client";

/** What needs a person first: refused, then doubtful (least certain first), then the rest by category. */
export function byNeed(files: FileView[], categoryOrder: string[]): FileView[] {
  const rank = (file: FileView) => (file.fault ? 0 : file.doubtful ? 1 : 2);
  return [...files].sort(
    (a, b) =>
      rank(a) - rank(b) ||
      (rank(a) === 1 ? a.confidence - b.confidence : 0) ||
      categoryOrder.indexOf(a.category) - categoryOrder.indexOf(b.category) ||
      a.name.localeCompare(b.name),
  );
}
