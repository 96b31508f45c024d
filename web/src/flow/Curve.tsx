import { scaleLinear, scaleLog } from "d3-scale";
import { line } from "d3-shape";
import { useId, useState, type PointerEvent } from "react";
import type { ChainPictures, Knowledge } from "../api/client";
import { hint } from "../ui/hint";

type Picture = ChainPictures["each"][string];
type Parameter = Knowledge["processors"][number]["parameters"][number];
type Axis = Picture["x"];
type Point = Picture["lines"][number]["points"][number];

const WIDTH = 240;
const HEIGHT = 126;
const LEFT = 26;
const BOTTOM = 14;
const TOP = 15;
const RIGHT = 6;

interface Props {
  /** What is drawn, for whoever does not see it. */
  label: string;
  picture: Picture;
  /** What can be set on the processor; nothing where the picture cannot be taken hold of. */
  parameters?: Parameter[];
  onSet?: (settings: Record<string, number>) => Promise<unknown>;
}

/** A processor's picture, with its axes. */
export default function Curve({ label, picture, parameters = [], onSet }: Props) {
  const within = useId();
  const x = scaleOf(picture.x).range([LEFT, WIDTH - RIGHT]);
  const y = scaleOf(picture.y).range([HEIGHT - BOTTOM, TOP]);
  const path = line<Point>()
    .x((point) => x(point.x))
    .y((point) => y(point.y));
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="my-1 w-full max-w-[420px] bg-ground"
    >
      {ticksOf(picture.x).map((tick) => (
        <g key={tick}>
          <path d={`M${x(tick)} ${TOP}V${HEIGHT - BOTTOM}`} stroke="var(--rule-2)" />
          <text x={x(tick)} y={HEIGHT - 4} textAnchor="middle" fontSize="8" fill="var(--ink-2)">
            {short(tick)}
          </text>
        </g>
      ))}
      {ticksOf(picture.y).map((tick) => (
        <g key={tick}>
          <path d={`M${LEFT} ${y(tick)}H${WIDTH - RIGHT}`} stroke="var(--rule-2)" />
          <text x={LEFT - 4} y={y(tick) + 3} textAnchor="end" fontSize="8" fill="var(--ink-2)">
            {short(tick)}
          </text>
        </g>
      ))}
      <clipPath id={within}>
        <rect x={LEFT} y={TOP} width={WIDTH - LEFT - RIGHT} height={HEIGHT - BOTTOM - TOP} />
      </clipPath>
      <g clipPath={`url(#${within})`}>
        {picture.lines.map((one, i) => (
          <path
            key={one.label}
            d={
              picture.stems
                ? one.points
                    .map((point) => `M${x(point.x)} ${y(picture.y.from)}V${y(point.y)}`)
                    .join("")
                : (path(one.points) ?? "")
            }
            fill="none"
            stroke="var(--active)"
            strokeWidth="1.5"
            strokeDasharray={i > 0 ? "3 2" : undefined}
          />
        ))}
      </g>
      {onSet &&
        picture.handles.map((handle) => (
          <Hold
            key={handle.label}
            handle={handle}
            at={{ x: x(handle.x), y: y(handle.y) }}
            settingsAt={(left, top) => ({
              ...settled(parameters, handle.xParameter, x.invert(left)),
              ...settled(parameters, handle.yParameter, y.invert(top)),
            })}
            onSet={onSet}
          />
        ))}
      <text x={WIDTH - RIGHT} y={TOP - 5} textAnchor="end" fontSize="8" fill="var(--ink-2)">
        {`${named(picture.y)} over ${named(picture.x)}`}
        {picture.lines.length > 1 && `: ${picture.lines.map((one) => one.label).join(", then ")}`}
      </text>
    </svg>
  );
}

interface HoldProps {
  handle: Picture["handles"][number];
  /** Where it stands, in units of the picture. */
  at: Point;
  settingsAt: (left: number, top: number) => Record<string, number>;
  onSet: (settings: Record<string, number>) => Promise<unknown>;
}

/** A dot that is dragged, and set where it is let go. By keyboard, the fields below do the same. */
function Hold({ handle, at, settingsAt, onSet }: HoldProps) {
  const [dragged, setDragged] = useState<Point>();
  const shown = dragged ?? at;
  const pointed = (event: PointerEvent<SVGCircleElement>): Point => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    const scale = box && box.width > 0 ? WIDTH / box.width : 1;
    const left = box ? (event.clientX - box.left) * scale : at.x;
    const top = box ? (event.clientY - box.top) * scale : at.y;
    return {
      x: handle.xParameter === undefined ? at.x : Math.max(LEFT, Math.min(WIDTH - RIGHT, left)),
      y: handle.yParameter === undefined ? at.y : Math.max(TOP, Math.min(HEIGHT - BOTTOM, top)),
    };
  };
  return (
    <circle
      data-handle={handle.label}
      cx={shown.x}
      cy={shown.y}
      r={4.5}
      fill={dragged ? "var(--active)" : "var(--ground)"}
      stroke="var(--active)"
      className="cursor-move touch-none"
      {...hint(`Drag: ${handle.label.replaceAll("-", " ")}`)}
      onPointerDown={(event) => {
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        setDragged(at);
      }}
      onPointerMove={(event) => dragged && setDragged(pointed(event))}
      onPointerUp={(event) => {
        if (dragged) {
          const to = pointed(event);
          // It stays where it was let go until the picture of the new settings comes.
          void onSet(settingsAt(to.x, to.y)).finally(() => setDragged(undefined));
        }
      }}
      onPointerCancel={() => setDragged(undefined)}
    />
  );
}

/** A setting as near to a place in the picture as it can be: in its range, to three digits. */
function settled(parameters: Parameter[], id: string | undefined, value: number) {
  const parameter = parameters.find((one) => one.id === id);
  return parameter
    ? {
        [parameter.id]: Math.max(
          parameter.smallest,
          Math.min(parameter.most, Number(value.toPrecision(3))),
        ),
      }
    : {};
}

function scaleOf(axis: Axis) {
  return (axis.scale === "LOGARITHMIC" ? scaleLog() : scaleLinear()).domain([axis.from, axis.to]);
}

const named = (axis: Axis) => `${axis.label} in ${axis.unit}`;

/** Decades where ratios are even, else a handful of round numbers. */
function ticksOf(axis: Axis): number[] {
  return axis.scale === "LOGARITHMIC"
    ? [100, 1_000, 10_000].filter((tick) => tick >= axis.from && tick <= axis.to)
    : scaleLinear().domain([axis.from, axis.to]).ticks(4);
}

function short(tick: number): string {
  return (tick >= 1_000 ? `${tick / 1_000}k` : String(tick)).replace("-", "−");
}
