import { useMemo, useState } from "react";
import type { CoverageCell, MixView } from "../api/client";
import { useCoverage, usePaths } from "../api/queries";
import { Mark } from "../ui/Mark";
import { plural, signed } from "../ui/format";

interface Place {
  channel: string;
  output: string;
}

/** How much of each seat reaches each output; a cell's paths on demand. */
export function CoverageMatrix({ view }: { view: MixView }) {
  const coverage = useCoverage(view.id, view.revision);
  const [asked, setAsked] = useState<Place>();
  const cells = useMemo(
    () => new Map(coverage.data?.cells.map((cell) => [`${cell.channel} ${cell.output}`, cell])),
    [coverage.data],
  );
  const outputs = view.document.outputs;
  const seats = view.document.channels.filter(
    (channel) => (channel.kind === "seat" || channel.kind === "reference") && !channel.stowed,
  );
  if (outputs.length === 0 || seats.length === 0) {
    return null;
  }
  return (
    <section className="mt-6" aria-label="Coverage">
      <h2 className="mb-1 text-[12px] text-ink-2">
        <b className="font-semibold">Coverage</b> how much of each seat is in each file, in dB.{" "}
        <span aria-hidden="true">·</span> nothing, <Way way="parallel" /> by a parallel too,{" "}
        <Way way="returns" /> by returns only, <span className="font-semibold text-wrong">2×</span>{" "}
        twice, <Dip /> dipped
      </h2>
      <Paths view={view} place={asked} onClose={() => setAsked(undefined)} />
      <table className="border-collapse text-[12px]">
        <thead>
          <tr>
            <td className="sticky left-0 bg-ground" />
            {outputs.map((output) => (
              <th
                key={output.id}
                scope="col"
                className="h-28 w-11 max-w-11 border-b border-rule px-1 align-bottom font-normal"
              >
                <span
                  className="narrow inline-block max-h-26 rotate-180 truncate text-left"
                  style={{ writingMode: "vertical-rl" }}
                  title={output.name}
                >
                  {output.name}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {seats.map((seat) => (
            <tr key={seat.id} className="h-[22px] hover:bg-active-ground">
              <th
                scope="row"
                className="sticky left-0 border-b border-rule-2 bg-ground pr-3 text-left font-normal"
              >
                <span className="flex items-center gap-2 whitespace-nowrap">
                  <Mark family={view.facts[seat.id]?.colour ?? "neutral"} shape={seat.kind} />
                  {seat.name}
                </span>
              </th>
              {outputs.map((output) => {
                const cell = cells.get(`${seat.id} ${output.id}`);
                return (
                  <td key={output.id} className="border-b border-rule-2 px-1 text-right">
                    {cell ? (
                      <button
                        className="w-full text-right"
                        aria-label={`${seat.name} in ${output.name}: ${described(cell)}`}
                        onClick={() => setAsked({ channel: seat.id, output: output.id })}
                      >
                        <Figure cell={cell} />
                      </button>
                    ) : (
                      <span aria-hidden="true" className="text-ink-3">
                        ·
                      </span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Way({ way }: { way: "parallel" | "returns" }) {
  return (
    <span aria-hidden="true" className="text-active">
      {way === "parallel" ? "∥" : "○"}
    </span>
  );
}

/** A gain that is lower at times: under speech. */
function Dip() {
  return (
    <span aria-hidden="true" className="text-active">
      ∨
    </span>
  );
}

function Figure({ cell }: { cell: CoverageCell }) {
  if (cell.dry === 0) {
    return <Way way={cell.parallel > 0 ? "parallel" : "returns"} />;
  }
  return (
    <>
      {cell.dry > 1 && <span className="font-semibold text-wrong">{cell.dry}× </span>}
      {cell.parallel > 0 && <Way way="parallel" />}
      {cell.dipped && <Dip />}
      {signed(cell.gainDb, 1)}
    </>
  );
}

function described(cell: CoverageCell): string {
  const ways = [
    cell.dry > 0 && `${plural(cell.dry, "dry path")}`,
    cell.parallel > 0 && `${plural(cell.parallel, "path")} by parallels`,
    cell.returns > 0 && `${plural(cell.returns, "path")} by returns`,
    cell.dipped && "dipped",
  ].filter(Boolean);
  return `${signed(cell.gainDb, 1)} dB, ${ways.join(", ")}`;
}

function Paths({ view, place, onClose }: { view: MixView; place?: Place; onClose: () => void }) {
  const paths = usePaths(view.id, view.revision, place);
  if (!place) {
    return null;
  }
  const name = (id: string) => view.document.channels.find((one) => one.id === id)?.name ?? id;
  const output = view.document.outputs.find((one) => one.id === place.output);
  return (
    <div role="status" className="mb-2 border-y border-rule-2 py-1.5">
      <b className="font-semibold">{name(place.channel)}</b> reaches{" "}
      <b className="font-semibold">{output?.name}</b> by {plural(paths.data?.length ?? 0, "path")}:{" "}
      <button className="ml-2 text-ink-2 underline" onClick={onClose}>
        Put away
      </button>
      <ol className="ml-4 list-decimal">
        {paths.data?.map((path) => (
          <li key={path.join()}>{path.map(name).join(" → ")}</li>
        ))}
      </ol>
    </div>
  );
}
