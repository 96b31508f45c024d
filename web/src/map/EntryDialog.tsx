import { useState } from "react";
import type { MixView } from "../api/client";
import { freshId } from "../api/changes";
import { useKnowledge } from "../resources/knowledge";
import { useEdit } from "../resources/mixes";
import { Field, FormDialog, Select, TextLine, words } from "../ui/FormDialog";

interface Props {
  view: MixView;
  /** What the row that one stands on is of. */
  category: string;
  onClose: () => void;
}

/** An entry of the category map that asks for more than a category. What it says is written then. */
export function EntryDialog({ view, category: first, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const { ask } = useEdit(view.id);
  const [category, setCategory] = useState(first);
  const [asked, setAsked] = useState({ person: "", words: "", position: "", deliveredBy: "" });
  const [layout, setLayout] = useState("");
  const missing = layout === "" && Object.values(asked).every((text) => text.trim() === "");
  const text = (id: keyof typeof asked, label: string, placeholder: string) => (
    <TextLine
      label={label}
      placeholder={placeholder}
      value={asked[id]}
      onChange={(written) => setAsked({ ...asked, [id]: written })}
    />
  );
  const said = (word: string) => word.trim() || undefined;
  return (
    <FormDialog
      title="An entry that asks for more"
      description="It speaks of channels of a category of which this is true, too, and wins over the entry of the category alone. Say at least one thing."
      does="Add it"
      busy={missing}
      onClose={onClose}
      onSubmit={() =>
        ask({
          edit: "change-mix",
          set: {
            categoryMap: {
              added: [
                {
                  item: {
                    id: freshId("entry"),
                    category,
                    person: said(asked.person),
                    words: said(asked.words),
                    position: said(asked.position),
                    deliveredBy: said(asked.deliveredBy),
                    layout: knowledge?.layouts.find((one) => one.id === layout)?.id,
                    chain: [],
                    sends: [],
                    controls: [],
                  },
                  after: view.document.categoryMap.entries.at(-1)?.id ?? null,
                },
              ],
            },
          },
        })
      }
    >
      <Field label="Category">
        <Select
          value={category}
          choices={words(knowledge?.categories.map((one) => one.path))}
          onChange={setCategory}
        />
      </Field>
      {text("person", "Person", "anybody")}
      {text("words", "Words of the name", "any name")}
      <Field label="Microphone">
        <Select
          value={asked.position}
          choices={[{ id: "", label: "any" }, ...words(knowledge?.positions)]}
          onChange={(position) => setAsked({ ...asked, position })}
        />
      </Field>
      {text("deliveredBy", "Delivered by", "anybody")}
      <Field label="Layout">
        <Select
          value={layout}
          choices={[{ id: "", label: "any" }, ...words(knowledge?.layouts.map((one) => one.id))]}
          onChange={setLayout}
        />
      </Field>
    </FormDialog>
  );
}
