import { scaleLinear, scaleLog } from "d3-scale";
import { line } from "d3-shape";
import { useId } from "react";
import type { ChainPictures } from "../api/client";

type Picture = ChainPictures["each"][string];
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
}

/** A processor's picture, with its axes. */
export default function Curve({ label, picture }: Props) {
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
      <text x={WIDTH - RIGHT} y={TOP - 5} textAnchor="end" fontSize="8" fill="var(--ink-2)">
        {`${picture.y.unit} over ${picture.x.unit}`}
        {picture.lines.length > 1 && `: ${picture.lines.map((one) => one.label).join(", then ")}`}
      </text>
    </svg>
  );
}

function scaleOf(axis: Axis) {
  return (axis.scale === "LOGARITHMIC" ? scaleLog() : scaleLinear()).domain([axis.from, axis.to]);
}

/** Decades where ratios are even, else a handful of round numbers. */
function ticksOf(axis: Axis): number[] {
  return axis.scale === "LOGARITHMIC"
    ? [100, 1_000, 10_000].filter((tick) => tick >= axis.from && tick <= axis.to)
    : scaleLinear().domain([axis.from, axis.to]).ticks(4);
}

function short(tick: number): string {
  return (tick >= 1_000 ? `${tick / 1_000}k` : String(tick)).replace("-", "−");
}
