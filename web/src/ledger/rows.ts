import type { LedgerView } from "../api/client";
import { grouped } from "../ui/grouped";

export type Row = LedgerView["rows"][number];

export interface Sorting {
  column: number;
  down: boolean;
}

/** Rows that hold every word, by group and then by the sorted column, else as in the document. */
export function shownRows(
  ledger: LedgerView,
  wanted: string,
  sort: Sorting | undefined,
  group: number | undefined,
): Row[] {
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const rows = ledger.rows.filter((row) => {
    const text = row.cells.join(" ").toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const by = new Intl.Collator(undefined, { numeric: true });
  const sorted = sort
    ? [...rows].sort(
        (a, b) =>
          by.compare(a.cells[sort.column] ?? "", b.cells[sort.column] ?? "") * (sort.down ? -1 : 1),
      )
    : rows;
  return group === undefined ? sorted : [...grouped(sorted, heading(group)).values()].flat();
}

/** Where a group begins among rows that stand by group: what it is called, and how many it has. */
export function headings(
  rows: Row[],
  group: number | undefined,
): Map<number, { text: string; count: number }> {
  const found = new Map<number, { text: string; count: number }>();
  if (group === undefined) {
    return found;
  }
  let at: { text: string; count: number } | undefined;
  rows.forEach((row, i) => {
    const text = heading(group)(row);
    if (at?.text !== text) {
      at = { text, count: 0 };
      found.set(i, at);
    }
    at.count += 1;
  });
  return found;
}

function heading(group: number) {
  return (row: Row) => row.cells[group] ?? "";
}

/** Up, down, and back to the order of the document. */
export function nextSort(sort: Sorting | undefined, column: number): Sorting | undefined {
  if (sort?.column !== column) {
    return { column, down: false };
  }
  return sort.down ? undefined : { column, down: true };
}
