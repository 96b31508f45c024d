import { useMemo, useState } from "react";
import type { DeliveryView, FileView, SeatView } from "../api/client";
import { useKnowledge } from "../resources/knowledge";
import { familyColour } from "../ui/colour";
import { plural } from "../ui/format";
import { Mark } from "../ui/Mark";
import { OUT, planRows, type PlanRows } from "./planRows";
import { useFileList } from "./fileList";
import { hint } from "../ui/hint";

interface Props {
  delivery: DeliveryView;
  current?: string;
  onCurrent: (id: string) => void;
  /** Asks where the current file is to go. */
  onChoose: () => void;
  /** A file was dropped on a seat, or on what stays out. */
  onDrop: (file: string, target: string) => void;
}

const ROW = 26;
const GRID = "grid-cols-[minmax(300px,1fr)_minmax(120px,0.55fr)_minmax(400px,1.25fr)]";

/** The delivery at the left, the seats at the right, and between them where each file goes. */
export function SeatingPlan({ delivery, current, onCurrent, onChoose, onDrop }: Props) {
  const [all, setAll] = useState(false);
  const rows = useMemo(() => planRows(delivery, all), [delivery, all]);
  const families = useFamilies();
  const [over, setOver] = useState<string>();
  const at = rows.ribbons.find((ribbon) => ribbon.file.id === current);
  const height = ROW * Math.max(rows.files.length, rows.seats.length + 2);
  const dropOn = (target: string) => ({
    onDragOver: (event: React.DragEvent) => {
      if (event.dataTransfer.types.includes(FILE_TYPE)) {
        event.preventDefault();
        event.stopPropagation();
        setOver(target);
      }
    },
    onDragLeave: () => setOver(undefined),
    onDrop: (event: React.DragEvent) => {
      const file = event.dataTransfer.getData(FILE_TYPE);
      setOver(undefined);
      if (file) {
        event.preventDefault();
        event.stopPropagation();
        onDrop(file, target);
      }
    },
  });
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div
        aria-hidden="true"
        className={`sticky top-0 z-10 grid min-w-[860px] ${GRID} border-b border-rule bg-ground px-4 py-1 text-tiny text-ink-3`}
      >
        <span>Delivered</span>
        <span />
        <span className="flex justify-between">
          <span>Seat; in grey, what it is called now</span>
          <span>Feeds</span>
        </span>
      </div>
      <div className={`grid min-w-[860px] ${GRID} px-4`} style={{ height }}>
        <Files
          rows={rows}
          families={families}
          current={current}
          onCurrent={onCurrent}
          onChoose={onChoose}
        />
        <Ribbons rows={rows} families={families} height={height} current={current} />
        <ul aria-label="Seats as the plan leaves them">
          {rows.seats.map((seat, i) => (
            <li
              key={seat.id}
              data-seat={seat.id}
              {...(seat.free ? dropOn(seat.id) : {})}
              className={rowLook(at?.to === i, over === seat.id)}
            >
              <Seat seat={seat} family={families.get(seat.category) ?? "neutral"} />
            </li>
          ))}
          <li
            data-seat={OUT}
            {...dropOn(OUT)}
            className={rowLook(at?.to === rows.seats.length, over === OUT)}
          >
            <span className="text-ink-2">Stays out</span>
          </li>
          {(rows.folded.length > 0 || all) && (
            <li className={rowLook(false, false)}>
              <button
                className="text-small text-ink-2 underline underline-offset-2"
                onClick={() => setAll(!all)}
              >
                {all ? "Only seats that the plan touches" : untouched(rows.folded)}
              </button>
            </li>
          )}
        </ul>
      </div>
    </div>
  );
}

function untouched(seats: SeatView[]): string {
  const holding = seats.filter((seat) => seat.state === "holds").length;
  const stowed = seats.length - holding;
  const parts = [
    ...(holding > 0 ? [`${plural(holding, "seat")} with audio`] : []),
    ...(stowed > 0 ? [`${plural(stowed, "stowed seat")}`] : []),
  ];
  return `Show ${parts.join(" and ")} that stay as they are`;
}

const FILE_TYPE = "application/x-drevik-file";

function rowLook(lit: boolean, over: boolean): string {
  const ground = over
    ? "bg-active-ground outline outline-active -outline-offset-1"
    : lit
      ? "bg-active-ground"
      : "";
  return `flex h-[26px] items-center gap-2 border-b border-rule-2 px-2 ${ground}`;
}

