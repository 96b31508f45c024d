import { useVirtualizer } from "@tanstack/react-virtual";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { messageOf, type Edit, type LedgerView, type MixView } from "../api/client";
import { useLedger } from "../resources/ledger";
import { useEdit } from "../resources/mixes";
import { ReassignDialog } from "../reassign/ReassignDialog";
import { useOffer, type Act } from "../shell/acts";
import { Loading } from "../shell/Loading";
import { notify } from "../shell/notices";
import { Chooser } from "../ui/Chooser";
import { plural } from "../ui/format";
import { useKeptScroll } from "../ui/keptScroll";
import { areaOf, filledDown, moved, readBlock, writeBlock, type Area, type Corner } from "./block";
import { LedgerHead } from "./LedgerHead";
import { cellId, LedgerRow } from "./LedgerRow";
import { useLedgerUrl } from "./ledgerState";
import { indexOf, itemsOf, shownRows, type ColumnId, type Columns, type Row } from "./rows";
import { useWidths } from "./widths";

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

/** All rows are as high, so that only those that are seen need be drawn. */
const ROW_HEIGHT = 26;

/** How long nothing is typed before the rows follow. */
const FILTER_MILLISECONDS = 120;

/** Pixels by which a key makes a column wider. */
const WIDER = 12;

/**
 * The Mix as a table that is worked like a spreadsheet. It is shown before the rest of the Mix has
 * come, which for a thousand channels is five times as much.
 */
export function LedgerPlace({ id, view }: { id: string; view?: MixView }) {
  const ledger = useLedger(id, view?.revision);
  return ledger.data ? (
    <Grid id={id} ledger={ledger.data} view={view} />
  ) : (
    <Loading what="The Ledger" query={ledger} />
  );
}

/** A cell, and whose it is: where rows are sorted, what is typed moves them. */
interface Place extends Corner {
  channel?: string;
}

/** A filter, or somebody else, may have taken the row away that it was on. */
function whereNow(place: Place, rows: Row[], columns: number): Corner {
  const moved =
    rows[place.row]?.channel === place.channel
      ? place.row
      : rows.findIndex((row) => row.channel === place.channel);
  return {
    row: moved >= 0 ? moved : Math.max(0, Math.min(place.row, rows.length - 1)),
    column: Math.min(place.column, columns - 1),
  };
}

