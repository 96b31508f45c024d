import { useState } from "react";
import type { Channel, MixView } from "../api/client";
import { Field, Select } from "../ui/FormDialog";
import { plural } from "../ui/format";
import { EffectForm } from "./EffectForm";

interface Props {
  view: MixView;
  picked: Channel[];
  onClose: () => void;
}

const WHAT = {
  sends: "its sends",
  chain: "its chain",
  routing: "where it goes, its group and colour",
  levels: "levels: trim, fader, position, and of sends",
};
type What = keyof typeof WHAT;

/** Gives all that is picked the settings of one of them. */
export function CopyDialog({ view, picked, onClose }: Props) {
  const [from, setFrom] = useState(picked[0]?.id ?? "");
  const [on, setOn] = useState({ sends: true, chain: true, routing: false, levels: false });
  const others = picked.filter((one) => one.id !== from).map((one) => one.id);
  const says = Object.values(on).some(Boolean);
  return (
    <EffectForm
      view={view}
      title="Copy settings"
      description={`To ${plural(others.length, "other picked channel")}. Without levels, a send that is there keeps its level, and a new one is ready and not open.`}
      edit={
        others.length > 0 && says
          ? { edit: "copy-settings", from, channels: others, ...on }
          : undefined
      }
      onClose={onClose}
    >
      <Field label="Of">
        <Select
          value={from}
          choices={picked.map((one) => ({ id: one.id, label: one.name }))}
          onChange={setFrom}
        />
      </Field>
      {(Object.keys(WHAT) as What[]).map((what) => (
        <label key={what} className="flex min-h-7 items-center gap-2">
          <input
            type="checkbox"
            checked={on[what]}
            onChange={(event) => setOn({ ...on, [what]: event.target.checked })}
          />
          {WHAT[what]}
        </label>
      ))}
    </EffectForm>
  );
}
