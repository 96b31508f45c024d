import {
  startTransition,
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import type { FlowLayout, MixView } from "../api/client";
import { isPlain } from "../ui/arrows";
import { db } from "../ui/format";
import { brackets, lanes, type Bracket } from "./brackets";
import { grouped } from "../ui/grouped";
import { besideOf, FlowRow, isStrong } from "./FlowRow";
import { forgetWidths, nameWidth } from "./names";
import { useKeptScroll } from "../ui/keptScroll";
import { folded } from "./folding";
import { HEAD, layOut, type Geometry, type Row } from "./geometry";
import { useLasso } from "./lasso";
import { reach } from "./reach";
import { Ribbons } from "./Ribbons";
import { RowMenu } from "./RowMenu";
import { rowFacts, rowNames, strongRows } from "./rowFacts";
import { all, extended, nothing, toggled, type Selection } from "./selection";
import type { FlowState } from "./flowState";
import { hint } from "../ui/hint";

interface Props {
  view: MixView;
  state: FlowState;
  selection: Selection;
  onSelect: (selection: Selection) => void;
  focused?: string;
  onFocus: (id: string) => void;
  onFold: (bus: string) => void;
  onSendTo: (channels: string[], destination: string) => void;
}

/** Rows and ribbons further than this beyond what is seen are not drawn, pixels. */
const AROUND = 300;

const NOTHING_BESIDE = { layout: false, value: false };

/** How far one scrolls before what is drawn is looked at again, pixels. */
const STEP = 150;

/** The columns, which scroll, and below them the band of returns, which stays. */
export function FlowPicture(props: Props) {
  const { view, state, selection, onSelect, focused, onFocus, onFold, onSendTo } = props;
  const [pane, size, seen, onScroll] = usePane();
  const fonts = useFonts();
  const around = useLater(0, AROUND);
  const { start, keep } = useKeptScroll();
  const placed = useRef(false);
  const band = useRef<HTMLDivElement>(null);
  const [pointed, setPointed] = useState<string>();
  const shown = useMemo(() => folded(view.flow, state), [view.flow, state]);
  const names = useUnchanged(useMemo(() => rowNames(view, shown.folds), [view, shown.folds]));
  const strong = useUnchanged(useMemo(() => strongRows(view), [view]));
  const { controls } = view.document;
  const geometry = useMemo(() => {
    const first = lanes(controls, shown.layout.stages[0]?.ids ?? [], shown.rowOf);
    const across = Math.min(4, Math.max(0, ...[...first.values()].map((lane) => lane + 1)));
    const needs = (id: string) => nameWidth(names.get(id) ?? "", strong.has(id)).narrowest;
    return size.width > 0 && fonts ? layOut(shown.layout, size, needs, across) : undefined;
  }, [shown, size, names, strong, controls, fonts]);
  const drawnBrackets = useMemo(
    () => (geometry ? brackets(controls, shown.layout, geometry, shown.rowOf) : []),
    [controls, shown, geometry],
  );
  const lit = useMemo(() => {
    const from = pointed ? [pointed] : [...new Set([...selection.picked].map(shown.rowOf))];
    return from.length > 0 ? reach(shown.layout, from) : undefined;
  }, [pointed, selection, shown]);
  const facts = useMemo(() => rowFacts(view, shown.folds), [view, shown.folds]);
  const beside = useMemo(() => {
    const at = (rows: Row[]) =>
      besideOf(
        rows
          .flatMap((one) => facts.of(one.id) ?? [])
          .map((one) => ({ name: one.name, strong: isStrong(one) })),
        rows[0]?.width ?? 0,
      );
    const byStage = grouped(geometry?.rows.values() ?? [], (one) => one.stage);
    return {
      stages: new Map([...byStage].map(([stage, rows]) => [stage, at(rows)])),
      band: at(geometry?.bandRows ?? []),
    };
  }, [geometry, facts]);
  const columns = useMemo(
    () => [...shown.layout.stages.map((stage) => stage.ids), shown.layout.returns],
    [shown],
  );

  const channelsOf = useCallback(
    (rows: string[]) => rows.flatMap((row) => shown.folds.get(row)?.seats ?? row),
    [shown],
  );
  const isPicked = (row: string) =>
    channelsOf([row]).every((channel) => selection.picked.has(channel));
  const extend = useCallback(
    (from: Selection, row: string) => {
      const column = columns.find((ids) => ids.includes(row)) ?? [];
      const anchor = from.anchor && shown.rowOf(from.anchor);
      const rows = extended({ picked: from.picked, anchor }, row, column);
      onSelect({ picked: new Set(channelsOf([...rows.picked])), anchor: from.anchor ?? row });
    },
    [columns, shown, channelsOf, onSelect],
  );
  const pick = useCallback(
    (row: string, event: React.MouseEvent) => {
      if (event.shiftKey) {
        extend(selection, row);
      } else if (event.ctrlKey || event.metaKey || isTouch(event)) {
        onSelect(channelsOf([row]).reduce(toggled, selection));
      } else {
        onSelect(all(channelsOf([row])));
      }
    },
    [selection, extend, channelsOf, onSelect],
  );

  const dragged = useRef<string[]>([]);
  const drag = useCallback(
    (row: string, event: React.DragEvent) => {
      const own = channelsOf([row]);
      const all = own.every((id) => selection.picked.has(id)) ? [...selection.picked] : own;
      dragged.current = all;
      event.dataTransfer.effectAllowed = "link";
      event.dataTransfer.setData("text/plain", names.get(row) ?? "");
    },
    [channelsOf, selection, names],
  );
  const drop = useCallback(
    (row: string) => {
      const channels = dragged.current.filter((id) => id !== row);
      if (channels.length > 0) {
        onSendTo(channels, row);
      }
    },
    [onSendTo],
  );

  const elements = useRef(new Map<string, HTMLElement>());
  const register = useCallback((id: string, element: HTMLElement | null) => {
    if (element) {
      elements.current.set(id, element);
    } else {
      elements.current.delete(id);
    }
  }, []);
  const reveal = useCallback(
    (id: string) => {
      const row = geometry?.rows.get(id);
      const element = pane.current;
      if (row && geometry && element) {
        const top = row.y - geometry.rowHeight;
        if (top < element.scrollTop + HEAD) {
          element.scrollTop = Math.max(0, top - HEAD);
        } else if (row.y + geometry.rowHeight > element.scrollTop + element.clientHeight) {
          element.scrollTop = row.y + geometry.rowHeight - element.clientHeight;
        }
      }
    },
    [geometry, pane],
  );
  const [wanted, setWanted] = useState<string>();
  // A row that was out of sight stands only after it has been scrolled to and drawn.
  useEffect(() => {
    const element = wanted === undefined ? undefined : elements.current.get(wanted);
    element?.focus({ preventScroll: true });
  }, [wanted, seen]);
  const onKeyDown = (event: React.KeyboardEvent) => {
    const at = (event.target as HTMLElement).dataset.row;
    if (!at) {
      return;
    }
    if (event.key === " ") {
      event.preventDefault();
      onSelect(channelsOf([at]).reduce(toggled, selection));
      return;
    }
    const next = neighbour(shown.layout, columns, at, event.key);
    if (next && isPlain(event)) {
      event.preventDefault();
      reveal(next);
      setWanted(next);
      onFocus(next);
      if (event.shiftKey) {
        const [start] = channelsOf([at]);
        extend(selection.anchor || !start ? selection : all([start]), next);
      }
    }
  };
  useEffect(() => {
    const [first] = selection.picked;
    if (selection.picked.size === 1 && first) {
      reveal(shown.rowOf(first));
    }
  }, [selection, shown, reveal]);
  const lasso = useLasso(pane, geometry, (rows) => {
    onSelect(rows.length > 0 ? all(channelsOf(rows)) : nothing);
  });

  const focusable = focused && names.has(focused) ? focused : columns.flat()[0];
  const familyOf = (id: string) => facts.of(id)?.family ?? "neutral";
  const row = (at: Row, height: number) => {
    const about = facts.of(at.id);
    const column = columns[at.stage < 0 ? columns.length - 1 : at.stage] ?? [];
    return about ? (
      <FlowRow
        key={at.id}
        facts={about}
        x={at.x}
        y={at.y}
        width={at.width}
        height={height}
        place={column.indexOf(at.id) + 1}
        of={column.length}
        picked={isPicked(at.id)}
        dim={lit !== undefined && !lit.has(at.id)}
        {...((at.stage < 0 ? beside.band : beside.stages.get(at.stage)) ?? NOTHING_BESIDE)}
        focusable={at.id === focusable}
        onPoint={setPointed}
        onPick={pick}
        onFocus={onFocus}
        onFold={onFold}
        onDrag={drag}
        onDrop={drop}
        register={register}
      />
    ) : null;
  };
  useLayoutEffect(() => {
    if (geometry && pane.current && !placed.current) {
      placed.current = true;
      pane.current.scrollTop = start;
    }
  }, [geometry, pane, start]);
  const inSight = (top: number, bottom: number) =>
    bottom > seen - around && top < seen + size.height + around;
  const paths = useMemo(
    () =>
      (geometry?.paths ?? []).filter(
        (path) => path.bottom > seen - around && path.top < seen + size.height + around,
      ),
    [geometry, seen, size.height, around],
  );

  return (
    <RowMenu>
      <div
        role="listbox"
        tabIndex={-1}
        aria-label="Channels and files by stage"
        aria-multiselectable="true"
        className="grid min-h-0 grid-rows-[minmax(0,1fr)_auto]"
        onKeyDown={onKeyDown}
      >
        <div
          ref={pane}
          role="presentation"
          className="relative min-h-0 overflow-auto"
          onPointerDown={lasso.start}
          onScroll={(event) => {
            onScroll();
            keep(event.currentTarget.scrollTop);
            if (band.current) {
              band.current.scrollLeft = event.currentTarget.scrollLeft;
            }
          }}
        >
          {view.document.channels.length === 0 && (
            <p className="p-6 text-ink-2">
              This Mix has no channels yet. Add some with <kbd>A</kbd>: buses first, then the seats
              that are sent to them.
            </p>
          )}
          {geometry && (
            <div
              role="presentation"
              className="relative"
              style={{ height: geometry.height, minWidth: widthOf(geometry) }}
            >
              <Ribbons
                paths={paths}
                height={geometry.height}
                facts={view.facts}
                familyOf={familyOf}
                lit={lit}
              />
              {[...grouped(geometry.rows.values(), (one) => one.stage)].map(([stage, rows]) => (
                <div
                  key={stage}
                  role="group"
                  aria-label={`${geometry.columns[stage]?.name ?? ""}, ${rows.length}`}
                >
                  {rows
                    .filter((one) => inSight(one.y, one.y) || one.id === focusable)
                    .map((one) => row(one, geometry.rowHeight))}
                </div>
              ))}
              {drawnBrackets
                .filter((one) => inSight(one.top, one.bottom))
                .map((one) => (
                  <BracketMark key={one.id} bracket={one} onPick={(ids) => onSelect(all(ids))} />
                ))}
              <Heads geometry={geometry} />
              {lasso.box && (
                <div
                  className="pointer-events-none absolute border border-active bg-active-ground/40"
                  style={lasso.box}
                />
              )}
            </div>
          )}
        </div>
        {geometry && geometry.bandRows.length > 0 && (
          <div
            ref={band}
            role="presentation"
            className="relative box-content overflow-x-hidden overflow-y-auto border-t border-rule"
            style={{ height: geometry.bandHeight, maxHeight: size.total / 2 }}
          >
            <div
              role="presentation"
              className="relative"
              style={{ height: geometry.bandHeight, minWidth: widthOf(geometry) }}
            >
              <Ribbons
                paths={geometry.bandPaths}
                height={geometry.bandHeight}
                facts={view.facts}
                familyOf={familyOf}
                lit={lit}
              />
              <div
                className="absolute top-0 bg-ground pr-2 text-tiny text-ink-3"
                style={{ left: geometry.bandRows[0]?.x }}
              >
                <b className="font-semibold text-ink-2">Returns and parallels</b> ·{" "}
                {geometry.bandRows.length}
              </div>
              <div role="group" aria-label={`Returns and parallels, ${geometry.bandRows.length}`}>
                {geometry.bandRows.map((one) => row(one, 24))}
              </div>
            </div>
          </div>
        )}
      </div>
    </RowMenu>
  );
}

/** A tap picks, and picks another one too: there is no key to hold. */
function isTouch(event: React.MouseEvent): boolean {
  return event.type === "click" && (event.nativeEvent as PointerEvent).pointerType === "touch";
}

function widthOf(geometry: Geometry): number | string {
  const last = geometry.columns[geometry.columns.length - 1];
  return last ? last.x + last.width : "100%";
}

/** True when names can be measured: with the typeface there, or when it does not come in time. */
function useFonts(): boolean {
  const [ready, setReady] = useState(() => !("fonts" in document) || document.fonts.check(FONT));
  useEffect(() => {
    if (ready) {
      return;
    }
    let here = true;
    const done = () => {
      if (here) {
        forgetWidths();
        setReady(true);
      }
    };
    void document.fonts.load(FONT).then(done, done);
    const enough = setTimeout(done, FONT_MILLISECONDS);
    return () => {
      here = false;
      clearTimeout(enough);
    };
  }, [ready]);
  return ready;
}

const FONT = '13px "Archivo Variable"';
const FONT_MILLISECONDS = 1500;

interface Size {
  width: number;
  /** Of the columns' pane. */
  height: number;
  /** With the band. */
  total: number;
}

/** The pane of the columns: how large it is, and from where on it is seen. */
function usePane(): [React.RefObject<HTMLDivElement | null>, Size, number, () => void] {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<Size>({ width: 0, height: 0, total: 0 });
  const [seen, setSeen] = useState(0);
  useLayoutEffect(() => {
    const element = ref.current;
    const whole = element?.parentElement;
    if (!element || !whole) {
      return;
    }
    const observer = new ResizeObserver(() =>
      setSize((now) => {
        const next = {
          width: element.clientWidth,
          height: whole.clientHeight,
          total: whole.clientHeight,
        };
        return now.width === next.width && now.total === next.total ? now : next;
      }),
    );
    observer.observe(whole);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const onScroll = useCallback(() => {
    setSeen(Math.floor((ref.current?.scrollTop ?? 0) / STEP) * STEP);
  }, []);
  return [ref, size, seen, onScroll];
}

/** One value for the first frame, so that it comes soon, and another from then on. */
function useLater<T>(first: T, then: T): T {
  const [value, setValue] = useState(first);
  useEffect(() => {
    const later = setTimeout(() => startTransition(() => setValue(then)), 200);
    return () => clearTimeout(later);
  }, [then]);
  return value;
}

/** The former map for as long as a new one says the same. */
function useUnchanged(map: Map<string, string>): Map<string, string> {
  const [kept, setKept] = useState(map);
  const same =
    kept === map || (kept.size === map.size && [...map].every(([k, v]) => kept.get(k) === v));
  if (!same) {
    setKept(map);
  }
  return same ? kept : map;
}

/** Up and down in a column; left and right along the main ribbons. */
function neighbour(
  layout: FlowLayout,
  columns: string[][],
  at: string,
  key: string,
): string | undefined {
  const column = columns.find((ids) => ids.includes(at)) ?? [];
  const place = column.indexOf(at);
  const along = layout.ribbons.filter((ribbon) => ribbon.kind !== "key");
  const best = (ribbons: typeof along) => [...ribbons].sort((a, b) => b.channels - a.channels);
  switch (key) {
    case "ArrowDown":
      return column[place + 1];
    case "ArrowUp":
      return column[place - 1];
    case "Home":
      return column[0];
    case "End":
      return column[column.length - 1];
    case "ArrowRight": {
      const out = along.filter((ribbon) => ribbon.from === at);
      return (out.find((ribbon) => ribbon.kind === "output") ?? best(out)[0])?.to;
    }
    case "ArrowLeft": {
      const into = along.filter((ribbon) => ribbon.to === at);
      return (into.find((ribbon) => ribbon.kind === "output") ?? best(into)[0])?.from;
    }
    default:
      return undefined;
  }
}

/** The names of the stages; they stay while the columns scroll. */
function Heads({ geometry }: { geometry: Geometry }) {
  return (
    <div className="pointer-events-none sticky top-0 z-10 h-0" role="presentation">
      <div className="absolute inset-x-0 top-0 bg-ground/90" style={{ height: HEAD - 4 }}>
        {geometry.columns.map((column) => (
          <div
            key={column.name}
            className="absolute top-2 whitespace-nowrap text-tiny text-ink-3"
            style={{ left: column.x }}
          >
            <b className="font-semibold text-ink-2">{column.name}</b> · {column.count}
          </div>
        ))}
      </div>
    </div>
  );
}

interface BracketProps {
  bracket: Bracket;
  onPick: (ids: string[]) => void;
}

/** A control before the rows that it acts on; a click picks them. By keyboard: P. */
function BracketMark({ bracket, onPick }: BracketProps) {
  const { control, x, top, bottom, ticks } = bracket;
  const title = `${control.name}, control at ${db(control.gainDb)} dB over ${ticks.length} rows`;
  return (
    <div
      aria-hidden="true"
      {...hint(title)}
      data-control={control.id}
      className="absolute w-[9px] cursor-pointer"
      style={{ left: x - 4, top, height: bottom - top }}
      onClick={() => onPick(bracket.channels)}
    >
      <i className="absolute inset-y-0 left-[3px] w-[5px] rounded-l-[4px] border border-r-0 border-ink-3" />
      {ticks.map((y) => (
        <i key={y} className="absolute left-[4px] h-px w-[5px] bg-ink-3" style={{ top: y - top }} />
      ))}
      {bottom - top > 5.2 * control.name.length && (
        <span
          className="narrow absolute top-1/2 left-[-1px] bg-ground px-0.5 text-mark leading-none whitespace-nowrap text-ink-2"
          style={{ writingMode: "vertical-rl", transform: "translateY(-50%) rotate(180deg)" }}
        >
          {control.name}
        </span>
      )}
    </div>
  );
}
