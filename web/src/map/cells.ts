import type { MapView, MapWords } from "../api/client";

export type MapRow = MapView["rows"][number];
export type MapColumns = MapView["columns"];

/** Words that are written and not carried out yet, by where they stand. */
export type Pending = ReadonlyMap<string, MapWords>;

const place = (entry: string, field: string) => `${entry}\n${field}`;

/** What stands in a cell: what is written, else what the entry says itself. */
export function textOf(row: MapRow, columns: MapColumns, x: number, pending: Pending): string {
  const written = pending.get(place(row.id, columns[x]?.id ?? ""));
  return written?.text ?? row.cells[x]?.own ?? "";
}

export function isPending(row: MapRow, columns: MapColumns, x: number, pending: Pending): boolean {
  return pending.has(place(row.id, columns[x]?.id ?? ""));
}

/** Words written into cells; those that say what stands there already are no change. */
export function written(
  pending: Pending,
  rows: MapRow[],
  columns: MapColumns,
  words: { y: number; x: number; text: string }[],
): Pending {
  const after = new Map(pending);
  for (const { y, x, text } of words) {
    const row = rows[y];
    const column = columns[x];
    if (row && column) {
      const key = place(row.id, column.id);
      if (text.trim() === (row.cells[x]?.own ?? "")) {
        after.delete(key);
      } else {
        after.set(key, { entry: row.id, field: column.id, text: text.trim() });
      }
    }
  }
  return after;
}

/** A block that is pasted; one cell fills the whole area. */
export function pasted(
  block: string[][],
  area: { top: number; left: number; bottom: number; right: number },
): { y: number; x: number; text: string }[] {
  const single = block.length === 1 && block[0]?.length === 1 ? block[0][0] : undefined;
  const words: { y: number; x: number; text: string }[] = [];
  if (single !== undefined) {
    for (let y = area.top; y <= area.bottom; y++) {
      for (let x = area.left; x <= area.right; x++) {
        words.push({ y, x, text: single });
      }
    }
    return words;
  }
  block.forEach((line, dy) =>
    line.forEach((text, dx) => words.push({ y: area.top + dy, x: area.left + dx, text })),
  );
  return words;
}

/**
 * Rows that have to do with this Mix: categories of its channels, those of which the map says
 * something, and what they stand under.
 */
export function inThisMix(rows: MapRow[]): MapRow[] {
  const used = new Set<string>();
  for (const row of rows) {
    if (row.channels > 0 || row.asks !== "" || row.cells.some((cell) => cell.own !== "")) {
      used.add(row.category);
      used.add(row.category.split("/")[0] ?? "");
    }
  }
  return rows.filter((row) => used.has(row.category));
}
