import { useState } from "react";
import type { Channel } from "../../api/client";
import { useKeepChain } from "../../resources/chains";
import { useKnowledge } from "../../resources/knowledge";
import { Field, FormDialog, Select, TextLine, words } from "../../ui/FormDialog";

interface Props {
  mix: string;
  of: Channel;
  onClose: () => void;
}

/** What a chain is kept as: a name, what it is for, and what it does to it. */
export function KeepChainDialog({ mix, of, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const categories = knowledge?.categories ?? [];
  const { ask } = useKeepChain();
  const [name, setName] = useState(of.name);
  const [chosen, setCategory] = useState<string>();
  const category = chosen ?? knowledge?.keptUnder[of.kind] ?? of.category;
  const [purpose, setPurpose] = useState("");
  return (
    <FormDialog
      title={`Keep the chain of “${of.name}”`}
      description="It can be put on any channel of any Mix. What listens to another channel is kept without its key, as that is of this Mix."
      does="Keep it"
      onClose={onClose}
      onSubmit={() => ask({ mix, channel: of.id, name, category, purpose })}
    >
      <TextLine label="Name" required value={name} onChange={setName} />
      <Field label="For">
        <Select
          value={category}
          choices={words(categories.map((one) => one.path))}
          onChange={setCategory}
        />
      </Field>
      <Field label="What it does">
        <textarea
          rows={2}
          className="border border-rule bg-transparent px-1.5 py-1"
          value={purpose}
          onChange={(event) => setPurpose(event.target.value)}
        />
      </Field>
    </FormDialog>
  );
}
