import { useState } from "react";
import type { Channel, Edit, MixView, Send, SendChanges } from "../../api/client";
import { useKnowledge } from "../../resources/knowledge";
import { understood } from "../../resources/typed";
import { Field, FormDialog, Select, words } from "../../ui/FormDialog";
import { db, plural } from "../../ui/format";

interface Props {
  view: MixView;
  picked: Channel[];
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/**
 * What the picked channels have to some destinations: the same on all of them, different, or none.
 *
 * @param sends the destinations of each send
 */
function there<T>(
  picked: Channel[],
  sends: string[][],
  of: (send: Send) => T,
): T | "various" | undefined {
  const same = (send: Send, to: string[]) =>
    send.destinations.length === to.length && send.destinations.every((id, i) => id === to[i]);
  const found = picked.flatMap((one) =>
    sends.map((to) => one.sends.find((send) => same(send, to))),
  );
  const values = new Set(found.map((send) => (send ? of(send) : undefined)));
  return values.size > 1 ? "various" : [...values][0];
}

/**
 * Gives the picked channels a send; with several destinations it is a fan, or a send of its own into
 * each. What they have to these destinations is shown, and what is not touched stays.
 */
export function SendDialog({ view, picked, onEdit, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const ids = picked.map((one) => one.id);
  const targets = view.document.channels
    .filter((one) => view.facts[one.id]?.takesSound && !ids.includes(one.id))
    .sort((a, b) => Number(b.kind === "return") - Number(a.kind === "return"));
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [tap, setTap] = useState<Send["tap"]>();
  const [typed, setLevel] = useState<string>();
  const destinations = targets.filter((one) => chosen.has(one.id)).map((one) => one.id);
  const [apart, setApart] = useState(false);
  const sends = apart ? destinations.map((id) => [id]) : [destinations];
  const tapNow = there(picked, sends, (send) => send.tap);
  const levelNow = there(picked, sends, (send) => send.levelDb);
  const isThere = tapNow !== undefined || levelNow !== undefined;
  const level = typed ?? (typeof levelNow === "number" ? db(levelNow) : "");
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) {
      next.add(id);
    }
    setChosen(next);
  };
  return (
    <FormDialog
      title={`Send of ${plural(picked.length, "channel")}`}
      description="Several destinations are a fan, the same level into each of them, which balance themselves; or each has a send of its own."
      does={
        chosen.size > 1
          ? apart
            ? `Set ${chosen.size} sends`
            : `Set a fan of ${chosen.size}`
          : "Set the send"
      }
      busy={chosen.size === 0}
      onClose={onClose}
      onSubmit={async () => {
        const set: SendChanges = isThere ? {} : { on: true };
        if (tap !== undefined) {
          set.tap = tap;
        }
        if (typed !== undefined && typed.trim() !== "") {
          set.levelDb = await understood("DECIBELS", typed);
        }
        const edits = sends.map(
          (to) => ({ edit: "set-send", channels: ids, destinations: to, set }) as const,
        );
        const words = `set the sends of ${plural(ids.length, "channel")} to ${plural(edits.length, "channel")}`;
        const [first, ...others] = edits;
        return onEdit(first && others.length === 0 ? first : { edit: "together", edits, words });
      }}
    >
      <fieldset className="max-h-[38vh] overflow-y-auto border border-rule px-2 py-1">
        <legend className="text-ink-2">To</legend>
        {targets.map((one) => (
          <label key={one.id} className="flex min-h-7 items-center gap-2">
            <input type="checkbox" checked={chosen.has(one.id)} onChange={() => toggle(one.id)} />
            {one.name} <span className="text-small text-ink-2">{one.kind}</span>
          </label>
        ))}
      </fieldset>
      {chosen.size > 1 && (
        <Field label="As">
          <Select
            value={apart ? "apart" : "fan"}
            choices={[
              { id: "fan", label: "one send into all of them, a fan" },
              { id: "apart", label: "a send of its own into each" },
            ]}
            onChange={(id) => setApart(id === "apart")}
          />
        </Field>
      )}
      <Field label="Taken">
        <Select
          value={tap ?? tapNow ?? "post-fader"}
          choices={[
            ...(tapNow === "various" ? [{ id: "various", label: "as each has it" }] : []),
            ...words(knowledge?.taps),
          ]}
          onChange={(id) => setTap(id === "various" ? undefined : (id as Send["tap"]))}
        />
      </Field>
      <Field label="Level, dB">
        <input
          className="w-32 border-b border-rule bg-transparent"
          placeholder={levelNow === "various" ? "as each has it" : "−∞"}
          value={level}
          onChange={(event) => setLevel(event.target.value)}
        />
      </Field>
      <p className="text-small text-ink-2">
        {isThere
          ? "What is not touched stays as each has it; those without such a send get one, ready and not open unless a level is given."
          : "Left empty, the send is ready and not open."}
      </p>
    </FormDialog>
  );
}
