import { Fragment, useMemo, useState } from "react";
import type { CategoryCoverage, CategoryShare, CoverageCell, MixView, Output } from "../api/client";
import { useCoverage, usePaths } from "../resources/checks";
import { useOffer, type Act } from "../shell/acts";
import { Loading } from "../shell/Loading";
import { Mark, type Shape } from "../ui/Mark";
import { plural, signed } from "../ui/format";
import { toggled } from "../ui/toggled";
import { hint } from "../ui/hint";

interface Place {
  channel: string;
  output: string;
}

const NONE: CategoryCoverage[] = [];

/** How much of each category, and of each of its seats, reaches each output; paths on demand. */
export function CoverageMatrix({ view }: { view: MixView }) {
  const query = useCoverage(view.id, view.revision);
  const coverage = query.data;
  const [asked, setAsked] = useState<Place>();
  const [open, setOpen] = useState<readonly string[]>([]);
  const cells = useMemo(
    () => new Map(coverage?.cells.map((cell) => [`${cell.channel} ${cell.output}`, cell])),
    [coverage],
  );
  const channels = useMemo(
    () => new Map(view.document.channels.map((channel) => [channel.id, channel])),
    [view.document.channels],
  );
  const categories = coverage?.categories ?? NONE;
  const names = useMemo(() => categories.map((one) => one.category), [categories]);
  const all = names.every((name) => open.includes(name));
  const acts = useMemo<Act[]>(
    () => [
      {
        id: "unfold-coverage",
        label: all ? "Coverage by category" : "Coverage seat by seat",
        key: "c",
        can: names.length > 0,
        run: () => setOpen(all ? [] : names),
      },
    ],
    [all, names],
  );
  useOffer("coverage", acts);
  const outputs = view.document.outputs;
  if (outputs.length > 0 && !coverage) {
    return <Loading what="The coverage" query={query} />;
  }
  if (outputs.length === 0 || categories.length === 0) {
    return null;
  }
  return (
    <section className="mt-6" aria-label="Coverage">
      <h2 className="mb-1 text-small text-ink-2">
        <b className="font-semibold">Coverage</b> how much is in each file, in dB.{" "}
        <span aria-hidden="true">·</span> nothing, <Way way="parallel" /> by a parallel too,{" "}
        <Way way="returns" /> by returns only, <span className="font-semibold text-wrong">2×</span>{" "}
        twice, <Dip /> dipped{" "}
        <button className="ml-3 text-ink" onClick={acts[0]?.run}>
          {all ? "By category" : "Seat by seat"} <kbd>C</kbd>
        </button>
      </h2>
      <Paths view={view} place={asked} onClose={() => setAsked(undefined)} />
      <table className="border-collapse text-small">
        <thead>
          <tr>
            <td className="sticky left-0 bg-ground" />
            {outputs.map((output) => (
              <th
                key={output.id}
                scope="col"
                className="h-28 w-12 max-w-12 border-b border-rule px-1 align-bottom font-normal"
              >
                <span
                  className="narrow inline-block max-h-26 rotate-180 truncate text-left"
                  style={{ writingMode: "vertical-rl" }}
                  {...hint(output.name)}
                >
                  {output.name}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {categories.map((category) => (
            <Fragment key={category.category}>
              <CategoryRow
                coverage={category}
                family={view.facts[category.channels[0] ?? ""]?.colour ?? "neutral"}
                outputs={outputs}
                open={open.includes(category.category)}
                onOpen={() => setOpen(toggled(open, category.category))}
              />
              {open.includes(category.category) &&
                category.channels.map((id) => (
                  <SeatRow
                    key={id}
                    name={channels.get(id)?.name ?? id}
                    family={view.facts[id]?.colour ?? "neutral"}
                    kind={channels.get(id)?.kind ?? "seat"}
                    outputs={outputs}
                    cell={(output) => cells.get(`${id} ${output}`)}
                    onAsk={(output) => setAsked({ channel: id, output })}
                  />
                ))}
            </Fragment>
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface CategoryRowProps {
  coverage: CategoryCoverage;
  family: string;
  outputs: Output[];
  open: boolean;
  onOpen: () => void;
}

function CategoryRow({ coverage, family, outputs, open, onOpen }: CategoryRowProps) {
  const of = coverage.channels.length;
  return (
    <tr className="h-[24px] hover:bg-active-ground">
      <th
        scope="row"
        className="sticky left-0 border-b border-rule-2 bg-ground pr-3 text-left font-normal"
      >
        <button
          aria-expanded={open}
          className="flex items-center gap-2 whitespace-nowrap"
          onClick={onOpen}
        >
          <Mark family={family} shape="fold" />
          <b className="font-semibold">{coverage.category}</b>{" "}
          <span className="text-ink-2">{of}</span>
        </button>
      </th>
      {outputs.map((output) => {
        const share = coverage.shares.find((one) => one.output === output.id);
        return (
          <td key={output.id} className="border-b border-rule-2 px-1 text-right">
            {share ? (
              <span {...hint(shareWords(share, of))}>
                <ShareFigure share={share} of={of} />
              </span>
            ) : (
              <Nothing />
            )}
          </td>
        );
      })}
    </tr>
  );
}

/** Paths that cancel each other have no gain. */
function gain(db: number | null | undefined, digits: number): string {
  return db == null ? "∅" : signed(db, digits);
}

function ShareFigure({ share, of }: { share: CategoryShare; of: number }) {
  const least = gain(share.leastDb, 0);
  const most = gain(share.mostDb, 0);
  return (
    <span className="inline-flex flex-col items-end leading-[1.05]">
      <span className="whitespace-nowrap">
        {share.twice > 0 && <span className="font-semibold text-wrong">2× </span>}
        {share.dipped && <Dip />}
        {share.dry === 0 ? (
          <Way way={share.parallel > 0 ? "parallel" : "returns"} />
        ) : least === most ? (
          gain(share.mostDb, 1)
        ) : (
          <span className="narrow">
            {least}…{most}
          </span>
        )}
      </span>
      {share.reached < of && (
        <span className="text-mark text-ink-2">
          {share.reached} of {of}
        </span>
      )}
    </span>
  );
}

function shareWords(share: CategoryShare, of: number): string {
  return [
    `${share.reached} of ${of} arrive`,
    share.mostDb == null
      ? "they cancel themselves"
      : `${gain(share.leastDb, 1)} to ${gain(share.mostDb, 1)} dB`,
    share.dry < share.reached && `${share.reached - share.dry} by parallels or returns only`,
    share.twice > 0 && `${share.twice} twice`,
    share.dipped && "dipped",
  ]
    .filter(Boolean)
    .join(", ");
}

interface SeatRowProps {
  name: string;
  family: string;
  kind: Shape;
  outputs: Output[];
  cell: (output: string) => CoverageCell | undefined;
  onAsk: (output: string) => void;
}

function SeatRow({ name, family, kind, outputs, cell, onAsk }: SeatRowProps) {
  return (
    <tr className="h-[22px] hover:bg-active-ground">
      <th
        scope="row"
        className="sticky left-0 border-b border-rule-2 bg-ground pr-3 pl-5 text-left font-normal"
      >
        <span className="flex items-center gap-2 whitespace-nowrap">
          <Mark family={family} shape={kind} />
          {name}
        </span>
      </th>
      {outputs.map((output) => {
        const found = cell(output.id);
        return (
          <td key={output.id} className="border-b border-rule-2 px-1 text-right">
            {found ? (
              <button
                className="w-full text-right"
                aria-label={`${name} in ${output.name}: ${described(found)}`}
                onClick={() => onAsk(output.id)}
              >
                <Figure cell={found} />
              </button>
            ) : (
              <Nothing />
            )}
          </td>
        );
      })}
    </tr>
  );
}

function Nothing() {
  return (
    <span aria-hidden="true" className="text-ink-3">
      ·
    </span>
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
      {gain(cell.gainDb, 1)}
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
  const level =
    cell.gainDb == null ? "the paths cancel each other" : `${signed(cell.gainDb, 1)} dB`;
  return `${level}, ${ways.join(", ")}`;
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
