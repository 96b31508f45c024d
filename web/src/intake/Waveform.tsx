import { memo } from "react";
import type { Cut } from "../api/client";
import { usePlayhead } from "../player/player";
import { hint } from "../ui/hint";

const WIDTH = 132;
const HEIGHT = 18;

interface Props {
  /** Magnitudes 0 to 255. */
  overview: number[];
  /** The id of the file, by which it is heard. */
  file: string;
  seconds: number;
  /** What goes when it is seated, in seconds. */
  cuts: Cut[];
}

/** The overview of a file, mirrored; while it is heard, a line stands where. */
export const Waveform = memo(function Waveform({ overview, file, seconds, cuts }: Props) {
  const step = overview.length / WIDTH;
  let d = "";
  for (let x = 0; x < WIDTH; x++) {
    const from = Math.floor(x * step);
    const most = Math.max(
      0,
      ...overview.slice(from, Math.max(from + 1, Math.floor((x + 1) * step))),
    );
    // Quiet passages stay visible: the square root of the magnitude is drawn.
    const half = Math.max(0.4, Math.sqrt(most / 255) * (HEIGHT / 2));
    d += `M${x + 0.5} ${(HEIGHT / 2 - half).toFixed(1)}v${(2 * half).toFixed(1)}`;
  }
  return (
    <svg
      aria-hidden="true"
      data-waveform
      {...hint("Hear it from here", "q")}
      width={WIDTH}
      height={HEIGHT}
      className="shrink-0 cursor-pointer"
    >
      <rect width={WIDTH} height={HEIGHT} fill="transparent" />
      {cuts.map((cut) => (
        <rect
          key={cut.from}
          data-cut
          x={(cut.from / seconds) * WIDTH}
          width={((cut.to - cut.from) / seconds) * WIDTH}
          height={HEIGHT}
          fill="url(#cut-away)"
        />
      ))}
      <path d={d} stroke="var(--ink-2)" strokeWidth="1" />
      <Playhead file={file} seconds={seconds} />
    </svg>
  );
});

/** Apart from the waveform, which is not drawn anew as it moves. */
function Playhead({ file, seconds }: Omit<Props, "overview" | "cuts">) {
  const at = usePlayhead(file);
  return at === undefined ? null : (
    <rect x={(at / seconds) * WIDTH - 1} width={2} height={HEIGHT} fill="var(--active)" />
  );
}
