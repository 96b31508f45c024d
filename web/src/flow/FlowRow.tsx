import { memo, useState } from "react";
import { Mark, type Shape } from "../ui/Mark";
import { BESIDE_NAME } from "./geometry";
import { nameWidth, stretchFor } from "./names";
import { hint } from "../ui/hint";

export interface RowFacts {
  id: string;
  name: string;
  family: string;
  shape: Shape;
  layout: string;
  /** A short value at the right end, such as the fader. */
  value?: string;
  muted?: boolean;
  /** True if something of it is an exception from the category map. */
  pinned?: boolean;
  /** True if others can be sent to it. */
  takes?: boolean;
  /** The bus whose group a double click folds or unfolds. */
  folds?: string;
  title: string;
}

interface Props {
  facts: RowFacts;
  x: number;
  y: number;
  width: number;
  height: number;
  /** Its place among all of its column, of which not all are drawn. */
  place: number;
  of: number;
  picked: boolean;
  dim: boolean;
  /** Whether layouts and values stand in its column. */
  layout: boolean;
  value: boolean;
  focusable: boolean;
  onPoint: (id: string | undefined) => void;
  onPick: (id: string, event: React.MouseEvent) => void;
  onFocus: (id: string) => void;
  onFold: (bus: string) => void;
  onDrag: (id: string, event: React.DragEvent) => void;
  /** Something was dragged onto it; only rows that can be sent to take it. */
  onDrop: (id: string) => void;
  register: (id: string, element: HTMLElement | null) => void;
}

/** Pixels that figures take beside a name. */
const LAYOUT = 22;
const VALUE = 38;

/** What can be dragged onto what it shall be sent to. */
const DRAGGED: Shape[] = ["seat", "free", "bus", "return", "fold"];

/** What a column has room for beside its names: for all of its rows, or for none. */
export interface Beside {
  layout: boolean;
  value: boolean;
}

/** What fits beside all of these names, in a column of that width. */
export function besideOf(names: { name: string; strong: boolean }[], width: number): Beside {
  const room =
    width -
    BESIDE_NAME -
    Math.max(0, ...names.map(({ name, strong }) => nameWidth(name, strong).narrowest));
  return { layout: room >= LAYOUT, value: room >= LAYOUT + VALUE };
}

/** One channel or file: mark, name, layout, value. The name gets narrower before it is cut. */
export const FlowRow = memo(function FlowRow(props: Props) {
  const { facts, x, y, width, height, picked, dim, layout, value } = props;
  const strong = isStrong(facts);
  const small = height < 20;
  const [over, setOver] = useState(false);
  const takes = facts.takes === true;
  const room = width - BESIDE_NAME - (layout ? LAYOUT : 0) - (value ? VALUE : 0);
  const stretch = stretchFor(nameWidth(facts.name, strong, small ? "small" : "row"), room);
  return (
    <div
      ref={(element) => props.register(facts.id, element)}
      role="option"
      aria-selected={picked}
      aria-label={facts.title}
      aria-posinset={props.place}
      aria-setsize={props.of}
      {...hint(facts.title)}
      tabIndex={props.focusable ? 0 : -1}
      data-row={facts.id}
      className={`absolute flex items-center gap-1.5 border-b border-rule-2 pr-1 select-none ${
        picked ? "bg-active-ground shadow-[inset_2px_0_var(--active)]" : ""
      } ${over ? "outline-2 outline-active" : ""}`}
      style={{ left: x, top: y - height / 2, width, height }}
      draggable={DRAGGED.includes(facts.shape)}
      onDragStart={(event) => props.onDrag(facts.id, event)}
      onDragOver={(event) => {
        if (takes) {
          event.preventDefault();
          setOver(true);
        }
      }}
      onDragLeave={() => setOver(false)}
      onDrop={() => {
        setOver(false);
        props.onDrop(facts.id);
      }}
      onContextMenu={(event) => !picked && props.onPick(facts.id, event)}
      onMouseEnter={() => props.onPoint(facts.id)}
      onMouseLeave={() => props.onPoint(undefined)}
      onClick={(event) => props.onPick(facts.id, event)}
      onDoubleClick={() => facts.folds !== undefined && props.onFold(facts.folds)}
      onKeyDown={() => undefined}
      onFocus={() => props.onFocus(facts.id)}
    >
      <span className={dim ? "receding" : "contents"}>
        <Mark family={facts.family} shape={facts.shape} />
      </span>
      <bdi
        className={`min-w-0 flex-1 overflow-hidden text-ellipsis whitespace-nowrap ${dim ? "text-ink-3" : ""} ${strong ? "font-semibold" : ""} ${
          facts.shape === "free" ? "text-ink-2" : ""
        } ${small ? "text-small" : ""} ${facts.muted ? "line-through decoration-ink-2" : ""}`}
        style={{ fontStretch: `${stretch}%` }}
      >
        {facts.name}
      </bdi>
      {facts.pinned && (
        <span aria-hidden="true" className="size-1.5 shrink-0 rotate-45 bg-active" />
      )}
      {layout && (
        <span className="narrow w-4 shrink-0 text-right text-mark text-ink-3">{facts.layout}</span>
      )}
      {value && <span className="w-8 shrink-0 text-right text-tiny text-ink-2">{facts.value}</span>}
    </div>
  );
}, same);

export function isStrong(facts: Pick<RowFacts, "shape">): boolean {
  return facts.shape === "bus" || facts.shape === "master";
}

/** Facts are told anew at each edit, mostly the same ones. */
function same(before: Props, after: Props): boolean {
  return (Object.keys(after) as (keyof Props)[]).every((key) =>
    key === "facts"
      ? (Object.keys({ ...before.facts, ...after.facts }) as (keyof RowFacts)[]).every(
          (fact) => before.facts[fact] === after.facts[fact],
        )
      : before[key] === after[key],
  );
}
