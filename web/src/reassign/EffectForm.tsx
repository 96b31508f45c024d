import { useMemo, useState, type ReactNode } from "react";
import { messageOf, type Edit, type MixView } from "../api/client";
import { useEffectOf, useMixThen } from "../resources/effects";
import { useSeenEdit } from "../resources/mixes";
import { FlowLook } from "../flow/FlowLook";
import { all } from "../flow/selection";
import { FormDialog } from "../ui/FormDialog";
import { useSettled } from "../ui/settled";
import { EffectPanel, namesOf } from "./EffectPanel";
import { nothingLeft, without, type Left } from "./leaving";

interface Props {
  view: MixView;
  title: string;
  description: string;
  /** What the form says now; none while something is missing. */
  edit: Edit | undefined;
  onClose: () => void;
  children: ReactNode;
}

type Look = "list" | "now" | "then";
const LOOKS: readonly (readonly [Look, string])[] = [
  ["list", "what changes"],
  ["now", "the Flow now"],
  ["then", "the Flow then"],
];

/** A form beside what it would do; what is carried out is what was seen. */
export function EffectForm({ view, title, description, edit, onClose, children }: Props) {
  const key = JSON.stringify(edit ?? "");
  const [leaving, setLeaving] = useState<{ of: string; left: Left }>({ of: "", left: nothingLeft });
  // What was left out belongs to what was said then.
  const left = leaving.of === key ? leaving.left : nothingLeft;
  const settled = useSettled(edit, key);
  const effect = useEffectOf(view.id, view.revision, settled);
  const waits = edit !== undefined && (JSON.stringify(settled ?? "") !== key || effect.isFetching);
  const told = edit && effect.data ? effect.data : undefined;
  const { ask } = useSeenEdit(view.id);
  const names = useMemo(() => namesOf(view), [view]);
  const [shown, setShown] = useState<Look>("list");
  const then = useMixThen(view, shown === "then" ? settled : undefined);
  const flow = shown === "now" ? view : shown === "then" ? then.data : undefined;
  const moved = useMemo(
    () => all([...new Set(told?.lines.map((line) => line.channel) ?? [])]),
    [told],
  );
  return (
    <FormDialog
      title={title}
      description={description}
      does="Carry out"
      broad
      busy={told === undefined || waits || effect.error !== null}
      onClose={onClose}
      onSubmit={() => {
        if (edit === undefined || told === undefined) {
          throw new Error("Say first what is to be done.");
        }
        return ask({ edit: without(edit, left, told), seen: told.revision });
      }}
    >
      <div className="grid min-h-[50vh] grid-cols-[minmax(300px,380px)_minmax(0,1fr)] gap-4 max-[900px]:grid-cols-1">
        <div>{children}</div>
        <section
          aria-label="What it would do"
          className="grid h-[56vh] min-w-0 grid-rows-[auto_minmax(0,1fr)] border border-rule-2"
        >
          <div
            role="radiogroup"
            aria-label="How it is shown"
            className="flex gap-4 border-b border-rule-2 px-4 py-1 text-small"
          >
            {LOOKS.map(([look, label]) => (
              <label key={look} className="flex min-h-6 items-center gap-1.5">
                <input
                  type="radio"
                  name="look"
                  checked={shown === look}
                  onChange={() => setShown(look)}
                />
                {label}
              </label>
            ))}
          </div>
          {flow && (
            <div className="grid min-h-0 grid-rows-[minmax(0,1fr)] overflow-hidden">
              <FlowLook view={flow} selection={moved} />
            </div>
          )}
          {shown === "then" && !flow && (
            <p className="px-4 py-3 text-ink-2">
              {edit === undefined ? "Say first what is to be done." : "…"}
            </p>
          )}
          <div className={shown === "list" ? "overflow-y-auto" : "hidden"}>
            <EffectPanel
              effect={told}
              waits={waits}
              problem={edit && effect.error ? messageOf(effect.error) : undefined}
              left={left}
              onLeave={(next) => setLeaving({ of: key, left: next })}
              names={names}
              idle="What would become of each channel stands here before anything is changed."
            />
          </div>
        </section>
      </div>
    </FormDialog>
  );
}
