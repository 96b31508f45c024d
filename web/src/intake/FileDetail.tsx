import type { DeliveryView, FileView } from "../api/client";
import { useSetStep } from "../resources/deliveries";
import { signed, time } from "../ui/format";

interface Props {
  delivery: DeliveryView;
  file: FileView;
}

/** Everything that is known of one file, and what is done to it on its way to a seat. */
export function FileDetail({ delivery, file }: Props) {
  const audio = file.audio;
  return (
    <section
      aria-label="The chosen file"
      className="grid h-[118px] shrink-0 grid-cols-[minmax(220px,1fr)_minmax(240px,1.1fr)_minmax(320px,1.5fr)] gap-6 overflow-y-auto border-t border-rule px-4 py-2 text-small max-md:h-[32vh] max-md:grid-cols-1 max-md:gap-2"
    >
      <div className="min-w-0">
        <h2 className="font-semibold break-words">{file.name}</h2>
        <ul className="mt-1 text-ink-2">
          {(file.fault ? [file.fault] : file.because).map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
          {file.place && <li>{goesTo(file.place)}</li>}
          {file.against !== "new" && (
            <li>
              {file.against === "same"
                ? "came in a delivery before, and is the same"
                : "a new version of a file that came before"}
            </li>
          )}
        </ul>
      </div>
      {audio && <Measured audio={audio} />}
      <div className="min-w-0">
        {audio && audio.notes.length === 0 && file.steps.length === 0 && (
          <p className="text-ink-2">Nothing is wrong with it, and nothing need be done to it.</p>
        )}
        <ul>
          {audio?.notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
          {audio?.beside !== undefined && <li className="text-ink-2">{audio.beside}</li>}
        </ul>
        <Steps delivery={delivery} file={file} />
      </div>
    </section>
  );
}

function goesTo(place: NonNullable<FileView["place"]>): string {
  return place.seat === undefined
    ? `stays out: ${place.because}`
    : `goes to “${place.seatName ?? ""}”: ${place.because}`;
}

type Audio = NonNullable<FileView["audio"]>;

function Measured({ audio }: { audio: Audio }) {
  const lines: [string, string][] = [
    ["Format", `${audio.container}, ${audio.format}, ${audio.sampleRate.toLocaleString("en")} Hz`],
    ["Bits really used", audio.usedBits === 0 ? "none" : `${audio.usedBits}`],
    [
      "Peak, true peak",
      `${level(audio.samplePeakDbfs, "dBFS")}, ${level(audio.truePeakDbtp, "dBTP")}`,
    ],
    ["Loudness, range", `${level(audio.integratedLufs, "LUFS")}, ${range(audio.loudnessRangeLu)}`],
    [
      "Noise floor",
      audio.noiseFloorDbfs === undefined
        ? "no pauses to hear it in"
        : level(audio.noiseFloorDbfs, "dBFS"),
    ],
    ["Sounds", sounds(audio)],
  ];
  return (
    <dl className="grid grid-cols-[110px_1fr] content-start">
      {lines.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="text-ink-2">{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}

function range(value: number | undefined): string {
  return value === undefined ? "too short for a range" : `${value.toFixed(1)} LU`;
}

function sounds({ firstSoundSeconds: first, lastSoundSeconds: last }: Audio): string {
  return first === undefined || last === undefined ? "nowhere" : `${time(first)} to ${time(last)}`;
}

function level(value: number | undefined, unit: string): string {
  return value === undefined ? "silent" : `${signed(value)} ${unit}`;
}

function Steps({ delivery, file }: Props) {
  const setStep = useSetStep(delivery.id);
  if (file.steps.length === 0) {
    return null;
  }
  return (
    <fieldset className="mt-1" disabled={file.seatedOn !== undefined}>
      <legend className="text-ink-2">When it is seated (the original stays as it is)</legend>
      {file.steps.map((step) => (
        <label key={step.kind} className="flex items-baseline gap-2">
          <input
            type="checkbox"
            className="accent-(--active)"
            checked={!step.off}
            disabled={!step.optional}
            onChange={() => setStep.mutate({ file: file.id, kind: step.kind, off: !step.off })}
          />
          <span className={step.off ? "line-through text-ink-2" : ""}>{step.says}</span>
        </label>
      ))}
    </fieldset>
  );
}
