import { useState } from "react";
import { changesOf, freshId } from "../../api/changes";
import type { Channel, Control, Edit, MixChanges, MixView } from "../../api/client";
import { understood } from "../../resources/typed";
import { Field, FormDialog, Select } from "../../ui/FormDialog";
import { toggled } from "../../ui/toggled";

interface Props {
  view: MixView;
  picked: Channel[];
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/** Makes a control over the picked channels, or changes one: its members, its gain, its end. */
export function ControlDialog({ view, picked, onEdit, onClose }: Props) {
  const controls = view.document.controls;
  const ids = picked.map((one) => one.id);
  const [draft, setDraft] = useState<Control>(fresh(ids));
  const [gain, setGain] = useState("0");
  // As it was when it was chosen: what somebody else changes meanwhile is left alone.
  const [old, setOld] = useState<Control>();
  const set = (changed: Partial<Control>) => setDraft({ ...draft, ...changed });
  const choose = (id: string) => {
    const control = controls.find((one) => one.id === id);
    setOld(control);
    setDraft(
      control
        ? { ...control, members: [...new Set([...control.members, ...ids])] }
        : { ...fresh(ids) },
    );
    setGain(String(control?.gainDb ?? 0));
  };
  const changeOf = (after: Control): MixChanges["controls"] =>
    old
      ? { changed: { [old.id]: changesOf(old, after) } }
      : { added: [{ item: after, after: controls.at(-1)?.id ?? null }] };
  const candidates = new Set([...(old?.members ?? []), ...ids]);
  const channels = view.document.channels.filter((one) => candidates.has(one.id));
  const member = (one: { id: string; name: string }) => (
    <label key={one.id} className="mr-4 inline-flex items-center gap-2">
      <input
        type="checkbox"
        checked={draft.members.includes(one.id)}
        onChange={() => set({ members: toggled(draft.members, one.id) })}
      />
      {one.name}
    </label>
  );
  return (
    <FormDialog
      title="Control"
      description="One gain over the faders of its members; post-fader sends follow. A dip lowers beds under speech; the line check tells if it reaches what is to be undipped."
      does={old ? "Change" : "Add"}
      busy={draft.members.length === 0}
      also={
        old && {
          label: "Remove this control",
          run: () => {
            return onEdit({ edit: "remove-controls", controls: [old.id] });
          },
        }
      }
      onClose={onClose}
      onSubmit={async () => {
        const gainDb = await understood("DECIBELS", gain);
        return onEdit({
          edit: "change-mix",
          set: { controls: changeOf({ ...draft, gainDb }) },
        });
      }}
    >
      <Field label="Which">
        <Select
          value={old ? draft.id : ""}
          choices={[
            { id: "", label: "a new one" },
            ...controls.map((one) => ({ id: one.id, label: one.name })),
          ]}
          onChange={choose}
        />
      </Field>
      <Field label="Name">
        <input
          required
          className="border-b border-rule bg-transparent"
          value={draft.name}
          onChange={(event) => set({ name: event.target.value })}
        />
      </Field>
      <Field label="Gain, dB">
        <input
          className="w-24 border-b border-rule bg-transparent"
          required
          value={gain}
          onChange={(event) => setGain(event.target.value)}
        />
      </Field>
      <Field label="Is a dip">
        <input
          type="checkbox"
          className="justify-self-start"
          checked={draft.dip}
          onChange={() => set({ dip: !draft.dip })}
        />
      </Field>
      <fieldset className="mt-1 max-h-[24vh] overflow-y-auto border border-rule px-2 py-1">
        <legend className="text-ink-2">Channels under it</legend>
        {channels.map(member)}
        {channels.length === 0 && <p className="text-ink-2">Pick channels in the Flow first.</p>}
      </fieldset>
      {controls.some((one) => one.id !== draft.id) && (
        <fieldset className="mt-2 border border-rule px-2 py-1">
          <legend className="text-ink-2">Controls under it</legend>
          {controls.filter((one) => one.id !== draft.id).map(member)}
        </fieldset>
      )}
    </FormDialog>
  );
}

function fresh(members: string[]): Control {
  return {
    id: freshId("control"),
    name: "",
    gainDb: 0,
    members,
    dip: false,
  };
}
