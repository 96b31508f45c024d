import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { messageOf, type Edit, type MapView, type MixView } from "../api/client";
import { useGuides } from "../resources/deliveries";
import { useEffectOf } from "../resources/effects";
import { useKnowledge } from "../resources/knowledge";
import { useMap } from "../resources/maps";
import { useEdit, useSeenEdit } from "../resources/mixes";
import { areaOf, moved, readBlock, writeBlock, type Corner } from "../ledger/block";
import { EffectPanel, namesOf } from "../reassign/EffectPanel";
import { ReassignDialog } from "../reassign/ReassignDialog";
import { nothingLeft, without, type Left } from "../reassign/leaving";
import { useOffer, type Act } from "../shell/acts";
import { Loading } from "../shell/Loading";
import { notify } from "../shell/notices";
import { plural } from "../ui/format";
import { hint } from "../ui/hint";
import { Mark } from "../ui/Mark";
import {
  inThisMix,
  isPending,
  pasted,
  textOf,
  written,
  type MapColumns,
  type MapRow,
  type Pending,
} from "./cells";
import { CellField } from "./CellField";
import { CompareMapsDialog } from "./CompareMapsDialog";
import { EntryDialog } from "./EntryDialog";
import { keepPending, keptPending } from "./draft";
import { KeepMapDialog } from "./KeepMapDialog";
import { OtherMapDialog } from "./OtherMapDialog";

const NOTHING: Pending = new Map();

/** Fields in which several stand, apart by commas. */
const SEVERAL = new Set(["sends", "controls"]);
const FIGURES = new Set(["trimDb", "guideLufs", "order"]);

/** What the Mix says of channels by their category, and what a change of it would do. */
export function MapPlace({ view }: { view: MixView }) {
  const map = useMap(view.id, view.revision);
  return map.data ? <Table view={view} map={map.data} /> : <Loading what="The map" query={map} />;
}

