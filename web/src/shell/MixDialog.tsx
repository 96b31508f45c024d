import { useState } from "react";
import { changesOf } from "../api/changes";
import type { Edit, Mix, MixChanges, MixView } from "../api/client";
import { Field, FormDialog, Select } from "../ui/FormDialog";
import { JOBS } from "../ui/jobs";

interface Props {
  mix: MixView;
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/** What the shelf says of a Mix. */
export function MixDialog({ mix, onEdit, onClose }: Props) {
  const [before] = useState({
    name: mix.document.name,
    job: mix.document.job,
    description: mix.document.description,
  });
  const [name, setName] = useState(mix.document.name);
  const [job, setJob] = useState(mix.document.job);
  const [description, setDescription] = useState(mix.document.description);
  return (
    <FormDialog
      title={`Name and describe this ${mix.document.kind}`}
      description="So it stands on the shelf, under its kind of job."
      does="Set"
      onClose={onClose}
      onSubmit={() => {
        const changes = changesOf<MixChanges>(before, { name, job, description });
        return Object.keys(changes).length > 0
          ? onEdit({ edit: "change-mix", set: changes })
          : undefined;
      }}
    >
      <Field label="Name">
        <input
          required
          className="border-b border-rule bg-transparent text-title"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </Field>
      <Field label="Kind of job">
        <Select value={job} choices={JOBS} onChange={(id) => setJob(id as Mix["job"])} />
      </Field>
      <Field label="Description">
        <textarea
          rows={7}
          className="border border-rule bg-transparent px-1.5 py-1"
          placeholder="What it is for, and why it is built so"
          value={description}
          onChange={(event) => setDescription(event.target.value)}
        />
      </Field>
    </FormDialog>
  );
}
