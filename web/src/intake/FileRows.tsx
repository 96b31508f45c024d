import { memo } from "react";
import type { FileView } from "../api/client";
import { useKnowledge } from "../resources/knowledge";
import { hear } from "../player/player";
import { deliveredTrack } from "../player/tracks";
import { Mark } from "../ui/Mark";
import { signed, time } from "../ui/format";
import { useFileList } from "./fileList";
import { Waveform } from "./Waveform";
import { hint } from "../ui/hint";

interface Props {
  delivery: string;
  files: FileView[];
  current?: string;
  onCurrent: (id: string) => void;
  onCategory: () => void;
}

/** On a narrow page a file is three lines of two. */
const COLUMNS =
  "grid-cols-[minmax(150px,1.1fr)_132px_92px_186px_minmax(190px,1.25fr)_minmax(150px,1fr)] max-md:grid-cols-2";
const SHORT: Record<string, string> = { mono: "M", stereo: "St" };

/** One row a file: waveform, what it is, category with certainty, destination, what to know. */
export function FileRows({ delivery, files, current, onCurrent, onCategory }: Props) {
  const families = new Map(useKnowledge().data?.categories.map((one) => [one.path, one.family]));
  const { listProps, rowProps } = useFileList({
    files,
    current,
    onCurrent,
    onEnter: onCategory,
  });
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <svg aria-hidden="true" className="absolute size-0">
        <pattern id="cut-away" width="4" height="4" patternUnits="userSpaceOnUse">
          <rect width="4" height="4" fill="var(--ground)" fillOpacity="0.6" />
          <path d="M0 4L4 0" stroke="var(--ink-3)" strokeWidth="0.8" />
        </pattern>
      </svg>
      <div
        aria-hidden="true"
        className={`sticky top-0 grid ${COLUMNS} gap-3 border-b border-rule bg-ground px-4 py-1 text-tiny text-ink-3 max-md:hidden`}
      >
        <span>File</span>
        <span>Waveform</span>
        <span>Length, layout</span>
        <span>Category</span>
        <span>Goes to</span>
        <span>To know</span>
      </div>
      <div {...listProps} aria-label="Delivered files, what needs you first">
        {files.map((file) => (
          <div
            key={file.id}
            {...rowProps(file, (event) => hearFrom(event, delivery, file))}
            className={`grid ${COLUMNS} min-h-[26px] items-center [contain-intrinsic-size:auto_27px] [content-visibility:auto] gap-x-3 border-b border-rule-2 px-4 max-md:py-1 ${
              file.id === current ? "bg-active-ground shadow-[inset_2px_0_var(--active)]" : ""
            }`}
          >
            <span className="truncate" {...hint(file.name)}>
              {file.name.slice(file.name.lastIndexOf("/") + 1)}
            </span>
            {file.fault ? (
              <span className="col-span-5 py-1 text-wrong max-md:col-span-2">
                Refused: {file.fault}
              </span>
            ) : (
              <Taken file={file} family={families.get(file.category) ?? "neutral"} />
            )}
          </div>
        ))}
      </div>
    </div>
  );
}

/** A click in its waveform plays a file from there; by keyboard the player's own slider does. */
function hearFrom(event: React.MouseEvent, delivery: string, file: FileView) {
  const waveform = (event.target as Element).closest("[data-waveform]");
  const track = deliveredTrack(delivery, file);
  if (waveform && track?.seconds !== undefined) {
    const { left, width } = waveform.getBoundingClientRect();
    hear(track, ((event.clientX - left) / width) * track.seconds);
  }
}

/** Drawn anew only when its file changes, and not for every row that the keyboard moves by. */
const Taken = memo(function Taken({ file, family }: { file: FileView; family: string }) {
  const audio = file.audio;
  const { doubtful } = file;
  const toKnow = audio
    ? [...audio.notes, ...(doubtful ? file.because : [])].join("; ")
    : "being measured";
  return (
    <>
      {audio ? (
        <Waveform
          overview={audio.overview}
          file={file.id}
          seconds={audio.seconds}
          cuts={audio.cuts}
        />
      ) : (
        <span />
      )}
      <span className="whitespace-nowrap text-ink-2">
        {audio && time(audio.seconds)} {audio && (SHORT[audio.layout] ?? audio.layout)}{" "}
        <span className="text-tiny">
          {audio?.integratedLufs === undefined ? "" : `${signed(audio.integratedLufs)}`}
        </span>
      </span>
      <span className="flex min-w-0 items-center gap-1.5" {...hint(file.because.join("; "))}>
        <Mark family={family} />
        <span className={`narrow min-w-0 truncate ${doubtful ? "font-semibold text-active" : ""}`}>
          {file.category}
        </span>
        <span className="ml-auto whitespace-nowrap text-tiny text-ink-3">
          {file.sortedByHand ? "by you" : `${Math.round(file.confidence * 100)} %`}
        </span>
      </span>
      <Destination file={file} />
      <span className="narrow truncate text-small text-ink-2" {...hint(toKnow)}>
        {toKnow}
      </span>
    </>
  );
});

function Destination({ file }: { file: FileView }) {
  const { place, seatedOn } = file;
  if (seatedOn) {
    return <span className="truncate text-ink-2">seated on {seatedOn}</span>;
  }
  if (!place) {
    return <span />;
  }
  if (place.act === "left out") {
    return (
      <span className="truncate text-ink-2" {...hint(place.because)}>
        left out: {place.because}
      </span>
    );
  }
  return (
    <span className="truncate" {...hint(place.because)}>
      {place.act === "adds" && <b className="font-semibold text-active">new </b>}
      {place.act === "replaces" && <b className="font-semibold text-active">new version on </b>}
      {place.seatName}
      {place.destinationName && <span className="text-ink-2"> → {place.destinationName}</span>}
      {place.act === "reference" && <span className="text-ink-2"> · to compare</span>}
    </span>
  );
}
