import { useEffect, useMemo, useState, type KeyboardEvent } from "react";
import { useSearchParams } from "react-router";
import type {
  Edit,
  MixView,
  Output,
  PrintReport,
  PrintView,
  Printed,
  Specification,
} from "../api/client";
import { useEdit } from "../resources/mixes";
import { useCancelPrint, useFollowPrint, usePrint, usePrints } from "../resources/prints";
import { follow, hear } from "../player/player";
import { printedTrack } from "../player/tracks";
import { useOffer, type Act } from "../shell/acts";
import { BesideSheet } from "../ui/BesideSheet";
import { Mark } from "../ui/Mark";
import { CoverageMatrix } from "./CoverageMatrix";
import { OutputDialog } from "./OutputDialog";
import { asked } from "./SpecificationFields";
import { StemSetDialog } from "./StemSetDialog";
import { shown } from "../shell/keys";
import { db, plural, signed, time } from "../ui/format";
import { hint } from "../ui/hint";

/** Outputs, the print run that makes them, and what came of it. */
export function DeliverySheet({ view }: { view: MixView }) {
  const outputs = view.document.outputs;
  const prints = usePrints(view.id);
  const [params, setParams] = useSearchParams();
  const run = prints.data?.find((one) => one.id === params.get("print")) ?? prints.data?.[0];
  useFollowPrint(view.id, run);
  const leftText = params.get("without") ?? "";
  const left = useMemo(() => new Set(leftText.split(",").filter(Boolean)), [leftText]);
  const setLeft = (ids: ReadonlySet<string>) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        if (ids.size > 0) {
          next.set("without", [...ids].join(","));
        } else {
          next.delete("without");
        }
        return next;
      },
      { replace: true },
    );
  const chosen = useMemo(
    () => outputs.filter((output) => !left.has(output.id)).map((output) => output.id),
    [outputs, left],
  );
  const print = usePrint(view.id);
  const { mutate, isPending } = print;
  const { mutate: edit, ask } = useEdit(view.id);
  const [asking, setAsking] = useState<"add" | "stems" | Output>();
  const close = () => setAsking(undefined);
  const [cursor, setCursor] = useState<string>();
  const track = useMemo(() => {
    const report = run?.report;
    const file = report?.files.find((one) => one.output === cursor) ?? report?.files[0];
    return run && report && file && printedTrack(run.id, file, report.seconds);
  }, [run, cursor]);
  useEffect(() => follow(track), [track]);
  const acts = useMemo<Act[]>(
    () => [
      {
        id: "print",
        label: `Print ${plural(chosen.length, "output")}`,
        key: "p",
        can: chosen.length > 0 && !isPending,
        run: () =>
          mutate(chosen.length === outputs.length ? [] : chosen, (started) =>
            setParams(
              (now) => new URLSearchParams({ ...Object.fromEntries(now), print: started.id }),
            ),
          ),
      },
      {
        id: "hear",
        label: track ? `Hear “${track.title}”` : "Hear a printed file",
        key: "q",
        can: track !== undefined,
        needs: "nothing is printed yet",
        run: () => track && hear(track),
      },
      { id: "add-output", label: "Add an output…", key: "a", run: () => setAsking("add") },
      {
        id: "stem-sets",
        label: "Stem sets…",
        key: "s",
        can: outputs.length > 1,
        run: () => setAsking("stems"),
      },
    ],
    [chosen, outputs.length, isPending, mutate, setParams, track],
  );
  useOffer("delivery", acts);
  const toggle = (id: string) => {
    const next = new Set(left);
    if (!next.delete(id)) {
      next.add(id);
    }
    setLeft(next);
  };
  const measured = new Map(run?.report?.files.map((file) => [file.output, file]));
  return (
    <BesideSheet
      narrow="above"
      sheet={
        <Side
          view={view}
          run={run}
          runs={prints.data ?? []}
          print={acts[0]}
          onEdit={edit}
          onShow={(id) => setParams({ print: id })}
        />
      }
    >
      <h1 className="sr-only">Delivery sheet of {view.document.name}</h1>
      <div className="min-h-0 overflow-auto px-4 py-3">
        <table className="w-full border-collapse max-md:min-w-[680px]">
          <caption className="sr-only">Outputs</caption>
          <thead>
            <tr className="text-left text-tiny text-ink-3 [&>th]:border-b [&>th]:border-rule [&>th]:pb-1 [&>th]:font-normal">
              <th className="w-8">
                <input
                  type="checkbox"
                  aria-label="All outputs"
                  checked={left.size === 0}
                  onChange={() =>
                    setLeft(left.size === 0 ? new Set(outputs.map((one) => one.id)) : new Set())
                  }
                />
              </th>
              <th>Output</th>
              <th>Taken from</th>
              <th>Format</th>
              <th>Answers to</th>
              <th className="text-right">Loudness LUFS</th>
              <th className="text-right">True peak dBTP</th>
              <th className="text-right">Peak dBFS</th>
              <th className="text-right">Length</th>
              <th className="text-right">File</th>
            </tr>
          </thead>
          <tbody>
            {outputs.map((output) => {
              const source = view.document.channels.find((one) => one.id === output.channel);
              const file = measured.get(output.id);
              const specification = view.document.specifications.find(
                (one) => one.id === output.specification,
              );
              return (
                <tr
                  key={output.id}
                  onFocus={() => setCursor(output.id)}
                  className="h-[26px] [&>td]:border-b [&>td]:border-rule-2"
                >
                  <td>
                    <input
                      type="checkbox"
                      aria-label={`Print ${output.name}`}
                      checked={!left.has(output.id)}
                      onChange={() => toggle(output.id)}
                      onKeyDown={walkRows}
                    />
                  </td>
                  <td>
                    <span className="flex items-center gap-2">
                      <Mark family={view.facts[output.channel]?.colour ?? "neutral"} shape="file" />
                      <button
                        {...hint("Change this output", "Enter")}
                        className={`text-left underline-offset-2 hover:underline ${output.kind === "stem" ? "" : "font-semibold"}`}
                        onClick={() => setAsking(output)}
                        onKeyDown={(event) => {
                          walkRows(event);
                          if (event.key === "Delete") {
                            edit({ edit: "remove-outputs", outputs: [output.id] });
                          }
                        }}
                      >
                        {output.name}
                      </button>
                      <span className="text-tiny text-ink-3">{output.kind}</span>
                    </span>
                  </td>
                  <td className="text-ink-2">
                    {source?.name ?? "?"}
                    {output.tap === "post-fader" ? "" : `, ${output.tap}`}
                  </td>
                  <td className="whitespace-nowrap text-ink-2">
                    {output.layout}, {output.format}
                  </td>
                  <td className="max-w-[180px] text-ink-2">
                    <span className="flex items-baseline gap-1.5">
                      {specification ? (
                        <span
                          className="truncate"
                          {...hint(`${specification.name}: ${asked(specification)}`)}
                        >
                          {specification.name}
                        </span>
                      ) : (
                        <span className="text-ink-3">as mixed</span>
                      )}
                      {file && <VerdictMark file={file} asked={specification !== undefined} />}
                    </span>
                  </td>
                  <Measured
                    file={file}
                    seconds={run?.report?.seconds ?? lengthOf(view)}
                    asks={specification}
                  />
                  <td className="text-right">
                    {file && run ? (
                      <a
                        className="underline underline-offset-2"
                        href={`/api/prints/${run.id}/files/${encodeURIComponent(file.file)}`}
                        download
                        aria-label={`Download ${file.file}`}
                      >
                        Download
                      </a>
                    ) : (
                      <span className="text-ink-3" {...hint(`Will be ${output.namePattern}.wav`)}>
                        –
                      </span>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <p className="mt-2 flex flex-wrap gap-x-4 text-small">
          {acts.slice(1).map((act) => (
            <button key={act.id} disabled={act.can === false} onClick={act.run}>
              {act.label} {act.key && <kbd>{shown(act.key)}</kbd>}
            </button>
          ))}
          <span className="text-ink-2">
            A name opens its output; <kbd>Delete</kbd> on it removes it.
          </span>
        </p>
        {asking === "stems" && <StemSetDialog view={view} onEdit={ask} onClose={close} />}
        {asking !== undefined && asking !== "stems" && (
          <OutputDialog
            view={view}
            output={asking === "add" ? undefined : asking}
            onEdit={ask}
            onClose={close}
          />
        )}
        {outputs.length === 0 && (
          <p className="py-6 text-ink-2">
            This Mix prints nothing yet: it has no output. Add one with <kbd>A</kbd>.
          </p>
        )}
        <CoverageMatrix view={view} />
      </div>
    </BesideSheet>
  );
}

/** Up and down go to the same thing in the next row. */
function walkRows(event: KeyboardEvent<HTMLElement>) {
  const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
  const from = event.currentTarget;
  const row = from.closest("tr");
  const next = by > 0 ? row?.nextElementSibling : by < 0 ? row?.previousElementSibling : undefined;
  const to = next?.querySelector<HTMLElement>(from.tagName);
  if (to) {
    event.preventDefault();
    to.focus();
  }
}

/** How long files will be, where the Mix has an end that was set. */
function lengthOf({ document: mix }: MixView): number | undefined {
  return mix.endFrame === undefined ? undefined : (mix.endFrame - mix.startFrame) / mix.sampleRate;
}

interface MeasuredProps {
  file?: Printed;
  seconds?: number;
  /** What stands there before a print: what is asked. */
  asks?: Specification;
}

function Measured({ file, seconds, asks }: MeasuredProps) {
  if (!file) {
    const cell = (asked: number | undefined, words: string) => (
      <td className="whitespace-nowrap text-right text-ink-3">
        {asked === undefined ? (
          "–"
        ) : (
          <span {...hint("Asked; it is measured when it is printed")}>
            {words} {db(asked)}
          </span>
        )}
      </td>
    );
    return (
      <>
        {cell(asks?.loudness, "asks")}
        {cell(asks?.truePeak, "at most")}
        <td className="text-right text-ink-3">–</td>
        <td className="text-right text-ink-3">{seconds === undefined ? "–" : time(seconds)}</td>
      </>
    );
  }
  const over = (file.truePeakDbtp ?? -1) > 0;
  const loudest = [
    file.maxShortTermLufs !== undefined && `loudest 3 s ${db(file.maxShortTermLufs)} LUFS`,
    file.maxMomentaryLufs !== undefined && `loudest 400 ms ${db(file.maxMomentaryLufs)} LUFS`,
    `range ${signed(file.loudnessRangeLu)} LU`,
  ]
    .filter(Boolean)
    .join(", ");
  return (
    <>
      <td className="text-right">
        <span {...hint(loudest)}>{db(file.integratedLufs)}</span>
      </td>
      <td className={`text-right ${over ? "font-semibold text-wrong" : ""}`}>
        {over && <span {...hint("Above full scale between or at the samples")}>over </span>}
        {db(file.truePeakDbtp)}
      </td>
      <td className="text-right">{db(file.samplePeakDbfs)}</td>
      <td className="text-right text-ink-2">{seconds === undefined ? "" : time(seconds)}</td>
    </>
  );
}

interface SideProps {
  view: MixView;
  run?: PrintView;
  runs: PrintView[];
  print?: Act;
  onEdit: (edit: Edit) => void;
  onShow: (id: string) => void;
}

function Side({ view, run, runs, print, onEdit, onShow }: SideProps) {
  const cancel = useCancelPrint(view.id);
  return (
    <aside
      aria-label="Print runs"
      className="overflow-y-auto border-l border-rule bg-raised p-4 max-[900px]:max-h-[38vh] max-[900px]:border-b max-[900px]:border-l-0"
    >
      <button
        className="w-full border border-active px-3 py-1.5 font-semibold text-active disabled:border-rule disabled:font-normal"
        disabled={print?.can === false}
        onClick={print?.run}
      >
        {print?.label} <kbd>P</kbd>
      </button>
      <p className="mt-2 text-small text-ink-2">
        All in one pass, from {time(view.document.startFrame / view.document.sampleRate)} at{" "}
        {view.document.sampleRate / 1000} kHz.
      </p>
      {run && <Run view={view} run={run} onEdit={onEdit} onCancel={() => cancel.mutate(run.id)} />}
      {runs.length > 1 && (
        <section className="mt-4 border-t border-rule-2 pt-2">
          <h2 className="mb-1 text-tiny text-ink-3">All print runs</h2>
          <ul>
            {runs.map((one) => (
              <li key={one.id}>
                <button
                  aria-current={one.id === run?.id}
                  className={`flex h-[26px] w-full items-center justify-between ${one.id === run?.id ? "font-semibold" : "text-ink-2"}`}
                  onClick={() => onShow(one.id)}
                >
                  <span>Revision {one.revision}</span>
                  <span>{one.state}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </aside>
  );
}

interface RunProps {
  view: MixView;
  run: PrintView;
  onEdit: (edit: Edit) => void;
  onCancel: () => void;
}

function Run({ view, run, onEdit, onCancel }: RunProps) {
  const going = run.state === "waiting" || run.state === "running";
  return (
    <section className="mt-4 border-t border-rule-2 pt-2">
      <h2 role="status" className="mb-1 font-semibold">
        {run.state === "done" ? "Printed" : `Print ${run.state}`}
        <span className="font-normal text-ink-2"> · revision {run.revision}</span>
      </h2>
      {run.revision !== view.revision && !going && (
        <p className="mb-2 text-small text-ink-2">
          The Mix has moved on to revision {view.revision}; print again to hear it.
        </p>
      )}
      {going && (
        <>
          <progress
            aria-label="Printing"
            className="h-1.5 w-full accent-(--active)"
            max={1}
            value={run.done}
          />
          <p className="mt-1 flex justify-between text-small text-ink-2">
            <span>
              {Math.round(run.done * 100)} %
              {run.secondsLeft !== undefined && ` · ${time(run.secondsLeft)} left`}
            </span>
            <button className="underline" onClick={onCancel}>
              Cancel
            </button>
          </p>
        </>
      )}
      {run.message && (
        <p
          role={run.state === "failed" ? "alert" : undefined}
          className={run.state === "failed" ? "text-wrong" : "text-ink-2"}
        >
          {run.message}
        </p>
      )}
      {run.report && (
        <>
          <p className="text-small text-ink-2">
            {plural(run.report.files.length, "file")} of {time(run.report.seconds)} in{" "}
            {run.report.wallSeconds.toFixed(1)} s
          </p>
          <Findings view={view} run={run} report={run.report} onEdit={onEdit} />
          <a
            className="mt-3 block border border-rule px-3 py-1 text-center"
            href={`/api/prints/${run.id}/zip`}
            download
          >
            Download all as zip
          </a>
        </>
      )}
    </section>
  );
}

const VERDICTS = { pass: "met", warn: "near", fail: "missed" };

/** How an output stands against what is asked of it, and against what nobody wants. */
function VerdictMark({ file, asked }: { file: Printed; asked: boolean }) {
  if (!file.verdict) {
    return null;
  }
  const look = { pass: "text-ink-2", warn: "text-ink", fail: "font-semibold text-wrong" };
  return (
    <span
      className={`shrink-0 ${look[file.verdict]}`}
      {...hint(file.checks.map((check) => `${check.what}: ${check.measured}`).join(", "))}
    >
      {file.verdict === "warn" && !asked ? "look" : VERDICTS[file.verdict]}
    </span>
  );
}

/** What a print proved, and what it found: in the files, between them, and in what was played. */
function Findings({
  view,
  run,
  report,
  onEdit,
}: {
  view: MixView;
  run: PrintView;
  report: PrintReport;
  onEdit: (edit: Edit) => void;
}) {
  // What was measured holds for the Mix as it was printed.
  const still = run.revision === view.revision;
  const name = (id: string) => view.document.channels.find((one) => one.id === id)?.name ?? id;
  const open = report.files.flatMap((file) =>
    file.checks
      .filter((check) => check.verdict !== "pass")
      .map((check) => ({ file, check, key: `${file.output} ${check.what}` })),
  );
  const met = report.files.filter((file) => file.verdict === "pass").length;
  return (
    <>
      {report.passedBy.map((one) => (
        <p key={`${one.channel} ${one.processor}`} className="mt-2">
          “{one.processor}” on {name(one.channel)} does not run here: audio passed it as it was.
        </p>
      ))}
      {report.notCompared.map((set) => (
        <p key={set.stemSet} className="mt-2">
          <b className="font-semibold">{set.name}</b> were not compared with the mix:{" "}
          {set.missing.length === 0
            ? "all of these files are silent."
            : `${set.missing.join(", ")} ${set.missing.length === 1 ? "was" : "were"} not printed.`}
        </p>
      ))}
      {report.nullTests.map((test) => (
        <p key={test.stemSet} className={`mt-2 ${test.passes ? "" : "text-wrong"}`}>
          {test.name} {test.passes ? "add up" : "do not add up"} to the mix: {leftOver(test)}
        </p>
      ))}
      {met > 0 && (
        <p className="mt-2">{plural(met, "output meets", "outputs meet")} what is asked.</p>
      )}
      {open.map(({ file, check, key }) => (
        <p key={key} className={`mt-2 ${check.verdict === "fail" ? "text-wrong" : ""}`}>
          <b className="font-semibold">{file.name}</b>: {check.what.toLowerCase()} {check.measured},
          asked {check.asked}. {check.says}
          {check.turnDb !== undefined && still && (
            <button
              className="ml-2 min-h-6 border border-active px-2 text-active"
              onClick={() =>
                onEdit({ edit: "turn-output", output: file.output, db: check.turnDb ?? 0 })
              }
            >
              Turn it {check.turnDb < 0 ? "down" : "up"} by {db(Math.abs(check.turnDb))} dB
            </button>
          )}
        </p>
      ))}
      {report.sources.map((fault) => (
        <p key={`${fault.channel} ${fault.file}`} className="mt-2 text-wrong">
          <b className="font-semibold">{name(fault.channel)}</b>: “{fault.file}”{" "}
          {[
            fault.missingFrames > 0 &&
              `ends ${(fault.missingFrames / report.sampleRate).toFixed(2)} s early`,
            fault.unusableSamples > 0 && `has ${plural(fault.unusableSamples, "unusable sample")}`,
          ]
            .filter(Boolean)
            .join(" and ")}
          ; silence was played instead.
        </p>
      ))}
    </>
  );
}

function leftOver(test: PrintReport["nullTests"][number]): string {
  if (test.why) {
    return test.why;
  }
  if (test.residualDbfs === undefined) {
    return "nothing is left over";
  }
  const where =
    test.passes || test.atSeconds === undefined ? "" : `, most at ${test.atSeconds.toFixed(2)} s`;
  const limit =
    test.limitDbfs === undefined
      ? ""
      : `, where the formats may leave ${signed(test.limitDbfs, 0)}`;
  return `${signed(test.residualDbfs, 0)} dBFS left over${limit}${where}`;
}
