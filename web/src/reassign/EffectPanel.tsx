import { useState } from "react";
import type { EffectView, MixView } from "../api/client";
import { db, plural } from "../ui/format";
import { grouped, isLeft, leaving, type Left, type LineGroup } from "./leaving";
import { Moves } from "./Moves";

/** Nobody reads a list to its end; the rest is told by its number. */
const LISTED = 40;

interface Props {
  effect: EffectView | undefined;
  waits: boolean;
  problem: string | undefined;
  left: Left;
  onLeave: (left: Left) => void;
  /** What channels and outputs are called, by id. */
  names: ReadonlyMap<string, string>;
  /** What is said while nothing would change. */
  idle: string;
}

/** What an edit would do, before it is made; each line can be left out. */
export function EffectPanel({ effect, waits, problem, left, onLeave, names, idle }: Props) {
  if (problem !== undefined) {
    return (
      <p role="alert" className="border-l-2 border-wrong px-4 py-2 text-wrong">
        {problem}
      </p>
    );
  }
  if (!effect) {
    return <p className="px-4 py-3 text-ink-2">{waits ? "…" : idle}</p>;
  }
  if (effect.lines.length === 0 && effect.held.length === 0 && effect.coverage.length === 0) {
    return (
      <p role="status" className="px-4 py-3 text-ink-2">
        No channel would change.
      </p>
    );
  }
  const channels = new Set(effect.lines.map((line) => line.channel)).size;
  const moved = effect.moves.reduce((sum, move) => sum + move.channels.length, 0);
  return (
    <div className={`grid content-start gap-3 px-4 py-2 ${waits ? "opacity-60" : ""}`}>
      <TakenOut effect={effect} names={names} />
      <p role="status">
        <b className="font-semibold">{plural(channels, "channel")}</b>{" "}
        {channels === 1 ? "changes" : "change"}
        {moved > 0 && ` (${moved} ${moved === 1 ? "moves" : "move"})`}:{" "}
        {plural(effect.lines.length, "field")}.{" "}
        {effect.held.length > 0 &&
          `${plural(effect.held.length, "pin")} ${effect.held.length === 1 ? "holds" : "hold"} back.`}
      </p>
      {effect.moves.length > 0 && <Moves moves={effect.moves} />}
      {grouped(effect).map((group) => (
        <Group key={group.id} group={group} left={left} onLeave={onLeave} />
      ))}
      {effect.held.length > 0 && (
        <section aria-label="Pins that hold back">
          <h2 className="font-semibold">Pinned, and stays</h2>
          <ul className="text-small">
            {effect.held.slice(0, LISTED).map((held) => (
              <li key={`${held.channel} ${held.slot}`}>
                <bdi>{held.name}</bdi>, {held.label.toLowerCase()}: keeps {held.keeps}; the map says{" "}
                {held.wanted}
              </li>
            ))}
            <More of={effect.held.length} />
          </ul>
        </section>
      )}
      <Findings effect={effect} />
      {effect.coverage.length > 0 && <CoverageLines effect={effect} names={names} />}
    </div>
  );
}

function Group({
  group,
  left,
  onLeave,
}: {
  group: LineGroup;
  left: Left;
  onLeave: (left: Left) => void;
}) {
  const [open, setOpen] = useState(false);
  const [listed, setListed] = useState(LISTED);
  const out = group.lines.filter((line) => isLeft(left, line)).length;
  const can = group.lines.every((line) => line.slot !== undefined);
  return (
    <section aria-label={`${group.label}: ${group.before} to ${group.after}`}>
      <div className="flex items-baseline gap-2">
        {can && (
          <input
            type="checkbox"
            className="translate-y-0.5"
            aria-label={`Carry out ${group.label.toLowerCase()}: ${group.before} to ${group.after}`}
            checked={out === 0}
            ref={(element) => {
              if (element) {
                element.indeterminate = out > 0 && out < group.lines.length;
              }
            }}
            onChange={(event) => onLeave(leaving(left, group.lines, !event.target.checked))}
          />
        )}
        <button
          type="button"
          className="min-h-6 min-w-0 flex-1 text-left"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          <span className="text-ink-2">{open ? "▾" : "▸"}</span> {group.label}:{" "}
          <span className="text-ink-2">{group.before}</span> → <b>{group.after}</b>{" "}
          <span className="text-small text-ink-2">
            · {group.lines.length - out}
            {out > 0 && ` of ${group.lines.length}`}
          </span>
        </button>
      </div>
      {open && (
        <ul className="pl-6 text-small">
          {group.lines.slice(0, listed).map((line) => (
            <li key={`${line.channel} ${line.slot ?? ""}`}>
              <label className="flex min-h-6 items-center gap-2">
                {can && (
                  <input
                    type="checkbox"
                    checked={!isLeft(left, line)}
                    onChange={(event) => onLeave(leaving(left, [line], !event.target.checked))}
                  />
                )}
                <bdi>{line.name}</bdi> <span className="text-ink-2">{line.why}</span>
              </label>
            </li>
          ))}
          {group.lines.length > listed && (
            <li>
              <button
                type="button"
                className="min-h-6 underline underline-offset-2"
                onClick={() => setListed(listed * 5)}
              >
                and {group.lines.length - listed} more
              </button>
            </li>
          )}
        </ul>
      )}
    </section>
  );
}

