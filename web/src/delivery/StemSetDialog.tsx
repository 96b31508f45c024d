import { useState } from "react";
import { changesOf, freshId } from "../api/changes";
import type { Edit, MixView, StemSet, StemSetChanges } from "../api/client";
import { Field, FormDialog, Select } from "../ui/FormDialog";

interface Props {
  view: MixView;
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/** Which outputs must add up to which mix. */
export function StemSetDialog({ view, onEdit, onClose }: Props) {
  const { outputs, stemSets } = view.document;
  // As it was when it was chosen: what somebody else changes meanwhile is left alone.
  const [old, setOld] = useState(stemSets[0]);
  const [draft, setDraft] = useState<StemSet>(
    old ?? {
      id: freshId("stems"),
      name: "Stems",
      mixOutput: outputs.find((one) => one.kind === "mix")?.id ?? outputs[0]?.id ?? "",
      stems: outputs.filter((one) => one.kind === "stem").map((one) => one.id),
    },
  );
  const choose = (id: string) => {
    const chosen = stemSets.find((one) => one.id === id);
    setOld(chosen);
    setDraft(chosen ?? { ...draft, id: freshId("stems"), name: "" });
  };
  const submit = () => {
    const last = stemSets.at(-1)?.id ?? null;
    return onEdit({
      edit: "change-mix",
      set: {
        stemSets: old
          ? { changed: { [old.id]: changesOf<StemSetChanges>(old, draft) } }
          : { added: [{ item: draft, after: last }] },
      },
    });
  };
  return (
    <FormDialog
      title="Stem set"
      description="Outputs that must add up to a mix, sample by sample. The line check watches the routing, and every print proves it."
      does={old ? "Change" : "Add"}
      busy={draft.stems.length === 0}
      onClose={onClose}
      onSubmit={submit}
    >
      <Field label="Which">
        <Select
          value={old ? draft.id : ""}
          choices={[
            ...stemSets.map((one) => ({ id: one.id, label: one.name })),
            { id: "", label: "a new one" },
          ]}
          onChange={choose}
        />
      </Field>
      <Field label="Name">
        <input
          required
          className="border-b border-rule bg-transparent"
          value={draft.name}
          onChange={(event) => setDraft({ ...draft, name: event.target.value })}
        />
      </Field>
      <Field label="The mix">
        <Select
          value={draft.mixOutput}
          choices={outputs.map((one) => ({ id: one.id, label: one.name }))}
          onChange={(id) =>
            setDraft({ ...draft, mixOutput: id, stems: draft.stems.filter((one) => one !== id) })
          }
        />
      </Field>
      <fieldset className="mt-1 border border-rule px-2 py-1">
        <legend className="text-ink-2">Its stems</legend>
        {outputs
          .filter((one) => one.id !== draft.mixOutput)
          .map((one) => (
            <label key={one.id} className="flex min-h-7 items-center gap-2">
              <input
                type="checkbox"
                checked={draft.stems.includes(one.id)}
                onChange={() =>
                  setDraft({
                    ...draft,
                    stems: draft.stems.includes(one.id)
                      ? draft.stems.filter((id) => id !== one.id)
                      : [...draft.stems, one.id],
                  })
                }
              />
              {one.name}
            </label>
          ))}
      </fieldset>
    </FormDialog>
  );
}
