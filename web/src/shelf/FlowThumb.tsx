import type { FlowSketch } from "../api/client";
import { familyColour } from "../ui/colour";

const WIDTH = 132;
const HEIGHT = 54;
const BLOCK = 9;
const MOST_PER_ROW = 6;

/** The Flow at the size of a stamp: blocks of rows by stage, and what goes where. */
export function FlowThumb({ sketch }: { sketch: FlowSketch }) {
  const { columns, ties } = sketch;
  if (columns.every((blocks) => blocks.length === 0)) {
    return <svg width={WIDTH} height={HEIGHT} aria-hidden="true" />;
  }
  const places = columns.map((blocks, column) => stack(blocks, leftOf(column, columns.length)));
  return (
    <svg width={WIDTH} height={HEIGHT} aria-hidden="true">
      {ties.map((tie) => {
        const from = places[tie.fromColumn]?.[tie.fromBlock];
        const to = places[tie.toColumn]?.[tie.toBlock];
        if (!from || !to) {
          return null;
        }
        const half = (from.x + BLOCK + to.x) / 2;
        const y = [from.y + from.height / 2, to.y + to.height / 2];
        return (
          <path
            key={`${tie.fromColumn} ${tie.fromBlock} ${tie.toColumn} ${tie.toBlock}`}
            d={`M${from.x + BLOCK} ${y[0]}C${half} ${y[0]} ${half} ${y[1]} ${to.x} ${y[1]}`}
            fill="none"
            stroke={familyColour(from.colour)}
            strokeOpacity={0.55}
            strokeWidth={Math.max(0.75, Math.min(from.height, to.height) / 3)}
          />
        );
      })}
      {places.flat().map((block) => (
        <rect
          key={`${block.x} ${block.y}`}
          x={block.x}
          y={block.y}
          width={BLOCK}
          height={Math.max(1, block.height - 1)}
          fill={familyColour(block.colour)}
        />
      ))}
    </svg>
  );
}

interface Placed {
  x: number;
  y: number;
  height: number;
  colour: string;
}

function leftOf(column: number, columns: number): number {
  return columns === 1 ? 0 : (column * (WIDTH - BLOCK)) / (columns - 1);
}

/** Blocks from the top down, each as high as its rows, and all of them no higher than the stamp. */
function stack(blocks: { colour: string; rows: number }[], x: number): Placed[] {
  const rows = blocks.reduce((sum, block) => sum + block.rows, 0);
  const unit = Math.min(MOST_PER_ROW, HEIGHT / Math.max(rows, 1));
  let y = (HEIGHT - rows * unit) / 2;
  return blocks.map((block) => {
    const placed = { x, y, height: block.rows * unit, colour: block.colour };
    y += placed.height;
    return placed;
  });
}
