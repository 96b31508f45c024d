import { Link } from "react-router";
import type { MixView, PrintView } from "../api/client";
import { usePrints } from "../resources/prints";
import { useShelf } from "../resources/shelf";
import { db, minus, plural, signed } from "../ui/format";
import { hint } from "../ui/hint";

/** What the Mix is, and where it can be gone on with: beside the Flow while nothing is picked. */
export function MixSheet({ view }: { view: MixView }) {
  const { document: mix, findings } = view;
  const prints = usePrints(view.id).data ?? [];
  const last = prints.find((one) => one.state === "done");
  const seats = mix.channels.filter((one) => one.kind === "seat" && !one.stowed);
  const free = seats.filter((one) => view.facts[one.id]?.awaitsAudio).length;
  const wrong = findings.filter((one) => one.severity === "wrong").length;
  const to = (place: string) => `/mixes/${view.id}/${place}`;
  return (
    <aside
      aria-label="What this Mix is"
      className="overflow-y-auto border-l border-rule bg-raised p-4"
    >
      <h2 className="text-title font-semibold break-words">
        <bdi>{mix.name}</bdi>
      </h2>
      <p className="mb-3 text-small text-ink-2">
        {mix.kind} · revision {view.revision}
      </p>
      <dl className="grid grid-cols-[84px_1fr] gap-y-1">
        <Fact term="Seats">
          {seats.length === 0
            ? "none yet"
            : free === 0
              ? `${seats.length}, all taken`
              : `${seats.length}, ${free} free`}
          {mix.kind === "session" && free > 0 && <Way to={to("intake")}>Take a delivery in</Way>}
        </Fact>
        <Fact term="Line check">
          {findings.length === 0
            ? "nothing wrong"
            : `${plural(findings.length, "finding")}${wrong > 0 ? `, ${wrong} wrong` : ""}`}
          <Way to={to("check")}>{findings.length === 0 ? "See what was proved" : "Mend them"}</Way>
        </Fact>
        <Fact term="Outputs">
          {mix.outputs.length}
          <Way to={to("delivery")}>{last ? "Print again" : "Print"}</Way>
        </Fact>
        <Fact term="Rate">
          {mix.sampleRate / 1000} kHz · {mix.tempo} bpm
        </Fact>
        <Fact term="Pan law">{minus(mix.panLaw)}</Fact>
        {mix.origin && <Origin view={view} />}
      </dl>
      {last && <LastPrint view={view} print={last} to={to("delivery")} />}
      {mix.description && <p className="mt-4 break-words text-ink-2">{mix.description}</p>}
      <p className="mt-4 text-small text-ink-2">
        Point at a row to see its way; pick it to see its settings here.
      </p>
    </aside>
  );
}

function Fact({ term, children }: { term: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-ink-2">{term}</dt>
      <dd className="flex flex-wrap gap-x-3">{children}</dd>
    </>
  );
}

function Way({ to, children }: { to: string; children: React.ReactNode }) {
  return (
    <Link to={to} className="text-active underline underline-offset-2">
      {children}
    </Link>
  );
}

/** The template that it was started from, and whether that has moved on since. */
function Origin({ view }: { view: MixView }) {
  const origin = view.document.origin;
  const template = useShelf().data?.find((item) => item.id === origin?.mixId);
  if (!origin || !template) {
    return null;
  }
  const since = template.revision - origin.revision;
  return (
    <Fact term="Template">
      <Way to={`/mixes/${template.id}/flow`}>{template.name}</Way>
      <span className="text-ink-2">
        {since > 0 ? `changed ${plural(since, "time")} since` : "as it still is"}
      </span>
    </Fact>
  );
}

function LastPrint({ view, print, to }: { view: MixView; print: PrintView; to: string }) {
  const behind = view.revision - print.revision;
  return (
    <section className="mt-3 border-t border-rule-2 pt-2">
      <h3 className="mb-1 flex flex-wrap gap-x-3 text-tiny text-ink-3">
        Last print
        <Link to={`${to}?print=${print.id}`} className="text-active underline underline-offset-2">
          {behind > 0 ? `of revision ${print.revision}` : "of this revision"}
        </Link>
      </h3>
      <table className="w-full text-small">
        <thead className="sr-only">
          <tr>
            <th>Output</th>
            <th>Loudness, LUFS</th>
            <th>True peak, dBTP</th>
          </tr>
        </thead>
        <tbody>
          {print.report?.files.map((file) => (
            <tr key={file.output}>
              <td className="max-w-0 w-full truncate" {...hint(file.name)}>
                <bdi>{file.name}</bdi>
              </td>
              <td className="text-right whitespace-nowrap">
                {file.integratedLufs === undefined
                  ? "silent"
                  : `${signed(file.integratedLufs)} LUFS`}
              </td>
              <td className="text-right whitespace-nowrap text-ink-2">{db(file.truePeakDbtp)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
