import { useCallback, useId, useMemo, useRef, useState } from "react";
import { changed } from "../api/change";
import type { MixView, OutlineDraft, OutlineFault, OutlinePreview } from "../api/client";
import { useMakeOutline, useOutline, useOutlinePreview } from "../resources/outlines";
import { FlowLook } from "../flow/FlowLook";
import { all, nothing, type Selection } from "../flow/selection";
import { useOffer, type Act } from "../shell/acts";
import { Loading } from "../shell/Loading";
import { hint } from "../ui/hint";
import { useSettled } from "../ui/settled";
import { keepDraft, keptDraft } from "./draft";
import { OutlineEditor, type EditorHandle } from "./OutlineEditor";

const NO_FAULTS: OutlineFault[] = [];

/** A list that nobody reads to its end; all of them stand at their lines. */
const FAULTS_LISTED = 50;

/** The hierarchy as indented text, and the Flow that it makes. */
export function OutlinePlace({ view }: { view: MixView }) {
  const outline = useOutline(view.id, view.revision);
  return outline.data ? (
    <Written view={view} written={outline.data} />
  ) : (
    <Loading what="The Outline" query={outline} />
  );
}

interface WrittenProps {
  view: MixView;
  written: NonNullable<ReturnType<typeof useOutline>["data"]>;
}

function Written({ view, written }: WrittenProps) {
  const { draft, setDraft, type, made } = useDraft(view.id, written);
  const [line, setLine] = useState<number>();
  const editor = useRef<EditorHandle>(null);
  const grammar = useId();
  const settled = useSettled(draft, draft?.text ?? "");
  const preview = useOutlinePreview(view.id, view.revision, draft && settled);
  const { ask, isPending } = useMakeOutline(view.id);
  const [refused, setRefused] = useState<string>();
  const shown = (draft && preview.data) || undefined;
  const faults = shown?.faults ?? NO_FAULTS;
  const lines = shown?.lines ?? written.lines;
  const waits = draft !== undefined && (settled?.text !== draft.text || preview.isFetching);
  const can = draft !== undefined && !waits && faults.length === 0 && !isPending;

  const drawn = useDrawn(view, shown);
  const lit = useMemo<Selection>(() => {
    const ids = lines.find((one) => one.line === line)?.channels ?? [];
    return ids.length > 0 ? all(ids) : nothing;
  }, [lines, line]);
  const goToChannel = useCallback(
    (selection: Selection) => {
      const [id] = selection.picked;
      const there = lines.find((one) => id !== undefined && one.channels.includes(id));
      if (there) {
        editor.current?.goTo(there.line);
      }
    },
    [lines],
  );
  const make = useCallback(() => {
    if (draft && can) {
      setRefused(undefined);
      ask(draft).then(
        (answer) => made(answer.revision),
        (error: Error) => setRefused(error.message),
      );
    }
  }, [ask, can, draft, made]);
  const startOver = useCallback(() => {
    setRefused(undefined);
    setDraft(undefined);
  }, [setDraft]);
  const acts = useMemo<Act[]>(
    () => [
      { id: "make", label: "Make what the outline says", key: "ctrl+Enter", can, run: make },
      {
        id: "start-over",
        label: "Start over from the Mix as it is",
        key: "ctrl+alt+Backspace",
        can: draft !== undefined,
        run: startOver,
      },
    ],
    [can, draft, make, startOver],
  );
  useOffer("outline", acts);

  return (
    <div className="grid h-full grid-rows-[minmax(0,1fr)_auto]">
      <h1 className="sr-only">Outline of {view.document.name}</h1>
      <div className="grid min-h-0 grid-cols-[minmax(280px,34%)_minmax(0,1fr)] max-[900px]:grid-cols-1 max-[900px]:grid-rows-2">
        <section
          aria-label="Text"
          className="grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)_auto] border-r border-rule"
        >
          <OutlineEditor
            ref={editor}
            label={`Outline of ${view.document.name}`}
            describedBy={grammar}
            text={draft?.text ?? written.text}
            faults={faults}
            onChange={type}
            onLine={setLine}
            onMake={make}
          />
          <Grammar id={grammar} />
        </section>
        <section
          aria-label="The Flow that it makes"
          className="grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)] overflow-hidden"
        >
          <FlowLook view={drawn} selection={lit} onSelect={goToChannel} />
        </section>
      </div>
      <Foot
        draft={draft}
        preview={shown}
        waits={waits}
        problem={refused ?? preview.error?.message}
        acts={acts}
        onFault={(fault) => editor.current?.goTo(fault.line, fault.from)}
      />
    </div>
  );
}

/** What is being typed; nothing where the text is that of the Mix. */
function useDraft(mix: string, written: WrittenProps["written"]) {
  const [typed, setTyped] = useState<{ draft?: OutlineDraft; madeAs?: number }>(() => {
    const kept = keptDraft(mix);
    return { draft: kept?.text === written.text ? undefined : kept };
  });
  const setDraft = useCallback(
    (draft: OutlineDraft | undefined) => {
      keepDraft(mix, draft);
      setTyped({ draft });
    },
    [mix],
  );
  const made = useCallback(
    (madeAs: number) => {
      keepDraft(mix, undefined);
      setTyped((now) => ({ ...now, madeAs }));
    },
    [mix],
  );
  // Until the Mix has been written anew, the text that was made stands in for it.
  const isWritten = typed.madeAs !== undefined && written.revision >= typed.madeAs;
  const draft = isWritten ? undefined : typed.draft;
  const type = (text: string) =>
    setDraft(
      text === written.text
        ? undefined
        : { basedOn: typed.madeAs ?? draft?.basedOn ?? written.revision, text },
    );
  return { draft, setDraft, type, made };
}

