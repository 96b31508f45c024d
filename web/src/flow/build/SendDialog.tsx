import { useState } from "react";
import type { Channel, Edit, MixView, Send } from "../../api/client";
import { understood, useKnowledge } from "../../api/queries";
import { Field, FormDialog, Select, words } from "../../ui/FormDialog";
import { plural } from "../../ui/format";

interface Props {
  view: MixView;
  picked: Channel[];
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

const CLOSED = -144;

/** Gives the picked channels one send; with several destinations it is a fan. */
export function SendDialog({ view, picked, onEdit, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const ids = picked.map((one) => one.id);
  const targets = view.document.channels
    .filter((one) => view.facts[one.id]?.takesSound && !ids.includes(one.id))
    .sort((a, b) => Number(b.kind === "return") - Number(a.kind === "return"));
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [tap, setTap] = useState<Send["tap"]>("post-fader");
  const [level, setLevel] = useState("");
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
      description="One destination is a send; several are a fan: the same level into each of them, and each balances itself."
      does={chosen.size > 1 ? `Set a fan of ${chosen.size}` : "Set the send"}
      busy={chosen.size === 0}
      onClose={onClose}
      onSubmit={async () => {
        const levelDb = level.trim() === "" ? CLOSED : await understood("DECIBELS", level);
        return onEdit({
          edit: "set-send",
          channels: ids,
          destinations: targets.filter((one) => chosen.has(one.id)).map((one) => one.id),
          set: { tap, levelDb, on: true },
        });
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
      <Field label="Taken">
        <Select
          value={tap}
          choices={words(knowledge?.taps)}
          onChange={(id) => setTap(id as Send["tap"])}
        />
      </Field>
      <Field label="Level, dB">
        <input
          className="w-24 border-b border-rule bg-transparent"
          placeholder="−∞"
          value={level}
          onChange={(event) => setLevel(event.target.value)}
        />
      </Field>
      <p className="text-small text-ink-2">Left empty, the send is ready and not open.</p>
    </FormDialog>
  );
}
