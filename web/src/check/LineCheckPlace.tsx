import { useEffect, useMemo, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Finding, MixView } from "../api/client";
import { useEdit, useKnowledge } from "../api/queries";
import { useOffer, type Act } from "../shell/acts";
import { plural } from "../ui/format";

const WEIGHTS: { id: Finding["severity"]; label: string; says: string }[] = [
  { id: "wrong", label: "Wrong", says: "a deliverable would be wrong" },
  { id: "doubtful", label: "Doubtful", says: "probably not meant" },
  { id: "note", label: "Notes", says: "good to know" },
];

const LONGEST_LIST = 9;

/** Every finding about the Mix, with its place, its reason, and its mends. */
export function LineCheckPlace({ view }: { view: MixView }) {
  const findings = view.findings;
  const [at, setAt] = useState(0);
  const here = findings[Math.min(at, findings.length - 1)];
  const rows = useRef<(HTMLAnchorElement | null)[]>([]);
  const { mutate: edit } = useEdit(view.id);
  const rules = useKnowledge().data?.rules ?? [];
  const navigate = useNavigate();
  const acts = useMemo<Act[]>(() => {
    const mends = (here?.mends ?? []).slice(0, LONGEST_LIST);
    return [
      {
        id: "show-in-flow",
        label: "Show in the Flow",
        key: "f",
        can: here !== undefined,
        run: () => here && void navigate(placeOf(view, here)),
      },
      ...mends.map((mend, i) => ({
        id: `mend-${i}`,
        label: mend.label,
        key: `alt+${i + 1}`,
        run: () => edit(mend.edit),
      })),
    ];
  }, [here, edit, navigate, view]);
  useOffer("check", acts);
  useEffect(() => {
    rows.current.length = findings.length;
  }, [findings.length]);
  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (step !== 0) {
      event.preventDefault();
      const next = Math.max(0, Math.min(findings.length - 1, at + step));
      setAt(next);
      rows.current[next]?.focus();
    }
  };
  return (
    <div className="h-full overflow-y-auto px-6 py-4">
      <h1 className="sr-only">Line check of {view.document.name}</h1>
      {findings.length === 0 && (
        <p className="py-4 text-title">
          No findings. Everything that plays reaches a file once, the stems add up, and every file
          has a name of its own.
        </p>
      )}
      <div>
        {WEIGHTS.map((weight) => {
          const some = findings.filter((finding) => finding.severity === weight.id);
          return some.length === 0 ? null : (
            <section key={weight.id} className="mb-6" aria-label={weight.label}>
              <h2 className="border-b border-rule pb-1 text-small text-ink-2">
                <b className={`font-semibold ${weight.id === "wrong" ? "text-wrong" : ""}`}>
                  {weight.label}
                </b>{" "}
                {some.length} · {weight.says}
              </h2>
              <ul>
                {some.map((finding) => {
                  const index = findings.indexOf(finding);
                  return (
                    <FindingRow
                      key={`${finding.rule} ${finding.where.join(" ")} ${finding.says}`}
                      ref={(element) => {
                        rows.current[index] = element;
                      }}
                      view={view}
                      finding={finding}
                      why={rules.find((rule) => rule.id === finding.rule)?.why}
                      here={finding === here}
                      onHere={() => setAt(index)}
                      onKeyDown={onKeyDown}
                      onMend={edit}
                    />
                  );
                })}
              </ul>
            </section>
          );
        })}
      </div>
      {findings.length > 0 && (
        <p className="text-small text-ink-2">
          {plural(findings.length, "finding")}, worked out anew at every edit. Arrows move,{" "}
          <kbd>Alt 1</kbd> applies the first mend, <kbd>F</kbd> shows the place in the Flow.
        </p>
      )}
    </div>
  );
}

interface RowProps {
  ref: React.Ref<HTMLAnchorElement>;
  view: MixView;
  finding: Finding;
  why?: string;
  here: boolean;
  onHere: () => void;
  onKeyDown: (event: React.KeyboardEvent) => void;
  onMend: (edit: Finding["mends"][number]["edit"]) => void;
}

function FindingRow({ ref, view, finding, why, here, onHere, onKeyDown, onMend }: RowProps) {
  return (
    <li
      className={`grid grid-cols-[150px_minmax(0,1fr)_320px] gap-4 border-b border-rule-2 py-2 pl-2 ${here ? "bg-active-ground" : ""}`}
    >
      <Link
        ref={ref}
        tabIndex={here ? 0 : -1}
        to={placeOf(view, finding)}
        title="Show in the Flow"
        className="self-start text-ink-2 underline-offset-2 hover:underline"
        onFocus={onHere}
        onKeyDown={onKeyDown}
      >
        {finding.rule.replaceAll("-", " ")}
      </Link>
      <div>
        <p>{finding.says}</p>
        <p className="text-small text-ink-2">{why}</p>
      </div>
      <div className="flex flex-col items-start gap-1">
        {finding.mends.map((mend, i) => (
          <button
            key={mend.label}
            className="max-w-full truncate border border-active px-2 py-0.5 text-left text-active"
            title={mend.label}
            onClick={() => onMend(mend.edit)}
          >
            {mend.label} {here && i < LONGEST_LIST && <kbd>Alt {i + 1}</kbd>}
          </button>
        ))}
      </div>
    </li>
  );
}

function placeOf(view: MixView, finding: Finding): string {
  return `/mixes/${view.id}/flow?picked=${finding.where.map(encodeURIComponent).join(",")}`;
}
