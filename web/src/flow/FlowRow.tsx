import { memo } from "react";
import { Mark, type Shape } from "../ui/Mark";

export interface RowFacts {
  id: string;
  name: string;
  family: string;
  shape: Shape;
  layout: string;
  /** A short value at the right end, such as the fader. */
  value?: string;
  muted?: boolean;
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
  focusable: boolean;
  onPoint: (id: string | undefined) => void;
  onPick: (id: string, event: React.MouseEvent) => void;
  onFocus: (id: string) => void;
  onFold: (bus: string) => void;
  register: (id: string, element: HTMLElement | null) => void;
}

/** The type's narrowest width, percent. */
const NARROWEST = 62;

/** Pixels of a row that the name cannot have. */
const BESIDE_ALL = 92;
const BESIDE_LAYOUT = 52;
const BESIDE_MARK = 30;

/** One channel or file: mark, name, layout, value. The name gets narrower before it is cut. */
export const FlowRow = memo(function FlowRow(props: Props) {
  const { facts, x, y, width, height, picked, dim } = props;
  const length = facts.name.length;
  const strong = facts.shape === "bus" || facts.shape === "master";
  const stretchBeside = (taken: number) => ((width - taken) / (strong ? 7.3 : 6.9) / length) * 100;
  // The name comes first: level and layout give way to it, and stay in the row's title.
  const value = facts.value !== undefined && stretchBeside(BESIDE_ALL) >= NARROWEST;
  const layout = value || stretchBeside(BESIDE_LAYOUT) >= NARROWEST;
  const taken = value ? BESIDE_ALL : layout ? BESIDE_LAYOUT : BESIDE_MARK;
  const stretch = Math.max(NARROWEST, Math.min(100, stretchBeside(taken)));
  return (
    <div
      ref={(element) => props.register(facts.id, element)}
      role="option"
      aria-selected={picked}
      aria-label={facts.title}
      aria-posinset={props.place}
      aria-setsize={props.of}
      title={facts.title}
      tabIndex={props.focusable ? 0 : -1}
      data-row={facts.id}
      className={`absolute flex items-center gap-1.5 border-b border-rule-2 pr-1 select-none ${
        picked ? "bg-active-ground shadow-[inset_2px_0_var(--active)]" : ""
      }`}
      style={{ left: x, top: y - height / 2, width, height, opacity: dim ? 0.5 : 1 }}
      onMouseEnter={() => props.onPoint(facts.id)}
      onMouseLeave={() => props.onPoint(undefined)}
      onClick={(event) => props.onPick(facts.id, event)}
      onDoubleClick={() => facts.folds !== undefined && props.onFold(facts.folds)}
      onKeyDown={() => undefined}
      onFocus={() => props.onFocus(facts.id)}
    >
      <Mark family={facts.family} shape={facts.shape} />
      <span
        className={`min-w-0 flex-1 overflow-hidden whitespace-nowrap ${strong ? "font-semibold" : ""} ${
          facts.shape === "free" ? "text-ink-2" : ""
        } ${height < 20 ? "text-small" : ""} ${facts.muted ? "line-through decoration-ink-2" : ""}`}
        style={{ fontStretch: `${stretch}%` }}
      >
        {facts.name}
      </span>
      {layout && (
        <span className="narrow w-4 shrink-0 text-right text-mark text-ink-3">{facts.layout}</span>
      )}
      {value && <span className="w-8 shrink-0 text-right text-tiny text-ink-2">{facts.value}</span>}
    </div>
  );
}, same);

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
