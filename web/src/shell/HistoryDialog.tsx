import { placeAfter } from "../ui/arrows";
import { LargeDialog } from "../ui/LargeDialog";
import { useEffect, useRef, useState } from "react";
import type { MixView, RevisionLine } from "../api/client";
import { useDifferences, useGoTo, useHistory, useNameRevision } from "../resources/history";
import { Select } from "../ui/FormDialog";
import { plural, when } from "../ui/format";

interface Props {
  mix: MixView;
  onClose: () => void;
}

/** Every revision: what was done, what it is called, how it differs, and the way there. */
export function HistoryDialog({ mix, onClose }: Props) {
  const lines = useHistory(mix.id, mix.revision, true).data ?? [];
  const [at, setAt] = useState<number>();
  const here =
    lines.find((line) => line.number === at) ??
    lines.find((line) => line.number === mix.revision) ??
    lines[0];
  const { mutate: goTo } = useGoTo(mix.id);
  const visit = (line: RevisionLine) => {
    if (line.number !== mix.revision) {
      onClose();
      goTo(line.number);
    }
  };
  return (
    <LargeDialog
      title={`History of “${mix.document.name}”`}
      description={
        <>
          It is at revision {mix.revision}. Going to another one loses nothing of what came after.
          Arrows move, <kbd>Enter</kbd> goes there.
        </>
      }
      onClose={onClose}
    >
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-md:grid-cols-1 max-md:grid-rows-2">
        <Lines
          lines={lines}
          here={here}
          head={mix.revision}
          onHere={(line) => setAt(line.number)}
          onVisit={visit}
        />
        {here && <One key={here.number} mix={mix} line={here} onVisit={() => visit(here)} />}
      </div>
    </LargeDialog>
  );
}

interface LinesProps {
  lines: RevisionLine[];
  here?: RevisionLine;
  head: number;
  onHere: (line: RevisionLine) => void;
  onVisit: (line: RevisionLine) => void;
}

function Lines({ lines, here, head, onHere, onVisit }: LinesProps) {
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    row.current?.scrollIntoView({ block: "nearest" });
  }, [here?.number]);
  const onKeyDown = (event: React.KeyboardEvent) => {
    const from = lines.findIndex((line) => line === here);
    const next = lines[placeAfter(event, from, lines.length) ?? -1];
    if (next) {
      event.preventDefault();
      onHere(next);
    } else if (event.key === "Enter" && here) {
      event.preventDefault();
      onVisit(here);
    }
  };
  return (
    <ol
      role="listbox"
      aria-label="Revisions, the newest first"
      aria-activedescendant={here && `revision-${here.number}`}
      tabIndex={0}
      className="overflow-y-auto border-r border-rule py-1 outline-offset-[-2px]"
      onKeyDown={onKeyDown}
    >
      {lines.map((line) => (
        // Keys are handled by the list, which keeps the focus.
        // eslint-disable-next-line jsx-a11y/click-events-have-key-events
        <li
          key={line.number}
          id={`revision-${line.number}`}
          ref={line === here ? row : undefined}
          role="option"
          aria-selected={line === here}
          className={`grid grid-cols-[36px_minmax(0,1fr)_auto] items-baseline gap-2 px-4 py-1 ${
            line === here ? "bg-active-ground" : ""
          }`}
          onClick={() => onHere(line)}
        >
          <span className="text-right text-ink-2">{line.number}</span>
          <span className="min-w-0">
            {line.name && <b className="mr-2 font-semibold">{line.name}</b>}
            <span className={line.name ? "text-ink-2" : ""}>{line.says}</span>
          </span>
          <time dateTime={line.at} className="text-small text-ink-3">
            {line.number === head ? "here · " : ""}
            {when(line.at)}
          </time>
        </li>
      ))}
    </ol>
  );
}

interface OneProps {
  mix: MixView;
  line: RevisionLine;
  onVisit: () => void;
}

/** One revision: its name, and what is different in it. */
function One({ mix, line, onVisit }: OneProps) {
  const [name, setName] = useState(line.name ?? "");
  const { mutate: rename } = useNameRevision(mix.id);
  const [against, setAgainst] = useState<"before" | "now">(
    line.number === mix.revision || line.parent !== undefined ? "before" : "now",
  );
  const [from, to] =
    against === "before" ? [line.parent, line.number] : [line.number, mix.revision];
  const differences = useDifferences(mix.id, from, to).data;
  const save = () => {
    if (name.trim() !== (line.name ?? "")) {
      rename({ number: line.number, name });
    }
  };
  return (
    <section
      aria-label={`Revision ${line.number}`}
      className="grid min-h-0 grid-rows-[auto_auto_minmax(0,1fr)_auto] px-5 py-3"
    >
      <form
        className="flex items-baseline gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <label className="flex min-w-0 flex-1 items-baseline gap-3">
          <span className="shrink-0 text-ink-2">Name of revision {line.number}</span>
          <input
            className="min-w-0 flex-1 border-b border-rule bg-transparent"
            placeholder="none"
            value={name}
            onChange={(event) => setName(event.target.value)}
            onBlur={save}
          />
        </label>
      </form>
      <p className="mt-3 flex items-baseline gap-2 border-b border-rule pb-1 text-small text-ink-2">
        <Select
          label="Compare"
          value={against}
          choices={[
            { id: "before", label: "What it changed" },
            { id: "now", label: `What is different now, at revision ${mix.revision}` },
          ]}
          onChange={(id) => setAgainst(id as "before" | "now")}
        />
        {differences && <span className="ml-auto">{plural(differences.length, "difference")}</span>}
      </p>
      <ul
        aria-label="Differences"
        // A long list is scrolled by keys.
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        className="overflow-y-auto py-1"
      >
        {from === undefined && <li className="text-ink-2">It is the first.</li>}
        {from !== undefined && differences?.length === 0 && (
          <li className="text-ink-2">Nothing is different.</li>
        )}
        {from !== undefined &&
          differences?.map((words) => (
            <li key={words} className="border-b border-rule-2 py-0.5">
              {words}
            </li>
          ))}
      </ul>
      <button
        className="mt-2 self-start justify-self-start border border-active px-3 py-1 text-active disabled:border-rule disabled:text-ink-3"
        disabled={line.number === mix.revision}
        onClick={onVisit}
      >
        {line.number === mix.revision ? "The Mix is here" : `Go to revision ${line.number}`}
      </button>
    </section>
  );
}
