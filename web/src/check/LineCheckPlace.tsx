import { useMemo, useRef, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import type { Finding, MixView } from "../api/client";
import { useKnowledge } from "../resources/knowledge";
import { useEdit } from "../resources/mixes";
import { useOffer, type Act } from "../shell/acts";
import { placeAfter } from "../ui/arrows";
import { plural } from "../ui/format";
import { HeapDialog } from "./HeapDialog";
import { heapsOf, ruleName, waysOf, type Heap } from "./heaps";
import { Proved } from "./Proved";
import { hint } from "../ui/hint";

const WEIGHTS: { id: Finding["severity"]; label: string; says: string }[] = [
  { id: "wrong", label: "Wrong", says: "a deliverable would be wrong" },
  { id: "doubtful", label: "Doubtful", says: "probably not meant" },
  { id: "note", label: "Notes", says: "good to know" },
];

const LONGEST_LIST = 9;

/** A larger heap is folded until it is opened. */
const SMALL_HEAP = 3;

/** What the arrows go over: the head of a heap, or one of its findings. */
type Line = { heap: Heap; finding?: Finding };

/** Every finding about the Mix in heaps, with its place, its reason, and its mends. */
export function LineCheckPlace({ view }: { view: MixView }) {
  const heaps = useMemo(() => heapsOf(view.findings), [view.findings]);
  const [open, toggleOpen] = useOpenHeaps(heaps);
  const lines = useMemo<Line[]>(
    () =>
      heaps.flatMap((heap) => [
        ...(heap.findings.length > 1 ? [{ heap }] : []),
        ...(open.has(heap.id) ? heap.findings.map((finding) => ({ heap, finding })) : []),
      ]),
    [heaps, open],
  );
  // Until somebody has gone to a line, no key acts on one.
  const [at, setAt] = useState<number>();
  const index = Math.min(at ?? 0, lines.length - 1);
  const here = at === undefined ? undefined : lines[index];
  const rows = useRef(new Map<number, HTMLElement>());
  const { mutate: edit, ask } = useEdit(view.id);
  const rules = useKnowledge().data?.rules ?? [];
  const [mending, setMending] = useState<Heap>();
  const navigate = useNavigate();
  const finding = here?.finding;
  const heap = here?.heap;
  const acts = useMemo<Act[]>(() => {
    const mends = (finding?.mends ?? []).slice(0, LONGEST_LIST);
    return [
      {
        id: "show-in-flow",
        label: "Show in the Flow",
        key: "f",
        can: heap !== undefined,
        needs: "go to a finding first",
        run: () => heap && void navigate(placeOf(view, finding ? [finding] : heap.findings)),
      },
      {
        id: "mend-heap",
        label: heap ? `Mend all of “${ruleName(heap.rule)}”…` : "Mend a heap…",
        key: "m",
        can: heap !== undefined && waysOf(heap).length > 0,
        needs: heap ? "there is no mend that fits all of them" : "go to a finding first",
        run: () => setMending(heap),
      },
      ...mends.map((mend, i) => ({
        id: `mend-${i}`,
        label: mend.label,
        key: `alt+${i + 1}`,
        run: () => edit(mend.edit),
      })),
    ];
  }, [finding, heap, edit, navigate, view, setMending]);
  useOffer("check", acts);
  const onKeyDown = (event: React.KeyboardEvent) => {
    const to = placeAfter(event, index, lines.length);
    if (to !== undefined) {
      event.preventDefault();
      setAt(to);
      rows.current.get(to)?.focus();
    } else if (here && !here.finding && (event.key === "ArrowRight" || event.key === "ArrowLeft")) {
      event.preventDefault();
      if (open.has(here.heap.id) !== (event.key === "ArrowRight")) {
        toggleOpen(here.heap.id);
      }
    }
  };
  const line = (of: Line) => {
    const place = lines.findIndex((one) => one.heap === of.heap && one.finding === of.finding);
    return {
      ref: (element: HTMLElement | null) => {
        if (element) {
          rows.current.set(place, element);
        } else {
          rows.current.delete(place);
        }
      },
      here: at !== undefined && place === index,
      first: place === index,
      onHere: () => setAt(place),
      onKeyDown,
    };
  };
  return (
    <div
      className="h-full overflow-y-auto px-6 py-4"
      // Without findings nothing in it takes the keyboard, which has to scroll it.
      {...(lines.length === 0 && { tabIndex: 0, role: "region", "aria-label": "What is proved" })}
    >
      <h1 className="sr-only">Line check of {view.document.name}</h1>
      {heaps.length === 0 && <p className="pb-4 text-title">No findings.</p>}
      {WEIGHTS.map((weight) => {
        const some = heaps.filter((heap) => heap.severity === weight.id);
        const count = some.reduce((sum, heap) => sum + heap.findings.length, 0);
        return some.length === 0 ? null : (
          <section key={weight.id} className="mb-6" aria-label={weight.label}>
            <h2 className="border-b border-rule pb-1 text-small text-ink-2">
              <b className={`font-semibold ${weight.id === "wrong" ? "text-wrong" : ""}`}>
                {weight.label}
              </b>{" "}
              {count} · {weight.says}
            </h2>
            {some.map((heap) => {
              const why = rules.find((rule) => rule.id === heap.rule)?.why;
              const many = heap.findings.length > 1;
              return (
                <div key={heap.id}>
                  {many && (
                    <HeapHead
                      {...line({ heap })}
                      heap={heap}
                      why={why}
                      open={open.has(heap.id)}
                      onToggle={() => toggleOpen(heap.id)}
                      onMend={() => setMending(heap)}
                    />
                  )}
                  {open.has(heap.id) && (
                    <ul>
                      {heap.findings.map((finding) => (
                        <FindingRow
                          key={`${finding.where.join(" ")} ${finding.says}`}
                          {...line({ heap, finding })}
                          view={view}
                          finding={finding}
                          why={many ? undefined : why}
                          onMend={edit}
                        />
                      ))}
                    </ul>
                  )}
                </div>
              );
            })}
          </section>
        );
      })}
      {heaps.length > 0 && (
        <p className="mb-6 text-small text-ink-2">
          {plural(view.findings.length, "finding")}, worked out anew at every edit. Arrows move,
          right and left open and fold a heap, <kbd>M</kbd> mends all of it, <kbd>Alt 1</kbd>{" "}
          applies the first mend of one, <kbd>F</kbd> shows the place in the Flow.
        </p>
      )}
      <Proved view={view} />
      {mending && (
        <HeapDialog view={view} heap={mending} onEdit={ask} onClose={() => setMending(undefined)} />
      )}
    </div>
  );
}

/** Which heaps are unfolded: small ones, but for those that were folded, and those that were opened. */
function useOpenHeaps(heaps: Heap[]): [ReadonlySet<string>, (id: string) => void] {
  const [params, setParams] = useSearchParams();
  const turned = params.get("heaps") ?? "";
  const open = useMemo(() => {
    const others = new Set(turned.split(","));
    return new Set(
      heaps
        .filter((heap) => heap.findings.length <= SMALL_HEAP !== others.has(heap.id))
        .map((heap) => heap.id),
    );
  }, [heaps, turned]);
  const toggle = (id: string) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        const ids = new Set(turned.split(",").filter(Boolean));
        if (!ids.delete(id)) {
          ids.add(id);
        }
        if (ids.size > 0) {
          next.set("heaps", [...ids].join(","));
        } else {
          next.delete("heaps");
        }
        return next;
      },
      { replace: true },
    );
  return [open, toggle];
}

