import { Fragment, useEffect, useMemo, useRef, useState } from "react";
import type { Edit, LedgerView, MixView } from "../api/client";
import { useEdit, useLedger } from "../api/queries";
import { useOffer, type Act } from "../shell/acts";
import { Chooser } from "../ui/Chooser";
import { plural } from "../ui/format";
import { areaOf, filledDown, moved, readBlock, writeBlock, type Area, type Corner } from "./block";
import { LedgerRow } from "./LedgerRow";
import { headings, nextSort, shownRows, type Row, type Sorting } from "./rows";

type ColumnId = LedgerView["columns"][number]["id"];

/** Pixels. What is too long gets narrower type, then a tooltip. */
const WIDTHS: Record<ColumnId, number | undefined> = {
  name: 150,
  kind: 58,
  layout: 56,
  category: 124,
  output: 96,
  group: 78,
  colour: 56,
  trimDb: 46,
  invertPolarity: 58,
  faderDb: 50,
  pan: 50,
  frontBack: 46,
  lfeDb: 50,
  mute: 50,
  stowed: 54,
  sends: 100,
  chain: 80,
  person: 62,
  comment: 76,
};

const USUAL_WIDTH = 84;

/** What rows can stand together by. */
const GROUPS: readonly ColumnId[] = [
  "kind",
  "category",
  "layout",
  "output",
  "group",
  "colour",
  "person",
];

/** The Mix as a table that is worked like a spreadsheet. */
export function LedgerPlace({ view }: { view: MixView }) {
  const ledger = useLedger(view.id, view.revision);
  return ledger.data ? <Grid view={view} ledger={ledger.data} /> : null;
}

function Grid({ view, ledger }: { view: MixView; ledger: LedgerView }) {
  const [wanted, setWanted] = useState("");
  const [sort, setSort] = useState<Sorting>();
  const [group, setGroup] = useState<number>();
  const [asking, setAsking] = useState(false);
  const rows = useMemo(() => shownRows(ledger, wanted, sort, group), [ledger, wanted, sort, group]);
  const heads = useMemo(() => headings(rows, group), [rows, group]);
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
  // Rows are drawn again when what they are given changes: these stay the same functions.
  const latest = useRef({ commit, go, begin });
  useEffect(() => {
    latest.current = { commit, go, begin };
  });
  const doing = useMemo(
    () => ({
      onPoint: (row: number, column: number, extend: boolean) => {
        latest.current.commit();
        latest.current.go({ row, column }, extend);
      },
      onBegin: (text: string) => latest.current.begin(text),
      onType: setTyping,
      onLeave: () => latest.current.commit(),
    }),
    [],
  );
  const acts = useMemo<Act[]>(
    () => [
      { id: "filter", label: "Filter the rows", key: "/", run: () => filter.current?.focus() },
      { id: "group-by", label: "Group the rows by…", key: "g", run: () => setAsking(true) },
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
          {group !== undefined && ` in ${plural(heads.size, "group")}`}
        </span>
        <button onClick={() => setAsking(true)}>
          Group by… <kbd>G</kbd>
        </button>
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
                  style={{ width: WIDTHS[column.id] ?? USUAL_WIDTH }}
                  className={`border-b border-rule px-1.5 py-1 font-normal ${column.figures ? "text-right" : ""}`}
                >
                  <button tabIndex={-1} onClick={() => setSort(nextSort(sort, i))}>
                    {column.label} {sort?.column === i && (sort.down ? "↓" : "↑")}
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, y) => {
              const head = heads.get(y);
              const inside = y >= area.top && y <= area.bottom;
              const current = y === here.row;
              return (
                <Fragment key={row.channel}>
                  {head && (
                    <tr className="h-[26px]">
                      <th
                        scope="rowgroup"
                        colSpan={columns.length}
                        className="border-b border-rule px-1.5 text-left align-bottom font-normal text-ink-2"
                      >
                        <b className="font-semibold text-ink">{head.text || "none"}</b> ·{" "}
                        {head.count}
                      </th>
                    </tr>
                  )}
                  <LedgerRow
                    row={row}
                    y={y}
                    columns={columns}
                    family={view.facts[row.channel]?.colour ?? "neutral"}
                    left={inside ? area.left : undefined}
                    right={inside ? area.right : undefined}
                    current={current ? here.column : undefined}
                    typing={current ? typing : undefined}
                    {...doing}
                  />
                </Fragment>
              );
            })}
          </tbody>
        </table>
      </div>
      {asking && (
        <Chooser
          open
          title="Group the rows by…"
          placeholder="Column"
          choices={[
            { id: "", label: "Nothing", hint: "the order of the document" },
            ...columns
              .filter((column) => GROUPS.includes(column.id))
              .map((column) => ({ id: column.id, label: column.label })),
          ]}
          onClose={() => setAsking(false)}
          onChoose={(id) => {
            setAsking(false);
            setGroup(id ? columns.findIndex((column) => column.id === id) : undefined);
            go({ row: 0, column: 0 }, false);
          }}
        />
      )}
    </div>
  );
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