/** What would no longer be heard in a file: the first thing to know, and never folded away. */
function TakenOut({ effect, names }: { effect: EffectView; names: ReadonlyMap<string, string> }) {
  const lost = effect.coverage.filter((one) => one.pathsBefore > 0 && one.pathsAfter === 0);
  const files = new Map<string, string[]>();
  for (const one of lost) {
    files.set(one.output, [
      ...(files.get(one.output) ?? []),
      names.get(one.channel) ?? one.channel,
    ]);
  }
  return (
    files.size > 0 && (
      <section aria-label="Taken out of files" className="border-l-2 border-wrong pl-2">
        <h2 className="font-semibold text-wrong">Taken out of {plural(files.size, "file")}</h2>
        <ul className="text-small">
          {[...files].slice(0, LISTED).map(([output, seats]) => (
            <li key={output}>
              <b className="font-semibold">
                <bdi>{names.get(output)}</bdi>
              </b>{" "}
              no longer holds {plural(seats.length, "channel")}:{" "}
              <bdi>{seats.slice(0, 6).join(", ")}</bdi>
              {seats.length > 6 && " …"}
            </li>
          ))}
        </ul>
      </section>
    )
  );
}

/** Which seat is heard where otherwise than now. */
function CoverageLines({
  effect,
  names,
}: {
  effect: EffectView;
  names: ReadonlyMap<string, string>;
}) {
  const heard = (gain: number | undefined, paths: number) =>
    paths === 0 ? "not" : gain === undefined ? "cancelled" : `${db(gain)} dB`;
  return (
    <details className="text-small">
      <summary className="min-h-6 cursor-pointer">
        {plural(effect.coverage.length, "cell")} of the coverage{" "}
        {effect.coverage.length === 1 ? "changes" : "change"}:{" "}
        {effect.coverage.filter((one) => one.pathsBefore === 0).length} reached anew,{" "}
        {effect.coverage.filter((one) => one.pathsAfter === 0).length} no longer reached
      </summary>
      <ul>
        {effect.coverage.slice(0, LISTED).map((one) => (
          <li key={`${one.channel} ${one.output}`}>
            <bdi>{names.get(one.channel)}</bdi> in <bdi>{names.get(one.output)}</bdi>:{" "}
            {heard(one.before, one.pathsBefore)} → <b>{heard(one.after, one.pathsAfter)}</b>
          </li>
        ))}
        <More of={effect.coverage.length} />
      </ul>
    </details>
  );
}

/** What channels and outputs of a Mix are called. */
export function namesOf(view: MixView): ReadonlyMap<string, string> {
  return new Map(
    [...view.document.channels, ...view.document.outputs].map((one) => [one.id, one.name]),
  );
}

function Findings({ effect }: { effect: EffectView }) {
  const { come, gone } = effect.check;
  return (
    (come.length > 0 || gone.length > 0) && (
      <section aria-label="Line check">
        <h2 className="font-semibold">Line check</h2>
        <ul className="text-small">
          {come.slice(0, LISTED).map((one) => (
            <li key={`+ ${one.says}`}>
              <b className="font-semibold text-wrong">comes</b> {one.says}
            </li>
          ))}
          <More of={come.length} />
          {gone.slice(0, LISTED).map((one) => (
            <li key={`- ${one.says}`}>
              <b className="font-semibold">goes</b> {one.says}
            </li>
          ))}
          <More of={gone.length} />
        </ul>
      </section>
    )
  );
}

function More({ of }: { of: number }) {
  return of > LISTED && <li className="text-ink-2">and {of - LISTED} more</li>;
}