interface LineProps {
  ref: (element: HTMLElement | null) => void;
  /** True where keys act. */
  here: boolean;
  /** True for the one that Tab leads to. */
  first: boolean;
  onHere: () => void;
  onKeyDown: (event: React.KeyboardEvent) => void;
}

interface HeadProps extends LineProps {
  heap: Heap;
  why?: string;
  open: boolean;
  onToggle: () => void;
  onMend: () => void;
}

function HeapHead(props: HeadProps) {
  const { ref, heap, why, open, here, first, onHere, onKeyDown, onToggle, onMend } = props;
  return (
    <div
      className={`grid grid-cols-[150px_minmax(0,1fr)_auto] gap-4 border-b border-rule-2 py-2 pl-2 max-sm:grid-cols-1 ${
        here ? "bg-active-ground" : ""
      }`}
    >
      <button
        ref={ref}
        tabIndex={first ? 0 : -1}
        aria-expanded={open}
        className="min-h-6 self-start text-left font-semibold"
        onFocus={onHere}
        onKeyDown={onKeyDown}
        onClick={onToggle}
      >
        <span aria-hidden="true">{open ? "▾ " : "▸ "}</span>
        {ruleName(heap.rule)} · {heap.findings.length}
      </button>
      <p className="text-small text-ink-2">{why}</p>
      {waysOf(heap).length > 0 && (
        <button
          className="min-h-6 self-start border border-active px-2 text-active"
          onClick={onMend}
        >
          Mend all {heap.findings.length}… {here && <kbd>M</kbd>}
        </button>
      )}
    </div>
  );
}

interface RowProps extends LineProps {
  view: MixView;
  finding: Finding;
  why?: string;
  onMend: (edit: Finding["mends"][number]["edit"]) => void;
}

function FindingRow(props: RowProps) {
  const { ref, view, finding, why, here, first, onHere, onKeyDown, onMend } = props;
  return (
    <li
      className={`grid grid-cols-[150px_minmax(0,1fr)_320px] gap-4 border-b border-rule-2 py-2 pl-2 max-md:grid-cols-1 ${
        here ? "bg-active-ground" : ""
      }`}
    >
      <Link
        ref={ref}
        tabIndex={first ? 0 : -1}
        to={placeOf(view, [finding])}
        {...hint("Show in the Flow", "f")}
        className="self-start text-ink-2 underline-offset-2 hover:underline"
        onFocus={onHere}
        onKeyDown={onKeyDown}
      >
        {ruleName(finding.rule)}
      </Link>
      <div className="min-w-0 break-words">
        <p>{finding.says}</p>
        {why && <p className="text-small text-ink-2">{why}</p>}
      </div>
      <div className="flex min-w-0 flex-col items-start gap-1">
        {finding.mends.map((mend, i) => (
          <button
            key={mend.label}
            className="max-w-full border border-active px-2 py-0.5 text-left break-words text-active"
            {...hint(mend.label, i === 0 ? "alt+1" : undefined)}
            onClick={() => onMend(mend.edit)}
          >
            {mend.label} {here && i < LONGEST_LIST && <kbd>Alt {i + 1}</kbd>}
          </button>
        ))}
      </div>
    </li>
  );
}

function placeOf(view: MixView, findings: Finding[]): string {
  const where = [...new Set(findings.flatMap((finding) => finding.where))];
  return `/mixes/${view.id}/flow?picked=${where.map(encodeURIComponent).join(",")}`;
}