/** The Mix as the text makes it; while that cannot be read, as it was when it could. */
function useDrawn(view: MixView, preview: OutlinePreview | undefined): MixView {
  const [last, setLast] = useState<{ of: MixView; drawn: MixView }>();
  const drawn = useMemo(
    () => (preview?.change ? changed(view, preview.change) : undefined),
    [view, preview],
  );
  if (drawn && last?.drawn !== drawn) {
    setLast({ of: view, drawn });
  }
  return drawn ?? (preview && last?.of === view ? last.drawn : view);
}

/** The signs at one glance; the guide has the rest. */
function Grammar({ id }: { id: string }) {
  return (
    <p
      id={id}
      className="border-t border-rule-2 px-3 py-1 text-small text-ink-2 [&_b]:font-semibold [&_b]:text-ink"
    >
      A line is a channel, indented under what it is sent to. <b>[1-4]</b> <b>[L,R]</b> count ·{" "}
      <b>:stereo</b> layout, kind · <b>#drums</b> category · <b>&gt;Plate @-12</b> send,{" "}
      <b>&gt;&gt;</b> pre-fader · <b>^Kick</b> key · <b>&amp;Band</b> control · <b>=Drums</b>{" "}
      printed file · <b>&lt;drums</b> takes this category. Escape, then Tab leaves the text.
    </p>
  );
}

interface FootProps {
  draft: OutlineDraft | undefined;
  preview: OutlinePreview | undefined;
  waits: boolean;
  problem: string | undefined;
  acts: Act[];
  onFault: (fault: OutlineFault) => void;
}

/** What the text would do, or why it cannot be done. */
function Foot({ draft, preview, waits, problem, acts, onFault }: FootProps) {
  const faults = preview?.faults ?? NO_FAULTS;
  const come = preview?.check?.come ?? [];
  const gone = preview?.check?.gone ?? [];
  return (
    <footer className="grid max-h-[40vh] grid-rows-[auto_minmax(0,1fr)] border-t border-rule">
      <div className="flex min-h-9 flex-wrap items-center gap-x-4 px-4 py-1">
        <span role="status" className="min-w-0 flex-1">
          {!draft
            ? "This is the Mix as it is. Type, and what would become of it stands beside."
            : waits
              ? "…"
              : faults.length > 0
                ? `${faults.length === 1 ? "One place" : `${faults.length} places`} cannot be read; nothing is made until all can.`
                : preview?.says
                  ? `Would ${preview.says}.`
                  : "Says what the Mix is already."}
          {draft && !waits && come.length + gone.length > 0 && (
            <span {...hint([...come.map((one) => one.says)].join(" "))}>
              {" "}
              Line check: {come.length} {come.length === 1 ? "finding comes" : "findings come"},{" "}
              {gone.length} {gone.length === 1 ? "goes" : "go"}.
            </span>
          )}
        </span>
        {acts.map((act) => (
          <button
            key={act.id}
            className={`min-h-6 shrink-0 border px-3 ${
              act.id === "make" && act.can
                ? "border-active font-semibold text-active"
                : "border-rule"
            }`}
            disabled={act.can === false}
            {...hint(act.label, act.key)}
            onClick={act.run}
          >
            {act.id === "make" ? "Make it" : "Start over"}
          </button>
        ))}
      </div>
      {problem && (
        <p role="alert" className="border-l-2 border-wrong px-4 py-1 text-wrong">
          {problem}
        </p>
      )}
      {draft && !waits && faults.length > 0 && (
        <ul aria-label="What cannot be read" className="overflow-y-auto px-4 pb-2">
          {faults.slice(0, FAULTS_LISTED).map((fault) => (
            <li key={`${fault.line} ${fault.from} ${fault.says}`}>
              {fault.line > 0 ? (
                <button className="min-h-6 text-left" onClick={() => onFault(fault)}>
                  <b className="font-semibold text-wrong">Line {fault.line}</b> {fault.says}
                </button>
              ) : (
                fault.says
              )}
            </li>
          ))}
          {faults.length > FAULTS_LISTED && (
            <li className="text-ink-2">
              and {faults.length - FAULTS_LISTED} more, each at its line
            </li>
          )}
        </ul>
      )}
      {draft && !waits && (preview?.differences.length ?? 0) > 0 && (
        <details className="min-h-0 overflow-y-auto px-4 pb-1 text-small">
          <summary className="min-h-6 cursor-pointer text-ink-2">What is different</summary>
          <ul>
            {preview?.differences.map((one) => (
              <li key={one}>
                <bdi>{one}</bdi>
              </li>
            ))}
          </ul>
        </details>
      )}
    </footer>
  );
}