function Grid({ id, ledger, view }: { id: string; ledger: LedgerView; view?: MixView }) {
  const { state, show } = useLedgerUrl(ledger.columns);
  const { wanted, sort, group, hidden } = state;
  const [asking, setAsking] = useState<"group" | "columns" | "reassign">();
  const columns = useMemo(
    () => ledger.columns.filter((column) => column.id === "name" || !hidden.has(column.id)),
    [ledger.columns, hidden],
  );
  const places = useMemo(
    () => columns.map((column) => indexOf(ledger.columns, column.id)),
    [columns, ledger.columns],
  );
  const rows = useMemo(() => shownRows(ledger, wanted, sort, group), [ledger, wanted, sort, group]);
  const items = useMemo(() => itemsOf(rows, ledger.columns, group), [rows, ledger.columns, group]);
  const cells = useMemo(
    () => rows.map((row) => places.map((place) => row.cells[place] ?? "")),
    [rows, places],
  );
  const groups = items.length - rows.length;
  const [anchor, setAnchor] = useState<Place>({ row: 0, column: 0 });
  const [to, setTo] = useState<Place>({ row: 0, column: 0 });
  const here = whereNow(to, rows, columns.length);
  const [typing, setTypingText] = useState<string>();
  // The field goes, and so is left, before the page is drawn again: what was typed is taken once.
  const typed = useRef<string>(undefined);
  const setTyping = useCallback((text: string | undefined) => {
    typed.current = text;
    setTypingText(text);
  }, []);
  const area = areaOf(whereNow(anchor, rows, columns.length), here);
  const { mutate: edit, ask } = useEdit(id);
  const { widthOf, setWidth } = useWidths();
  const { start, keep } = useKeptScroll();
  const scroller = useRef<HTMLDivElement>(null);
  const table = useRef<HTMLTableElement>(null);
  const filter = useRef<HTMLInputElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- its functions are not kept anywhere
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 8,
    scrollPaddingStart: 2 * ROW_HEIGHT,
    initialOffset: start,
  });

  const paste = (top: number, left: number, block: string[][]): Edit => ({
    edit: "paste-cells",
    channels: rows.slice(top).map((row) => row.channel),
    columns: columns.slice(left).map((column) => column.id),
    cells: block,
  });
  const write = (top: number, left: number, block: string[][]) => edit(paste(top, left, block));
  const go = (next: Corner, extend: boolean) => {
    const place = { ...next, channel: rows[next.row]?.channel };
    setTo(place);
    if (!extend) {
      setAnchor(place);
    }
  };
  const seen = useRef({ row: 0, column: 0 });
  useEffect(() => {
    if (seen.current.row === here.row && seen.current.column === here.column) {
      return;
    }
    seen.current = { row: here.row, column: here.column };
    virtual.scrollToIndex(items.findIndex((item) => "row" in item && item.y === here.row));
    document
      .getElementById(cellId(here.row, here.column))
      ?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [here.row, here.column, items, virtual]);

  const focusGrid = () => table.current?.focus({ preventScroll: true });
  /** What was refused stands in its cell again, wherever that is now, unless another is typed. */
  const comeBack = (channel: string | undefined, column: ColumnId | undefined, text: string) => {
    const cell = {
      row: rows.findIndex((row) => row.channel === channel),
      column: indexOf(columns, column),
    };
    if (cell.row >= 0 && cell.column >= 0 && typed.current === undefined) {
      go(cell, false);
      setTyping(text);
    }
  };
  const commit = (then?: string) => {
    const text = typed.current;
    if (text !== undefined) {
      setTyping(undefined);
      const channel = rows[here.row]?.channel;
      const column = columns[here.column]?.id;
      ask(paste(here.row, here.column, [[text]])).catch((error: unknown) => {
        notify(`“${text}” was not written: ${messageOf(error)}`, "wrong");
        latest.current.comeBack(channel, column, text);
      });
      const next = then && moved(here, then, rows.length, columns.length);
      if (next) {
        go(next, false);
      }
    }
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (typing !== undefined) {
      if (event.key === "Enter" || event.key === "Tab") {
        event.preventDefault();
        commit(event.key === "Enter" ? "ArrowDown" : "Tab");
        focusGrid();
      } else if (event.key === "Escape") {
        event.stopPropagation();
        setTyping(undefined);
        focusGrid();
      }
      return;
    }
    const column = columns[here.column]?.id;
    if (event.altKey && event.shiftKey && /^Arrow(Left|Right)$/.test(event.key) && column) {
      event.preventDefault();
      setWidth(column, widthOf(column) + (event.key === "ArrowRight" ? WIDER : -WIDER));
      return;
    }
    const plain = !event.ctrlKey && !event.metaKey && !event.altKey;
    const next = plain ? moved(here, event.key, rows.length, columns.length) : undefined;
    if (next && event.key !== "Tab") {
      event.preventDefault();
      go(next, event.shiftKey);
    } else if (event.key === "Escape" && document.activeElement instanceof HTMLElement) {
      // Letters and digits write into cells; outside the table they are keys of the place again.
      document.activeElement.blur();
    } else if (event.key === "Enter" || event.key === "F2") {
      event.preventDefault();
      begin(cells[here.row]?.[here.column] ?? "");
    } else if (plain && !event.shiftKey && (event.key === "Delete" || event.key === "Backspace")) {
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
    const column = columns[here.column];
    if (column?.editable && rows.length > 0) {
      setTyping(text);
    } else if (column && rows.length > 0) {
      notify(`“${column.label}” cannot be typed here.`);
    }
  };
  const fillDown = () => write(area.top, area.left, filledDown(cells, area));
  // Rows are drawn again when what they are given changes: these stay the same functions.
  const latest = useRef({ commit, go, begin, focusGrid, comeBack });
  useEffect(() => {
    latest.current = { commit, go, begin, focusGrid, comeBack };
  });
  const doing = useMemo(
    () => ({
      onPoint: (row: number, column: number, extend: boolean) => {
        latest.current.commit();
        latest.current.go({ row, column }, extend);
        latest.current.focusGrid();
      },
      onBegin: (text: string) => latest.current.begin(text),
      onType: setTyping,
      onLeave: () => latest.current.commit(),
    }),
    [setTyping],
  );
  const acts = useMemo<Act[]>(
    () => [
      { id: "filter", label: "Filter the rows", key: "/", run: () => filter.current?.focus() },
      { id: "group-by", label: "Group the rows by…", key: "g", run: () => setAsking("group") },
      { id: "columns", label: "Choose columns…", key: "c", run: () => setAsking("columns") },
      {
        id: "reassign",
        label: "Reassign…",
        key: "r",
        can: view !== undefined,
        run: () => setAsking("reassign"),
      },
      {
        id: "follow-map",
        label: "Follow the category map: unpin the rows",
        key: "shift+u",
        can: rows.length > 0,
        run: () =>
          edit({
            edit: "unpin-slots",
            channels: rows.slice(area.top, area.bottom + 1).map((row) => row.channel),
          }),
      },
      {
        id: "only-pinned",
        label: "Show only what is pinned",
        key: "p",
        run: () => {
          show({ wanted: "pinned:" });
          // What is pinned, and by which act, stands far to the right.
          const column = columns.findIndex((one) => one.id === "pins");
          if (column >= 0) {
            latest.current.go({ row: 0, column }, false);
          }
        },
      },
    ],
    [area.bottom, area.top, columns, edit, rows, show, view],
  );
  useOffer("ledger", acts);

  const drawn = virtual.getVirtualItems();
  const above = drawn[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (drawn.at(-1)?.end ?? 0);
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <h1 className="sr-only">Ledger of {ledger.name}</h1>
      <div className="flex min-h-9 flex-wrap items-center gap-x-4 border-b border-rule px-4 text-small text-ink-2">
        <label>
          Show only{" "}
          <FilterField
            ref={filter}
            value={wanted}
            onChange={(text) => {
              show({ wanted: text });
              go({ row: 0, column: 0 }, false);
            }}
            onKeyDown={(event) => {
              if (event.key === "Enter" || event.key === "ArrowDown") {
                event.preventDefault();
                focusGrid();
              }
            }}
          />
        </label>
        <span aria-live="polite">
          {rows.length} of {ledger.rows.length} channels
          {group !== undefined && ` in ${plural(groups, "group")}`}
        </span>
        <button className="min-h-6" onClick={() => setAsking("group")}>
          Group by… <kbd>G</kbd>
        </button>
        <button className="min-h-6" onClick={() => setAsking("columns")}>
          Columns… <kbd>C</kbd>
          {columns.length < ledger.columns.length &&
            ` · ${ledger.columns.length - columns.length} hidden`}
        </button>
        <button className="ml-auto min-h-6" disabled={area.top === area.bottom} onClick={fillDown}>
          Fill down <kbd>Ctrl D</kbd>
        </button>
        <span>
          Type to change · <kbd>Ctrl C</kbd> <kbd>Ctrl V</kbd> with any spreadsheet · <kbd>Esc</kbd>{" "}
          leaves the table
        </span>
      </div>
      <div
        ref={scroller}
        className="overflow-auto"
        onScroll={(event) => keep(event.currentTarget.scrollTop)}
      >
        <table
          ref={table}
          role="grid"
          data-home
          tabIndex={0}
          aria-label="Channels"
          aria-multiselectable="true"
          aria-rowcount={rows.length + 1}
          aria-colcount={columns.length}
          aria-activedescendant={rows.length > 0 ? cellId(here.row, here.column) : undefined}
          className="ledger table-fixed border-separate border-spacing-0 text-small outline-none"
          style={{
            width: columns.reduce((sum, column) => sum + widthOf(column.id), 0),
            minWidth: "100%",
          }}
          onKeyDown={onKeyDown}
          onCopy={(event) => {
            if (typing === undefined) {
              event.preventDefault();
              event.clipboardData.setData("text/plain", writeBlock(cut(cells, area)));
            }
          }}
          onPaste={(event) => {
            if (typing === undefined) {
              event.preventDefault();
              write(area.top, area.left, readBlock(event.clipboardData.getData("text/plain")));
            }
          }}
        >
          <LedgerHead
            columns={columns}
            sort={sort}
            widthOf={widthOf}
            onWidth={setWidth}
            onSort={(next) => show({ sort: next })}
          />
          <tbody>
            {above > 0 && <tr aria-hidden="true" style={{ height: above }} />}
            {drawn.map(({ index }) => {
              const item = items[index];
              if (!item) {
                return null;
              }
              if ("head" in item) {
                return (
                  <tr key={`head ${item.head}`} className="h-[26px]">
                    <th
                      scope="rowgroup"
                      colSpan={columns.length}
                      className="border-b border-rule px-1.5 text-left align-bottom font-normal text-ink-2"
                    >
                      <b className="font-semibold text-ink">{item.head || "none"}</b> · {item.count}
                    </th>
                  </tr>
                );
              }
              const { row, y } = item;
              const inside = y >= area.top && y <= area.bottom;
              const current = y === here.row;
              return (
                <LedgerRow
                  key={row.channel}
                  row={row}
                  y={y}
                  columns={columns}
                  places={places}
                  family={row.colour}
                  left={inside ? area.left : undefined}
                  right={inside ? area.right : undefined}
                  current={current ? here.column : undefined}
                  typing={current ? typing : undefined}
                  {...doing}
                />
              );
            })}
            {below > 0 && <tr aria-hidden="true" style={{ height: below }} />}
          </tbody>
        </table>
        {rows.length === 0 && <p className="px-4 py-6 text-ink-2">No channel has these words.</p>}
      </div>
      {asking === "reassign" && view && (
        <ReassignDialog
          view={view}
          picked={rows.slice(area.top, area.bottom + 1).map((row) => row.channel)}
          onClose={() => setAsking(undefined)}
        />
      )}
      {(asking === "group" || asking === "columns") && (
        <Asked
          asking={asking}
          columns={ledger.columns}
          hidden={hidden}
          onClose={() => setAsking(undefined)}
          onGroup={(id) => {
            show({ group: id });
            go({ row: 0, column: 0 }, false);
          }}
          onHide={(ids) => show({ hidden: ids })}
        />
      )}
    </div>
  );
}

interface FilterProps {
  ref: React.Ref<HTMLInputElement>;
  value: string;
  onChange: (text: string) => void;
  onKeyDown: (event: React.KeyboardEvent) => void;
}

/** The field owns its text: the address and the rows follow it, however busy the page is. */
function FilterField({ ref, value, onChange, onKeyDown }: FilterProps) {
  const [text, setText] = useState(value);
  const [last, setLast] = useState(value);
  // Set from elsewhere, as by a key of the place or a step back.
  if (value !== last) {
    setLast(value);
    setText(value);
  }
  const tell = useRef(onChange);
  useEffect(() => {
    tell.current = onChange;
  });
  useEffect(() => {
    if (text === last) {
      return;
    }
    const timer = setTimeout(() => {
      setLast(text);
      tell.current(text);
    }, FILTER_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [text, last]);
  return (
    <input
      ref={ref}
      className="min-h-6 border-b border-rule bg-transparent text-ink"
      placeholder="words of any column"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onKeyDown={onKeyDown}
    />
  );
}

interface AskedProps {
  asking: "group" | "columns";
  columns: Columns;
  hidden: ReadonlySet<ColumnId>;
  onClose: () => void;
  onGroup: (column: ColumnId | undefined) => void;
  onHide: (columns: ReadonlySet<ColumnId>) => void;
}

function Asked({ asking, columns, hidden, onClose, onGroup, onHide }: AskedProps) {
  const known = (id: string) => columns.find((column) => column.id === id)?.id;
  if (asking === "group") {
    return (
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
        onClose={onClose}
        onChoose={(id) => {
          onClose();
          onGroup(known(id));
        }}
      />
    );
  }
  // It stays open: several are put away one after another.
  return (
    <Chooser
      open
      title="Columns"
      placeholder="Column to show or to put away"
      choices={[
        ...(hidden.size > 0 ? [{ id: "", label: "Show all of them" }] : []),
        ...columns
          .filter((column) => column.id !== "name")
          .map((column) => ({
            id: column.id,
            label: column.label,
            hint: hidden.has(column.id) ? "hidden" : "shown",
          })),
      ]}
      onClose={onClose}
      onChoose={(id) => {
        const column = known(id);
        const next = new Set(column ? hidden : []);
        if (column && !next.delete(column)) {
          next.add(column);
        }
        onHide(next);
      }}
    />
  );
}

function cut(cells: string[][], area: Area): string[][] {
  return cells.slice(area.top, area.bottom + 1).map((row) => row.slice(area.left, area.right + 1));
}

function emptied(area: Area): string[][] {
  return Array.from({ length: area.bottom - area.top + 1 }, () =>
    Array.from({ length: area.right - area.left + 1 }, () => ""),
  );
}
