import type { EffectMove } from "../api/client";

const WIDTH = 340;
const NAMES = 118;
const LEAST = 3;
const GAP = 8;
const ROW = 22;

interface Side {
  name: string;
  count: number;
  y: number;
  height: number;
}

/** One side of the picture, each place as high as what leaves or reaches it. */
function sideOf(moves: readonly EffectMove[], of: (move: EffectMove) => string, each: number) {
  const places = new Map<string, Side>();
  for (const move of moves) {
    const name = of(move) || "nowhere";
    const side = places.get(name) ?? { name, count: 0, y: 0, height: 0 };
    side.count += move.channels.length;
    places.set(name, side);
  }
  let y = 0;
  for (const side of places.values()) {
    side.height = Math.max(ROW, side.count * each);
    side.y = y;
    y += side.height + GAP;
  }
  return { places, height: Math.max(0, y - GAP) };
}

/** From where to where channels go, as ribbons that are as wide as there are channels in them. */
export function Moves({ moves }: { moves: readonly EffectMove[] }) {
  const total = moves.reduce((sum, move) => sum + move.channels.length, 0);
  const each = Math.max(1.2, Math.min(8, 150 / Math.max(1, total)));
  const from = sideOf(moves, (move) => move.from, each);
  const to = sideOf(moves, (move) => move.to, each);
  const height = Math.max(from.height, to.height);
  const left = new Map<string, number>();
  const right = new Map<string, number>();
  const says = moves
    .map(
      (move) => `${move.channels.length} from ${move.from || "nowhere"} to ${move.to || "nowhere"}`,
    )
    .join(", ");
  const middle = (side: Side) => side.y + side.height / 2;
  return (
    <svg
      role="img"
      aria-label={`Channels that move: ${says}`}
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="block w-full max-w-[340px]"
    >
      {moves.map((move) => {
        const a = from.places.get(move.from || "nowhere");
        const b = to.places.get(move.to || "nowhere");
        if (!a || !b) {
          return null;
        }
        const wide = Math.max(LEAST, move.channels.length * each);
        const start = (left.get(a.name) ?? 0) + middle(a) - Math.max(LEAST, a.count * each) / 2;
        const end = (right.get(b.name) ?? 0) + middle(b) - Math.max(LEAST, b.count * each) / 2;
        left.set(a.name, (left.get(a.name) ?? 0) + move.channels.length * each);
        right.set(b.name, (right.get(b.name) ?? 0) + move.channels.length * each);
        const y1 = start + wide / 2;
        const y2 = end + wide / 2;
        const x1 = NAMES + 6;
        const x2 = WIDTH - NAMES - 6;
        const bend = (x2 - x1) / 2;
        return (
          <g key={`${move.from}\n${move.to}`}>
            <path
              d={`M ${x1} ${y1} C ${x1 + bend} ${y1}, ${x2 - bend} ${y2}, ${x2} ${y2}`}
              fill="none"
              stroke="var(--active)"
              strokeOpacity={0.45}
              strokeWidth={wide}
            />
            <text
              x={(x1 + x2) / 2}
              y={(y1 + y2) / 2 + 4}
              textAnchor="middle"
              className="fill-ink text-small font-semibold"
            >
              {move.channels.length}
            </text>
          </g>
        );
      })}
      <Names side={from.places} x={NAMES} anchor="end" />
      <Names side={to.places} x={WIDTH - NAMES} anchor="start" />
    </svg>
  );
}

const LONGEST = 18;

function Names({
  side,
  x,
  anchor,
}: {
  side: Map<string, Side>;
  x: number;
  anchor: "start" | "end";
}) {
  return [...side.values()].map((place) => (
    <text
      key={place.name}
      x={x}
      y={place.y + place.height / 2 + 4}
      textAnchor={anchor}
      className="fill-ink text-small"
    >
      <title>{place.name}</title>
      {place.name.length > LONGEST ? `${place.name.slice(0, LONGEST - 1)}…` : place.name}
    </text>
  ));
}