function useFamilies(): Map<string, string> {
  const knowledge = useKnowledge().data;
  return useMemo(
    () => new Map(knowledge?.categories.map((one) => [one.path, one.family])),
    [knowledge],
  );
}

interface FilesProps {
  rows: PlanRows;
  families: Map<string, string>;
  current?: string;
  onCurrent: (id: string) => void;
  onChoose: () => void;
}

function Files({ rows, families, current, onCurrent, onChoose }: FilesProps) {
  const { files } = rows;
  const shown = files.some((file) => file.id === current) ? current : files[0]?.id;
  const { listProps, rowProps } = useFileList({
    files,
    current: shown,
    onCurrent,
    onEnter: onChoose,
  });
  return (
    <div {...listProps} aria-label="Delivered files in the order of their seats">
      {files.map((file) => (
        <div
          key={file.id}
          {...rowProps(file)}
          draggable
          className={`${rowLook(file.id === shown, false)} cursor-grab`}
          onDragStart={(event) => {
            event.dataTransfer.setData(FILE_TYPE, file.id);
            event.dataTransfer.effectAllowed = "move";
          }}
        >
          <Mark family={families.get(file.category) ?? "neutral"} />
          <span className="min-w-0 flex-1 truncate" {...hint(file.name)}>
            {file.name.slice(file.name.lastIndexOf("/") + 1)}
          </span>
          <span className="narrow shrink-0 text-small text-ink-2">{remark(file)}</span>
          <span className="sr-only">{file.place?.because}</span>
        </div>
      ))}
    </div>
  );
}

/** What to know of a file before it goes. */
function remark(file: FileView): string {
  if (file.place?.wished) {
    return "by you";
  }
  if (file.place?.act === "joins") {
    return "joined";
  }
  return file.doubtful ? `${file.category}?` : file.category;
}

interface RibbonsProps {
  rows: PlanRows;
  families: Map<string, string>;
  height: number;
  current?: string;
}

function Ribbons({ rows, families, height, current }: RibbonsProps) {
  const middle = (row: number) => row * ROW + ROW / 2;
  return (
    <svg
      aria-hidden="true"
      width="100%"
      height={height}
      viewBox={`0 0 100 ${height}`}
      preserveAspectRatio="none"
    >
      {rows.ribbons.map(({ file, from, to }) => {
        const stays = file.place?.seat === undefined;
        const lit = file.id === current;
        return (
          <path
            key={file.id}
            className="ribbon"
            vectorEffect="non-scaling-stroke"
            d={`M0,${middle(from)} C50,${middle(from)} 50,${middle(to)} 100,${middle(to)}`}
            fill="none"
            stroke={stays ? "var(--ink-3)" : familyColour(families.get(file.category) ?? "neutral")}
            strokeWidth={stays ? 1.5 : file.audio?.layout === "mono" ? 6 : 11}
            strokeDasharray={stays ? "2 3" : undefined}
            style={{ opacity: lit ? 0.95 : stays ? 0.6 : "var(--ribbon)" }}
          />
        );
      })}
    </svg>
  );
}

function Seat({ seat, family }: { seat: SeatView; family: string }) {
  const stowed = seat.state === "stowed";
  const free = stowed || seat.state === "empty";
  return (
    <>
      <Mark family={family} shape={free ? "free" : "seat"} />
      {seat.state === "new" && <b className="font-semibold text-active">new</b>}
      <span className={`narrow min-w-0 truncate ${free ? "text-ink-2" : ""}`} {...hint(seat.name)}>
        {seat.name}
      </span>
      {seat.calledBefore !== undefined && (
        <span className="narrow min-w-0 truncate text-small text-ink-2">{seat.calledBefore}</span>
      )}
      <span className="shrink-0 text-small text-ink-2">
        {seat.state === "stowed" && "stowed, nothing came"}
        {seat.state === "empty" && "nothing came"}
        {seat.state === "holds" && "keeps its audio"}
        {seat.state === "replaced" && "new version"}
      </span>
      <span className="narrow ml-auto shrink-0 text-ink-2">
        {!stowed && (seat.destinationName ? `→ ${seat.destinationName}` : "to compare")}
      </span>
    </>
  );
}
