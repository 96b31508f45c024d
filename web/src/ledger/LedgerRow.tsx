import { memo } from "react";
import { Mark } from "../ui/Mark";
import type { Columns, Row } from "./rows";
import { hint } from "../ui/hint";

interface Props {
  row: Row;
  /** Its place among the rows that are shown. */
  y: number;
  columns: Columns;
  /** Which of the row's cells each column is. */
  places: readonly number[];
  family: string;
  /** The columns of the picked area, if the row is in it. */
  left?: number;
  right?: number;
  /** The column of the cell that keys go to, if it is in this row. */
  current?: number;
  /** What is being typed into that cell. */
  typing?: string;
  onPoint: (row: number, column: number, extend: boolean) => void;
  onBegin: (text: string) => void;
  onType: (text: string) => void;
  onLeave: () => void;
}

export const cellId = (y: number, x: number) => `cell-${y}-${x}`;

/** A channel as a row; drawn again only if something of it changes. */
export const LedgerRow = memo(function LedgerRow(props: Props) {
  const { row, y, columns, places, current, typing } = props;
  return (
    <tr className="h-[26px]" aria-rowindex={y + 2}>
      {columns.map((column, x) => {
        const text = row.cells[places[x] ?? 0] ?? "";
        const inside = x >= (props.left ?? Infinity) && x <= (props.right ?? -1);
        const here = x === current;
        return (
          // Keys go to the grid, which says by its active descendant where they act.
          <td
            key={column.id}
            id={cellId(y, x)}
            data-at={`${y} ${x}`}
            role="gridcell"
            aria-colindex={x + 1}
            aria-selected={inside}
            aria-readonly={!column.editable}
            {...hint(text)}
            className={`narrow overflow-hidden border-b border-rule-2 px-1.5 text-ellipsis whitespace-nowrap ${
              column.figures ? "text-right" : ""
            } ${inside ? "bg-active-ground" : x === 0 ? "bg-ground" : ""} ${
              column.editable ? "" : "text-ink-2"
            } ${x === 0 ? "sticky left-0" : ""} ${here ? "current" : ""}`}
            onPointerDown={(event) => {
              // The grid keeps the keyboard; a click into the field that is being typed is its own.
              if (!(event.target instanceof HTMLInputElement)) {
                event.preventDefault();
                props.onPoint(y, x, event.shiftKey);
              }
            }}
            onDoubleClick={() => props.onBegin(text)}
          >
            {here && typing !== undefined ? (
              <input
                ref={focusOnce}
                aria-label={column.label}
                dir="auto"
                className="w-full bg-raised"
                value={typing}
                onChange={(event) => props.onType(event.target.value)}
                onBlur={props.onLeave}
              />
            ) : x === 0 ? (
              <span className="flex items-center gap-2">
                <Mark family={props.family} />
                <bdi className="overflow-hidden text-ellipsis">{text}</bdi>
              </span>
            ) : (
              text
            )}
          </td>
        );
      })}
    </tr>
  );
});

const focusOnce = (element: HTMLInputElement | null) => {
  if (element && document.activeElement !== element) {
    element.focus();
  }
};
