import type { LedgerView } from "../api/client";
import { grouped } from "../ui/grouped";

export type Row = LedgerView["rows"][number];
export type Columns = LedgerView["columns"];
export type ColumnId = Columns[number]["id"];

export interface Sorting {
  column: ColumnId;
  down: boolean;
}

/** Rows that hold every word, by group and then by the sorted column, else as in the document. */
export function shownRows(
  ledger: LedgerView,
  wanted: string,
  sort: Sorting | undefined,
  group: ColumnId | undefined,
): Row[] {
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const rows = ledger.rows.filter((row) => {
    const text = row.cells.join(" ").toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const sorted = sort ? inOrder(rows, ledger.columns, sort) : rows;
  const by = indexOf(ledger.columns, group);
  return by < 0 ? sorted : [...grouped(sorted, (row) => row.cells[by] ?? "").values()].flat();
}

function inOrder(rows: Row[], columns: Columns, sort: Sorting): Row[] {
  const at = indexOf(columns, sort.column);
  const turn = sort.down ? -1 : 1;
  const words = new Intl.Collator(undefined, { numeric: true });
  // Rows hold the figures of the columns that have some.
  const figure = columns[at]?.figures
    ? columns.slice(0, at).filter((column) => column.figures).length
    : -1;
  return [...rows].sort((a, b) => {
    const [x, y] = [a.figures[figure], b.figures[figure]];
    if ((x ?? y) != null) {
      // What says nothing stands at the end, whichever way.
      return x == null ? 1 : y == null ? -1 : (x - y) * turn;
    }
    return words.compare(a.cells[at] ?? "", b.cells[at] ?? "") * turn;
  });
}

export function indexOf(columns: Columns, id: ColumnId | undefined): number {
  return columns.findIndex((column) => column.id === id);
}

/** What is shown one under the other: headings of groups, and rows with their place among rows. */
export type Item = { head: string; count: number } | { row: Row; y: number };

export function itemsOf(rows: Row[], columns: Columns, group: ColumnId | undefined): Item[] {
  const by = indexOf(columns, group);
  if (by < 0) {
    return rows.map((row, y) => ({ row, y }));
  }
  let y = 0;
  return [...grouped(rows, (row) => row.cells[by] ?? "")].flatMap(([head, some]) => [
    { head, count: some.length },
    ...some.map((row) => ({ row, y: y++ })),
  ]);
}

/** Up, down, and back to the order of the document. */
export function nextSort(sort: Sorting | undefined, column: ColumnId): Sorting | undefined {
  if (sort?.column !== column) {
    return { column, down: false };
  }
  return sort.down ? undefined : { column, down: true };
}
