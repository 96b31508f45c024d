import { time } from "../ui/format";
import { hint } from "../ui/hint";
import { Toggle } from "../ui/Toggle";
import { hear, putAway, seek, toggleEqual, usePlaying } from "./player";

/** What is heard, at the foot of every place. */
export function PlayerBar() {
  const { track, playing, at, seconds, equal } = usePlaying();
  if (!track) {
    return null;
  }
  return (
    <section
      aria-label="Player"
      className="flex min-w-0 items-center gap-4 overflow-x-auto border-t border-rule bg-raised px-4 py-1 text-small"
    >
      <button
        className="min-h-6 min-w-14 shrink-0 border border-active px-2 text-active"
        {...hint(playing ? "Stop here" : "Go on", "q")}
        onClick={() => hear(track)}
      >
        {playing ? "Pause" : "Play"}
      </button>
      <span className="min-w-24 shrink truncate" {...hint(track.title)}>
        <bdi>{track.title}</bdi>
      </span>
      <span className="shrink-0 text-ink-2 tabular-nums">
        {time(at)} of {time(seconds)}
      </span>
      <input
        type="range"
        aria-label="Where it plays"
        aria-valuetext={`${time(at)} of ${time(seconds)}`}
        className="h-6 min-w-24 flex-1 accent-active"
        min={0}
        max={Math.max(seconds, at)}
        step={1}
        value={at}
        onChange={(event) => seek(Number(event.target.value))}
      />
      <span
        className="shrink-0"
        {...hint("Turns louder files down to −24 LUFS; quieter ones stay as they are", "shift+q")}
      >
        <Toggle label="Equally loud" on={equal} onChange={toggleEqual} />
      </span>
      <button className="min-h-6 shrink-0 text-ink-2 underline" onClick={putAway}>
        Put away
      </button>
    </section>
  );
}
