/** A block of cells as spreadsheets copy it: tabs between cells, one row per line. */
export function readBlock(text: string): string[][] {
  const lines = text.replace(/\r\n?/g, "\n").replace(/\n$/, "").split("\n");
  return lines.map((line) => line.split("\t"));
}

/** The block as text; tabs and line breaks inside a cell become blanks. */
export function writeBlock(rows: string[][]): string {
  return rows
    .map((row) => row.map((cell) => cell.replace(/[\t\n\r]+/g, " ")).join("\t"))
    .join("\n");
}

export interface Corner {
  row: number;
  column: number;
}

/** A rectangle of cells, from its first corner to and with its last. */
export interface Area {
  top: number;
  left: number;
  bottom: number;
  right: number;
}

export function areaOf(anchor: Corner, here: Corner): Area {
  return {
    top: Math.min(anchor.row, here.row),
    left: Math.min(anchor.column, here.column),
    bottom: Math.max(anchor.row, here.row),
    right: Math.max(anchor.column, here.column),
  };
}

/** The first row of an area written into all of its rows. */
export function filledDown(cells: string[][], area: Area): string[][] {
  const first = (cells[area.top] ?? []).slice(area.left, area.right + 1);
  return Array.from({ length: area.bottom - area.top + 1 }, () => first);
}

/** Where an arrow, Home, End or Tab leads from a cell. */
export function moved(
  here: Corner,
  key: string,
  rows: number,
  columns: number,
): Corner | undefined {
  const to = (row: number, column: number) => ({
    row: Math.max(0, Math.min(rows - 1, row)),
    column: Math.max(0, Math.min(columns - 1, column)),
  });
  switch (key) {
    case "ArrowDown":
      return to(here.row + 1, here.column);
    case "ArrowUp":
      return to(here.row - 1, here.column);
    case "ArrowRight":
    case "Tab":
      return to(here.row, here.column + 1);
    case "ArrowLeft":
      return to(here.row, here.column - 1);
    case "PageDown":
      return to(here.row + 20, here.column);
    case "PageUp":
      return to(here.row - 20, here.column);
    case "Home":
      return to(here.row, 0);
    case "End":
      return to(here.row, columns - 1);
    default:
      return undefined;
  }
}
