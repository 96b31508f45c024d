import { useEffect, useMemo, useRef, useState } from "react";
import type { Edit, LedgerView, MixView } from "../api/client";
import { useEdit, useLedger } from "../api/queries";
import { useOffer, type Act } from "../shell/acts";
import { Mark } from "../ui/Mark";
import { areaOf, filledDown, moved, readBlock, writeBlock, type Area, type Corner } from "./block";

type Row = LedgerView["rows"][number];
type ColumnId = LedgerView["columns"][number]["id"];

/** Pixels. What is too long gets narrower type, then a tooltip. */
const WIDTHS: Record<ColumnId, number> = {
  name: 176,
  kind: 64,
  layout: 56,
  category: 132,
  output: 104,
  group: 84,
  trim: 46,
  polarity: 58,
  fader: 50,
  pan: 50,
  mute: 50,
  stowed: 54,
  sends: 150,
  chain: 84,
  person: 62,
  comment: 60,
};

const NUMBERS: readonly ColumnId[] = ["trim", "fader", "pan"];

/** The Mix as a table that is worked like a spreadsheet. */
export function LedgerPlace({ view }: { view: MixView }) {
  const ledger = useLedger(view.id, view.revision);
  return ledger.data ? <Grid view={view} ledger={ledger.data} /> : null;
}

