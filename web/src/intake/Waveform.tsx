import { memo } from "react";

/** The overview of a file: magnitudes 0 to 255, mirrored. */
export const Waveform = memo(function Waveform({ overview }: { overview: number[] }) {
  const width = 132;
  const height = 18;
  const step = overview.length / width;
  let d = "";
  for (let x = 0; x < width; x++) {
    const from = Math.floor(x * step);
    const most = Math.max(
      0,
      ...overview.slice(from, Math.max(from + 1, Math.floor((x + 1) * step))),
    );
    // Quiet passages stay visible: the square root of the magnitude is drawn.
    const half = Math.max(0.4, Math.sqrt(most / 255) * (height / 2));
    d += `M${x + 0.5} ${(height / 2 - half).toFixed(1)}v${(2 * half).toFixed(1)}`;
  }
  return (
    <svg aria-hidden="true" width={width} height={height} className="shrink-0">
      <path d={d} stroke="var(--ink-2)" strokeWidth="1" />
    </svg>
  );
});
