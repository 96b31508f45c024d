import { useDragging } from "../ui/dragging";
import { hint } from "../ui/hint";
import { nextSort, type ColumnId, type Columns, type Sorting } from "./rows";

interface Props {
  columns: Columns;
  sort: Sorting | undefined;
  widthOf: (column: ColumnId) => number;
  onWidth: (column: ColumnId, width: number | undefined) => void;
  onSort: (sort: Sorting | undefined) => void;
}

/** The names of the columns: a click sorts, the edge of one is dragged. */
export function LedgerHead({ columns, sort, widthOf, onWidth, onSort }: Props) {
  return (
    <thead className="sticky top-0 z-[1] bg-ground">
      <tr className="text-left text-tiny text-ink-3" aria-rowindex={1}>
        {columns.map((column, i) => (
          <th
            key={column.id}
            scope="col"
            aria-sort={
              sort?.column === column.id ? (sort.down ? "descending" : "ascending") : "none"
            }
            style={{ width: widthOf(column.id) }}
            className={`border-b border-rule bg-ground px-1.5 py-1 font-normal ${
              column.figures ? "text-right" : ""
            } ${i === 0 ? "sticky left-0 z-[1]" : "relative"}`}
          >
            <button
              tabIndex={-1}
              className="narrow min-h-6 leading-tight"
              {...hint(`Sort by ${column.label}`)}
              onClick={() => onSort(nextSort(sort, column.id))}
            >
              {column.label} {sort?.column === column.id && (sort.down ? "↓" : "↑")}
            </button>
            <Edge width={widthOf(column.id)} onWidth={(width) => onWidth(column.id, width)} />
          </th>
        ))}
      </tr>
    </thead>
  );
}

interface EdgeProps {
  width: number;
  onWidth: (width: number | undefined) => void;
}

/** The right edge of a column. By keyboard: Alt Shift and an arrow in the table. */
function Edge({ width, onWidth }: EdgeProps) {
  const drag = useDragging((from, by) => onWidth(from + by), width);
  return (
    <span
      aria-hidden="true"
      className="absolute inset-y-0 right-0 w-2 cursor-col-resize touch-none hover:bg-rule"
      {...hint("Drag to make it wider; a double click gives it its first width", "alt+shift+→")}
      {...drag}
      onDoubleClick={() => onWidth(undefined)}
    />
  );
}