function Grid({ view, ledger }: { view: MixView; ledger: LedgerView }) {
  const [wanted, setWanted] = useState("");
  const [sort, setSort] = useState<{ column: number; down: boolean }>();
  const rows = useMemo(() => shownRows(ledger, wanted, sort), [ledger, wanted, sort]);
  const columns = ledger.columns;
  const [anchor, setAnchor] = useState<Corner>({ row: 0, column: 0 });
  const [here, setHere] = useState<Corner>({ row: 0, column: 0 });
  const [typing, setTyping] = useState<string>();
  const area = areaOf(anchor, here);
  const { mutate: edit } = useEdit(view.id);
  const table = useRef<HTMLTableElement>(null);
  const filter = useRef<HTMLInputElement>(null);

  const write = (top: number, left: number, cells: string[][]) =>
    edit(pasteOf(rows, columns, top, left, cells));
  const go = (to: Corner, extend: boolean) => {
    setHere(to);
    if (!extend) {
      setAnchor(to);
    }
  };
  useEffect(() => {
    const cell = table.current?.querySelector<HTMLElement>(
      `[data-at="${here.row} ${here.column}"]`,
    );
    cell?.scrollIntoView({ block: "nearest", inline: "nearest" });
    if (typing === undefined && table.current?.contains(document.activeElement)) {
      cell?.focus();
    }
  }, [here, typing, rows]);

  const commit = (then?: string) => {
    if (typing !== undefined) {
      write(here.row, here.column, [[typing]]);
      setTyping(undefined);
      const to = then && moved(here, then, rows.length, columns.length);
      if (to) {
        go(to, false);
      }
    }
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (typing !== undefined) {
      if (event.key === "Enter" || event.key === "Tab") {
        event.preventDefault();
        commit(event.key === "Enter" ? "ArrowDown" : "Tab");
      } else if (event.key === "Escape") {
        event.stopPropagation();
        setTyping(undefined);
      }
      return;
    }
    const plain = !event.ctrlKey && !event.metaKey && !event.altKey;
    const to = plain ? moved(here, event.key, rows.length, columns.length) : undefined;
    if (to && event.key !== "Tab") {
      event.preventDefault();
      go(to, event.shiftKey);
    } else if (event.key === "Escape" && document.activeElement instanceof HTMLElement) {
      // Letters and digits write into cells; outside the table they are keys of the place again.
      document.activeElement.blur();
    } else if (event.key === "Enter" || event.key === "F2") {
      event.preventDefault();
      begin(rows[here.row]?.cells[here.column] ?? "");
    } else if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      write(area.top, area.left, emptied(area));
    } else if (plain && event.key.length === 1 && event.key !== "/" && event.key !== "?") {
      event.preventDefault();
      event.stopPropagation();
      begin(event.key);
    } else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "d") {
      event.preventDefault();
      fillDown();
    }
  };
  const begin = (text: string) => {
    if (columns[here.column]?.editable) {
      setTyping(text);
    }
  };
  const fillDown = () =>
    write(
      area.top,
      area.left,
      filledDown(
        rows.map((row) => row.cells),
        area,
      ),
    );
  const acts = useMemo<Act[]>(
    () => [
      { id: "filter", label: "Filter the rows", key: "/", run: () => filter.current?.focus() },
    ],
    [],
  );
  useOffer("ledger", acts);

  return (
    <div className="grid h-full grid-rows-[36px_minmax(0,1fr)]">
      <h1 className="sr-only">Ledger of {view.document.name}</h1>
      <div className="flex items-center gap-4 border-b border-rule px-4 text-[12px] text-ink-2">
        <label>
          Show only{" "}
          <input
            ref={filter}
            className="border-b border-rule bg-transparent text-ink"
            placeholder="words of any column"
            value={wanted}
            onChange={(event) => {
              setWanted(event.target.value);
              go({ row: 0, column: 0 }, false);
            }}
          />
        </label>
        <span aria-live="polite">
          {rows.length} of {ledger.rows.length} channels
        </span>
        <button className="ml-auto" disabled={area.top === area.bottom} onClick={fillDown}>
          Fill down <kbd>Ctrl D</kbd>
        </button>
        <span>
          Type to change · <kbd>Ctrl C</kbd> <kbd>Ctrl V</kbd> with any spreadsheet · <kbd>Esc</kbd>{" "}
          leaves the table
        </span>
      </div>
      <div className="overflow-auto">
        <table
          ref={table}
          role="grid"
          aria-label="Channels"
          aria-multiselectable="true"
          aria-rowcount={rows.length}
          className="w-full min-w-[1280px] table-fixed border-collapse text-[12px]"
          onKeyDown={onKeyDown}
          onCopy={(event) => {
            if (typing === undefined) {
              event.preventDefault();
              event.clipboardData.setData("text/plain", writeBlock(cut(rows, area)));
            }
          }}
          onPaste={(event) => {
            if (typing === undefined) {
              event.preventDefault();
              write(area.top, area.left, readBlock(event.clipboardData.getData("text/plain")));
            }
          }}
        >
          <thead className="sticky top-0 z-[1] bg-ground">
            <tr className="text-left text-[11px] text-ink-3">
              {columns.map((column, i) => (
                <th
                  key={column.id}
                  scope="col"
                  aria-sort={sort?.column === i ? (sort.down ? "descending" : "ascending") : "none"}
                  style={{ width: WIDTHS[column.id] }}
                  className={`border-b border-rule px-1.5 py-1 font-normal ${NUMBERS.includes(column.id) ? "text-right" : ""}`}
                >
                  <button tabIndex={-1} onClick={() => setSort(nextSort(sort, i))}>
                    {column.label} {sort?.column === i && (sort.down ? "↓" : "↑")}
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, y) => (
              <tr key={row.channel} className="h-[24px]">
                {row.cells.map((text, x) => {
                  const current = y === here.row && x === here.column;
                  const inside =
                    y >= area.top && y <= area.bottom && x >= area.left && x <= area.right;
                  return (
                    <td
                      key={columns[x]?.id}
                      data-at={`${y} ${x}`}
                      role="gridcell"
                      aria-selected={inside}
                      aria-readonly={!columns[x]?.editable}
                      tabIndex={current ? 0 : -1}
                      title={text}
                      className={`narrow overflow-hidden text-ellipsis whitespace-nowrap border-b border-rule-2 px-1.5 ${NUMBERS.includes(columns[x]?.id ?? "name") ? "text-right" : ""} ${inside ? "bg-active-ground" : ""} ${columns[x]?.editable ? "" : "text-ink-2"}`}
                      onPointerDown={(event) => {
                        commit();
                        go({ row: y, column: x }, event.shiftKey);
                      }}
                      onDoubleClick={() => begin(text)}
                    >
                      {current && typing !== undefined ? (
                        <input
                          ref={focusOnce}
                          aria-label={columns[x]?.label ?? ""}
                          className="w-full bg-raised"
                          value={typing}
                          onChange={(event) => setTyping(event.target.value)}
                          onBlur={() => commit()}
                        />
                      ) : x === 0 ? (
                        <span className="flex items-center gap-2">
                          <Mark family={view.facts[row.channel]?.colour ?? "neutral"} />
                          {text}
                        </span>
                      ) : (
                        text
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}

const focusOnce = (element: HTMLInputElement | null) => {
  if (element && document.activeElement !== element) {
    element.focus();
  }
};

function shownRows(
  ledger: LedgerView,
  wanted: string,
  sort: { column: number; down: boolean } | undefined,
): Row[] {
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const rows = ledger.rows.filter((row) => {
    const text = row.cells.join(" ").toLowerCase();
    return words.every((word) => text.includes(word));
  });
  if (!sort) {
    return rows;
  }
  const by = new Intl.Collator(undefined, { numeric: true });
  return [...rows].sort(
    (a, b) =>
      by.compare(a.cells[sort.column] ?? "", b.cells[sort.column] ?? "") * (sort.down ? -1 : 1),
  );
}

/** Up, down, and back to the order of the document. */
function nextSort(sort: { column: number; down: boolean } | undefined, column: number) {
  if (sort?.column !== column) {
    return { column, down: false };
  }
  return sort.down ? undefined : { column, down: true };
}

function cut(rows: Row[], area: Area): string[][] {
  return rows
    .slice(area.top, area.bottom + 1)
    .map((row) => row.cells.slice(area.left, area.right + 1));
}

function emptied(area: Area): string[][] {
  return Array.from({ length: area.bottom - area.top + 1 }, () =>
    Array.from({ length: area.right - area.left + 1 }, () => ""),
  );
}

function pasteOf(
  rows: Row[],
  columns: LedgerView["columns"],
  top: number,
  left: number,
  cells: string[][],
): Edit {
  return {
    edit: "paste-cells",
    channels: rows.slice(top).map((row) => row.channel),
    columns: columns.slice(left).map((column) => column.id),
    cells,
  };
}