function Table({ view, map }: { view: MixView; map: MapView }) {
  const [everything, setEverything] = useState(false);
  const [pending, setPending] = useState<Pending>(() => keptPending(view.id));
  useEffect(() => keepPending(view.id, pending), [view.id, pending]);
  const [left, setLeft] = useState<Left>(nothingLeft);
  const [proposing, setProposing] = useState(false);
  // What is seated, set to its level guides: all of it, or what they changed for since a revision.
  const [guiding, setGuiding] = useState<{ since?: number }>();
  const guides = useGuides(view.id, view.revision, guiding?.since, guiding !== undefined);
  const [question, setQuestion] = useState<"entry" | "other" | "reassign" | "keep" | "compare">();
  const rows = useMemo(() => (everything ? map.rows : inThisMix(map.rows)), [everything, map.rows]);
  const [anchor, setAnchor] = useState<Corner>({ row: 0, column: 0 });
  const [to, setTo] = useState<Corner>({ row: 0, column: 0 });
  const here = {
    row: Math.max(0, Math.min(to.row, rows.length - 1)),
    column: Math.min(to.column, map.columns.length - 1),
  };
  const [typing, setTypingText] = useState<string>();
  const typed = useRef<string>(undefined);
  const setTyping = useCallback((text: string | undefined) => {
    typed.current = text;
    setTypingText(text);
  }, []);
  const table = useRef<HTMLTableElement>(null);
  const area = areaOf(anchor, here);
  const choices = useChoices(view);
  const names = useMemo(() => namesOf(view), [view]);

  const edit = useMemo<Edit | undefined>(
    () =>
      proposing
        ? { edit: "propose-map" }
        : guiding
          ? guides.data?.edit
          : pending.size > 0
            ? { edit: "say-of-map", cells: [...pending.values()] }
            : undefined,
    [guides.data, guiding, pending, proposing],
  );
  useEffect(() => {
    if (guiding && guides.data && guides.data.edit === undefined) {
      setGuiding(undefined);
      if (guiding.since === undefined) {
        notify("Every clip stands at its level guide, or there is none for it.");
      }
    }
  }, [guiding, guides.data]);
  // Cells are written whole, so that there is nothing to wait for.
  const effect = useEffectOf(view.id, view.revision, edit);
  const { ask, isPending: asking } = useSeenEdit(view.id);
  const { mutate: change } = useEdit(view.id);
  const [refused, setRefused] = useState<string>();
  const told = edit && effect.data ? effect.data : undefined;
  const waits = edit !== undefined && effect.isFetching;
  const can = edit !== undefined && told !== undefined && !waits && !effect.error && !asking;

  // A proposal is looked at beside what is written, which waits behind it.
  const drop = useCallback(() => {
    if (!proposing && !guiding) {
      setPending(NOTHING);
    }
    setGuiding(undefined);
    setLeft(nothingLeft);
    setProposing(false);
    setRefused(undefined);
  }, [guiding, proposing]);
  const carryOut = useCallback(() => {
    if (edit && told && can) {
      setRefused(undefined);
      ask({ edit: without(edit, left, told), seen: told.revision }).then(
        () => {
          drop();
          // What is seated was set to the guides that were there then.
          if (!guiding) {
            setGuiding({ since: told.revision });
          }
        },
        (error: unknown) => setRefused(messageOf(error)),
      );
    }
  }, [ask, can, drop, edit, guiding, left, told]);
  const write = (words: { y: number; x: number; text: string }[]) => {
    setRefused(undefined);
    setProposing(false);
    setGuiding(undefined);
    setPending((now) => written(now, rows, map.columns, words));
  };
  const go = (next: Corner, extend: boolean) => {
    setTo(next);
    if (!extend) {
      setAnchor(next);
    }
  };
  const focusGrid = () => table.current?.focus({ preventScroll: true });
  const take = (text: string, key: string) => {
    if (typed.current === undefined) {
      return;
    }
    setTyping(undefined);
    const words = [];
    for (let y = area.top; y <= area.bottom; y++) {
      words.push({ y, x: here.column, text });
    }
    write(words);
    const next = key && moved(here, key, rows.length, map.columns.length);
    if (next) {
      go(next, false);
    }
    focusGrid();
  };
  const begin = (text: string) => {
    const column = map.columns[here.column];
    if (column?.id === "chain") {
      if (row?.asks === "") {
        setQuestion("reassign");
      } else {
        notify("The chain of an entry that asks for more comes from another map (M).");
      }
    } else if (rows.length > 0) {
      setTyping(text);
    }
  };
  useEffect(() => {
    document
      .getElementById(cellId(here.row, here.column))
      ?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [here.row, here.column]);

  const onKeyDown = (event: React.KeyboardEvent) => {
    const plain = !event.ctrlKey && !event.metaKey && !event.altKey;
    const next = plain ? moved(here, event.key, rows.length, map.columns.length) : undefined;
    if (next && event.key !== "Tab") {
      event.preventDefault();
      go(next, event.shiftKey);
    } else if (event.key === "Escape" && document.activeElement instanceof HTMLElement) {
      document.activeElement.blur();
    } else if (plain && (event.key === "Enter" || event.key === "F2")) {
      event.preventDefault();
      const row = rows[here.row];
      begin(row ? textOf(row, map.columns, here.column, pending) : "");
    } else if (plain && !event.shiftKey && (event.key === "Delete" || event.key === "Backspace")) {
      event.preventDefault();
      write(pasted([[""]], area));
    } else if (plain && event.key.length === 1 && event.key !== "/" && event.key !== "?") {
      event.preventDefault();
      event.stopPropagation();
      begin(event.key);
    }
  };

  const row = rows[here.row];
  const acts = useMemo<Act[]>(
    () => [
      {
        id: "carry-out",
        label: "Carry out what is written",
        key: "ctrl+Enter",
        can,
        run: carryOut,
      },
      {
        id: "drop",
        label: "Drop what is written",
        key: "ctrl+alt+Backspace",
        can: edit !== undefined,
        run: drop,
      },
      {
        id: "all-categories",
        label: everything ? "Show what is in this Mix alone" : "Show all categories",
        key: "a",
        run: () => setEverything((now) => !now),
      },
      {
        id: "ask-more",
        label: "Add an entry that asks for more than a category…",
        key: "n",
        run: () => setQuestion("entry"),
      },
      {
        id: "propose",
        label: "Make a map of how the Mix is routed",
        key: "p",
        run: () => {
          setLeft(nothingLeft);
          setGuiding(undefined);
          setProposing(true);
        },
      },
      {
        id: "to-guides",
        label: "Set what is seated to the level guides",
        key: "l",
        run: () => {
          setLeft(nothingLeft);
          setProposing(false);
          setGuiding({});
        },
      },
      {
        id: "other-map",
        label: "Put another map under this Mix…",
        key: "m",
        run: () => setQuestion("other"),
      },
      {
        id: "keep-map",
        label: "Keep this map on the shelf…",
        key: "k",
        can: view.document.categoryMap.entries.length > 0,
        run: () => setQuestion("keep"),
      },
      {
        id: "compare-maps",
        label: "Compare this map with another…",
        key: "c",
        run: () => setQuestion("compare"),
      },
      {
        id: "reassign",
        label: "Reassign this category…",
        key: "r",
        can: row !== undefined,
        run: () => setQuestion("reassign"),
      },
      {
        id: "remove-entry",
        label: "Remove the entry that asks for more",
        key: "shift+Delete",
        can: (row?.asks ?? "") !== "",
        run: () => {
          if (row) {
            change({ edit: "change-mix", set: { categoryMap: { removed: [row.id] } } });
          }
        },
      },
    ],
    [can, carryOut, change, drop, edit, everything, row, view.document.categoryMap],
  );
  useOffer("map", acts);
  const close = () => setQuestion(undefined);
  const button = (id: string, words: string) => {
    const act = acts.find((one) => one.id === id);
    return (
      act && (
        <button
          className={`min-h-6 ${id === "carry-out" ? "border border-active px-3 font-semibold text-active disabled:border-rule disabled:font-normal disabled:text-ink-3" : ""}`}
          disabled={act.can === false}
          {...hint(act.label, act.key)}
          onClick={act.run}
        >
          {words}
        </button>
      )
    );
  };

  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <h1 className="sr-only">Category map of {view.document.name}</h1>
      <div className="flex min-h-9 flex-wrap items-center gap-x-4 border-b border-rule px-4 text-small text-ink-2">
        <span>
          {plural(rows.length, "row")}; grey is inherited. Type to change, <kbd>Shift</kbd> and
          arrows pick many, <kbd>Esc</kbd> leaves the table.
        </span>
        <span className="ml-auto flex flex-wrap items-center gap-x-4 whitespace-nowrap">
          {button("all-categories", everything ? "This Mix alone" : "All categories")}
          {button("ask-more", "Ask for more…")}
          {button("propose", "From the routing")}
          {button("to-guides", "Levels…")}
          {button("other-map", "Another map…")}
          {button("keep-map", "Keep…")}
          {button("compare-maps", "Compare…")}
          <a className="leading-6 underline" href={`/api/mixes/${view.id}/map/document`}>
            As a file
          </a>
        </span>
      </div>
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_minmax(300px,30%)] max-[900px]:grid-cols-1 max-[900px]:grid-rows-2">
        <div className="overflow-auto">
          <table
            ref={table}
            role="grid"
            data-home
            tabIndex={0}
            aria-label="Category map"
            aria-multiselectable="true"
            aria-rowcount={rows.length + 1}
            aria-colcount={map.columns.length + 2}
            aria-activedescendant={rows.length > 0 ? cellId(here.row, here.column) : undefined}
            className="ledger border-separate border-spacing-0 text-small outline-none"
            onKeyDown={typing === undefined ? onKeyDown : undefined}
            onCopy={(event) => {
              if (typing === undefined) {
                event.preventDefault();
                event.clipboardData.setData(
                  "text/plain",
                  writeBlock(
                    rows
                      .slice(area.top, area.bottom + 1)
                      .map((one) =>
                        map.columns
                          .map((_, x) => textOf(one, map.columns, x, pending))
                          .slice(area.left, area.right + 1),
                      ),
                  ),
                );
              }
            }}
            onPaste={(event) => {
              if (typing === undefined) {
                event.preventDefault();
                write(pasted(readBlock(event.clipboardData.getData("text/plain")), area));
              }
            }}
          >
            <thead>
              <tr className="h-[26px]">
                <th className="sticky top-0 left-0 z-10 border-b border-rule bg-ground px-2 text-left font-semibold">
                  Category
                </th>
                <th className="sticky top-0 border-b border-rule bg-ground px-2 text-right font-semibold">
                  Seats
                </th>
                {map.columns.map((column) => (
                  <th
                    key={column.id}
                    scope="col"
                    className={`sticky top-0 min-w-[76px] border-b border-rule bg-ground px-2 font-semibold whitespace-nowrap ${
                      FIGURES.has(column.id) ? "text-right" : "text-left"
                    }`}
                  >
                    {column.label}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((one, y) => (
                <Line
                  key={one.id}
                  row={one}
                  y={y}
                  columns={map.columns}
                  pending={pending}
                  inside={y >= area.top && y <= area.bottom ? area : undefined}
                  current={y === here.row ? here.column : undefined}
                  typing={y === here.row ? typing : undefined}
                  choices={choices}
                  onPoint={(column, extend) => {
                    if (typed.current !== undefined) {
                      take(typed.current, "");
                    }
                    go({ row: y, column }, extend);
                    focusGrid();
                  }}
                  onBegin={begin}
                  onType={setTyping}
                  onTake={take}
                  onDrop={() => {
                    setTyping(undefined);
                    focusGrid();
                  }}
                />
              ))}
            </tbody>
          </table>
        </div>
        <section
          aria-label="What it would do"
          className="grid min-h-0 min-w-0 grid-cols-1 grid-rows-[minmax(0,1fr)_auto] border-l border-rule"
        >
          <div className="overflow-y-auto">
            <EffectPanel
              effect={told}
              waits={waits}
              problem={refused ?? (edit ? effect.error?.message : undefined)}
              left={left}
              onLeave={setLeft}
              names={names}
              idle="Write into the map: what would become of channels stands here before anything is changed."
            />
          </div>
          <footer className="flex min-h-9 items-center gap-3 border-t border-rule px-4 py-1">
            <span className="min-w-0 flex-1 truncate text-small text-ink-2">
              {told ? `Would ${told.says}.` : ""}
            </span>
            {button("drop", "Drop")}
            {button("carry-out", "Carry out")}
          </footer>
        </section>
      </div>
      {question === "reassign" && row && (
        <ReassignDialog view={view} picked={[]} category={row.category} onClose={close} />
      )}
      {question === "other" && <OtherMapDialog view={view} onClose={close} />}
      {question === "keep" && <KeepMapDialog view={view} onClose={close} />}
      {question === "compare" && <CompareMapsDialog first={`mix ${view.id}`} onClose={close} />}
      {question === "entry" && (
        <EntryDialog view={view} category={row?.category ?? "drums"} onClose={close} />
      )}
    </div>
  );
}

const cellId = (y: number, x: number) => `map-${y}-${x}`;

interface LineProps {
  row: MapRow;
  y: number;
  columns: MapColumns;
  pending: Pending;
  inside?: { left: number; right: number };
  current?: number;
  typing?: string;
  choices: Record<string, readonly string[]>;
  onPoint: (column: number, extend: boolean) => void;
  onBegin: (text: string) => void;
  onType: (text: string) => void;
  onTake: (text: string, key: string) => void;
  onDrop: () => void;
}

/** A category, or an entry of it that asks for more. */
function Line(props: LineProps) {
  const { row, y, columns, pending, inside, current, typing } = props;
  const family =
    useKnowledge().data?.categories.find((one) => one.path === row.category)?.family ?? "neutral";
  const leaf = row.category.slice(row.category.lastIndexOf("/") + 1);
  return (
    <tr className="h-[26px]" aria-rowindex={y + 2}>
      <th
        scope="row"
        className="sticky left-0 z-[1] border-b border-rule-2 bg-ground px-2 text-left font-normal whitespace-nowrap"
      >
        <span
          className="flex items-center gap-2"
          // Beneath the word of what it stands under, which has a mark in front.
          style={{
            paddingLeft: (row.depth > 0 ? 26 + 14 * (row.depth - 1) : 0) + (row.asks ? 26 : 0),
          }}
        >
          {row.depth === 0 && !row.asks && <Mark family={family} />}
          {row.asks ? (
            <span className="text-ink-2">
              {leaf} <bdi className="text-ink">{row.asks}</bdi>
            </span>
          ) : (
            <span>{leaf}</span>
          )}
        </span>
      </th>
      <td className="border-b border-rule-2 px-2 text-right text-ink-2">
        {row.channels > 0 && row.channels}
        {row.pins > 0 && (
          <span {...hint(`${plural(row.pins, "field")} of them pinned by hand`)}>
            {" "}
            ·{row.pins}⚲
          </span>
        )}
      </td>
      {columns.map((column, x) => {
        const text = textOf(row, columns, x, pending);
        const cell = row.cells[x];
        const waits = isPending(row, columns, x, pending);
        const here = x === current;
        const picked = inside !== undefined && x >= inside.left && x <= inside.right;
        return (
          // Keys go to the grid, which says by its active descendant where they act.
          <td
            key={column.id}
            id={cellId(y, x)}
            role="gridcell"
            aria-colindex={x + 3}
            aria-selected={picked}
            {...hint(
              text === "" && cell?.from !== undefined
                ? `${cell.inherited}, from ${cell.from}`
                : text,
            )}
            className={`max-w-[190px] border-b border-rule-2 px-2 whitespace-nowrap ${
              typing !== undefined && here ? "" : "overflow-hidden text-ellipsis"
            } ${FIGURES.has(column.id) ? "text-right" : ""} ${picked ? "bg-active-ground" : ""} ${
              waits ? "font-semibold text-active" : ""
            } ${here ? "current" : ""}`}
            onPointerDown={(event) => {
              if (!(event.target instanceof HTMLInputElement)) {
                event.preventDefault();
                props.onPoint(x, event.shiftKey);
              }
            }}
            onDoubleClick={() => props.onBegin(text)}
          >
            {here && typing !== undefined ? (
              <CellField
                label={`${column.label} of ${row.category}`}
                text={typing}
                choices={props.choices[column.id] ?? []}
                several={SEVERAL.has(column.id)}
                onType={props.onType}
                onTake={props.onTake}
                onDrop={props.onDrop}
              />
            ) : text === "" && !waits ? (
              <span className="text-ink-2">{cell?.inherited}</span>
            ) : waits && text === "" ? (
              <s className="text-ink-2">{cell?.own}</s>
            ) : (
              text
            )}
          </td>
        );
      })}
    </tr>
  );
}

/** What can stand in each column: names of this Mix, and what Drevik knows. */
function useChoices(view: MixView): Record<string, readonly string[]> {
  const knowledge = useKnowledge().data;
  return useMemo(() => {
    const channels = view.document.channels;
    const buses = channels
      .filter((one) => view.facts[one.id]?.takesSound === true)
      .map((one) => one.name);
    return {
      destination: buses,
      group: buses,
      sends: buses,
      colour: knowledge?.families.map((one) => one.id) ?? [],
      controls: view.document.controls.map((one) => one.name),
      stem: view.document.outputs.map((one) => one.name),
      wantedLayout: knowledge?.layouts.map((one) => one.id) ?? [],
    };
  }, [knowledge, view]);
}
