import { memo } from "react";
import type { LedgerView } from "../api/client";
import { Mark } from "../ui/Mark";
import type { Row } from "./rows";

interface Props {
  row: Row;
  /** Its place among the rows that are shown. */
  y: number;
  columns: LedgerView["columns"];
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

/** Numbers stand at the right. */
/** A channel as a row; drawn again only if something of it changes. */
export const LedgerRow = memo(function LedgerRow(props: Props) {
  const { row, y, columns, current, typing } = props;
  return (
    <tr className="h-[24px]">
      {row.cells.map((text, x) => {
        const column = columns[x];
        const inside = x >= (props.left ?? Infinity) && x <= (props.right ?? -1);
        return (
          <td
            key={column?.id}
            data-at={`${y} ${x}`}
            role="gridcell"
            aria-selected={inside}
            aria-readonly={!column?.editable}
            tabIndex={x === current ? 0 : -1}
            title={text}
            className={`narrow overflow-hidden border-b border-rule-2 px-1.5 text-ellipsis whitespace-nowrap ${
              column?.figures ? "text-right" : ""
            } ${inside ? "bg-active-ground" : ""} ${column?.editable ? "" : "text-ink-2"}`}
            onPointerDown={(event) => props.onPoint(y, x, event.shiftKey)}
            onDoubleClick={() => props.onBegin(text)}
          >
            {x === current && typing !== undefined ? (
              <input
                ref={focusOnce}
                aria-label={column?.label ?? ""}
                className="w-full bg-raised"
                value={typing}
                onChange={(event) => props.onType(event.target.value)}
                onBlur={props.onLeave}
              />
            ) : x === 0 ? (
              <span className="flex items-center gap-2">
                <Mark family={props.family} />
                {text}
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
