import { useState } from "react";
import type { Channel, Edit, MixView } from "../../api/client";
import { Field, FormDialog, Select } from "../../ui/FormDialog";
import { plural, typedNumber } from "../../ui/format";

interface Props {
  view: MixView;
  picked: Channel[];
  onEdit: (edit: Edit) => void;
  onClose: () => void;
}

/** Puts the picked channels under a control, an old one or a new one; controls can be nested. */
export function ControlDialog({ view, picked, onEdit, onClose }: Props) {
  const controls = view.document.controls;
  const [id, setId] = useState("");
  const old = controls.find((one) => one.id === id);
  const [name, setName] = useState("");
  const [gain, setGain] = useState("0");
  const [nested, setNested] = useState<ReadonlySet<string>>(new Set());
  const number = typedNumber(gain);
  const choose = (next: string) => {
    const control = controls.find((one) => one.id === next);
    setId(next);
    setName(control?.name ?? "");
    setGain(String(control?.gainDb ?? 0));
    setNested(new Set(control?.members.filter((one) => controls.some((c) => c.id === one))));
  };
  const members = [
    ...new Set([
      ...(old?.members.filter((one) => !controls.some((c) => c.id === one)) ?? []),
      ...picked.map((one) => one.id),
      ...nested,
    ]),
  ];
  return (
    <FormDialog
      open
      title="Control"
      description={`One gain over the faders of its members; post-fader sends follow. ${plural(picked.length, "picked channel")} ${picked.length === 1 ? "goes" : "go"} under it.`}
      does={old ? "Change" : "Add"}
      busy={number === undefined || members.length === 0}
      onClose={onClose}
      onSubmit={() => {
        onClose();
        onEdit({
          edit: "set-control",
          control: {
            id: old?.id ?? `control-${crypto.randomUUID().slice(0, 8)}`,
            name,
            gainDb: number ?? 0,
            members,
          },
        });
      }}
    >
      <Field label="Which">
        <Select
          value={id}
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
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </Field>
      <Field label="Gain, dB">
        <input
          className="w-24 border-b border-rule bg-transparent"
          aria-invalid={number === undefined}
          value={gain}
          onChange={(event) => setGain(event.target.value)}
        />
      </Field>
      {controls.some((one) => one.id !== id) && (
        <fieldset className="mt-1">
          <legend className="text-ink-2">Controls under it</legend>
          {controls
            .filter((one) => one.id !== id)
            .map((one) => (
              <label key={one.id} className="mr-4 inline-flex items-center gap-2">
                <input
                  type="checkbox"
                  checked={nested.has(one.id)}
                  onChange={() => {
                    const next = new Set(nested);
                    if (!next.delete(one.id)) {
                      next.add(one.id);
                    }
                    setNested(next);
                  }}
                />
                {one.name}
              </label>
            ))}
        </fieldset>
      )}
    </FormDialog>
  );
}
