import { useState } from "react";
import type { Channel, Edit, MixView } from "../../api/client";
import { useKnowledge } from "../../api/queries";
import { choices, Field, FormDialog, Select, words } from "../../ui/FormDialog";

interface Props {
  view: MixView;
  /** Behind this channel the new ones stand, and they begin like it. */
  after?: Channel;
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/** Creates channels in bulk: one for each line, or as many as a range such as [1-9] counts. */
export function CreateDialog({ view, after, onEdit, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const [kind, setKind] = useState<Channel["kind"]>(after?.kind ?? "seat");
  const [layout, setLayout] = useState<Channel["layout"]>(after?.layout ?? "mono");
  const [names, setNames] = useState("");
  const [category, setCategory] = useState(after?.category ?? "unknown");
  const [output, setOutput] = useState(after?.output ?? "");
  const buses = view.document.channels.filter((one) => view.facts[one.id]?.takesSound);
  return (
    <FormDialog
      title="Add channels"
      description="A name on each line. A range in square brackets counts: “Guitar [1-4]”, “Dialogue [01-10]”. A column of a spreadsheet can be pasted."
      does="Add"
      onClose={onClose}
      onSubmit={() => {
        return onEdit({
          edit: "create-channels",
          kind,
          layout,
          names: names.split("\n"),
          category,
          output: output || undefined,
          after: after?.id,
        });
      }}
    >
      <Field label="Names">
        <textarea
          required
          rows={4}
          className="border border-rule bg-transparent px-1.5 py-1"
          value={names}
          onChange={(event) => setNames(event.target.value)}
        />
      </Field>
      <Field label="Kind">
        <Select
          value={kind}
          choices={words(knowledge?.channelKinds)}
          onChange={(id) => setKind(id as Channel["kind"])}
        />
      </Field>
      <Field label="Layout">
        <Select
          value={layout}
          choices={choices(knowledge?.layouts)}
          onChange={(id) => setLayout(id as Channel["layout"])}
        />
      </Field>
      <Field label="Category">
        <Select
          value={category}
          choices={words(knowledge?.categories.map((one) => one.path))}
          onChange={setCategory}
        />
      </Field>
      <Field label="Sent to">
        <Select
          value={output}
          choices={[
            { id: "", label: "nowhere yet" },
            ...buses.map((one) => ({ id: one.id, label: one.name })),
          ]}
          onChange={setOutput}
        />
      </Field>
      <p className="mt-2 text-small text-ink-2"> One undo takes all of them back.</p>
    </FormDialog>
  );
}
