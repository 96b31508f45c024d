import { useState } from "react";
import { changesOf, freshId } from "../api/changes";
import {
  messageOf,
  type Edit,
  type MixView,
  type Output,
  type OutputChanges,
  type Specification,
} from "../api/client";
import { useKnowledge } from "../resources/knowledge";
import { useOutputDraft } from "../resources/outputs";
import { choices, Field, FormDialog, Select, words } from "../ui/FormDialog";
import { toggled } from "../ui/toggled";
import { SpecificationFields } from "./SpecificationFields";

const ADD = "Add an output";

interface Props {
  view: MixView;
  /** The output to change; none: a new one. */
  output?: Output;
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/** A file to be printed: what it is taken from, how it is written, what it must not hold. */
export function OutputDialog(props: Props) {
  const { view, output, onClose } = props;
  // The draft is asked for once: what somebody else does meanwhile changes nothing of the form.
  const [revision] = useState(view.revision);
  const draft = useOutputDraft(view.id, revision, output === undefined);
  const [id] = useState(() => freshId("output"));
  if (draft.error) {
    return (
      <FormDialog
        title={ADD}
        description={messageOf(draft.error)}
        does="Add"
        busy
        onSubmit={() => undefined}
        onClose={onClose}
      >
        {null}
      </FormDialog>
    );
  }
  const begins = output ?? (draft.data && { ...draft.data, id });
  return begins && <OutputForm {...props} begins={begins} />;
}

function OutputForm({ view, output: opened, begins, onEdit, onClose }: Props & { begins: Output }) {
  // As it was when the form was opened: what somebody else changes meanwhile is left alone.
  const [output] = useState(opened);
  const knowledge = useKnowledge().data;
  const channels = view.document.channels.filter((one) => !one.stowed);
  const [draft, setDraft] = useState<Output>(begins);
  const own = view.document.specifications;
  const shipped = knowledge?.specifications ?? [];
  const known = [...own, ...shipped.filter((one) => !own.some((two) => two.id === one.id))];
  const [answeredTo] = useState(own.find((one) => one.id === output?.specification));
  const [answersTo, setAnswersTo] = useState<Specification | undefined>(answeredTo);
  const set = (changed: Partial<Output>) => setDraft({ ...draft, ...changed });
  const categories = new Set(view.document.channels.map((one) => one.category));
  const families = [...categories].filter((one) => one !== "unknown").sort();
  const text = (label: string, field: "name" | "namePattern") => (
    <Field label={label}>
      <input
        required
        className="border-b border-rule bg-transparent"
        value={draft[field]}
        onChange={(event) => set({ [field]: event.target.value })}
      />
    </Field>
  );
  return (
    <FormDialog
      title={output ? `Output “${output.name}”` : ADD}
      description="A file that is printed: a tap on a channel, with its format and its name."
      does={output ? "Change" : "Add"}
      onClose={onClose}
      onSubmit={() => {
        const edits = editsOf(view, output, draft, answeredTo, answersTo);
        return edits.length === 0
          ? undefined
          : onEdit({
              edit: "together",
              words: `${output ? "change" : "add"} the output “${draft.name}”`,
              edits,
            });
      }}
    >
      {text("Name", "name")}
      <Field label="Kind">
        <Select
          value={draft.kind}
          choices={words(knowledge?.outputKinds)}
          onChange={(id) => set({ kind: id as Output["kind"] })}
        />
      </Field>
      <Field label="Taken from">
        <Select
          value={draft.channel}
          choices={channels.map((one) => ({ id: one.id, label: one.name }))}
          onChange={(id) => set({ channel: id })}
        />
      </Field>
      <Field label="At its">
        <Select
          value={draft.tap}
          choices={words(knowledge?.taps)}
          onChange={(id) => set({ tap: id as Output["tap"] })}
        />
      </Field>
      <Field label="Layout">
        <Select
          value={draft.layout}
          choices={choices(knowledge?.layouts)}
          onChange={(id) => set({ layout: id as Output["layout"] })}
        />
      </Field>
      <Field label="Format">
        <Select
          value={draft.format}
          choices={words(knowledge?.formats)}
          onChange={(id) => set({ format: id as Output["format"] })}
        />
      </Field>
      <Field label="Dither">
        <Select
          value={draft.dither}
          choices={words(knowledge?.dithers)}
          onChange={(id) => set({ dither: id as Output["dither"] })}
        />
      </Field>
      <SpecificationFields
        known={known}
        shipped={new Set(shipped.map((one) => one.id))}
        value={answersTo}
        onChange={setAnswersTo}
      />
      {text("File name", "namePattern")}
      <p className="text-small text-ink-2">
        Tokens: {"{project} {output} {layout} {rate} {revision} {date}"}
      </p>
      <label className="flex min-h-7 items-center gap-2">
        <input
          type="checkbox"
          checked={draft.mayBeSilent}
          onChange={(event) => set({ mayBeSilent: event.target.checked })}
        />
        It may be silent, or silent for long
      </label>
      <fieldset className="mt-2 max-h-[13vh] overflow-y-auto border border-rule px-2 py-1">
        <legend className="text-ink-2">Must not hold</legend>
        {families.map((category) => (
          <label key={category} className="mr-4 inline-flex min-h-7 items-center gap-1.5">
            <input
              type="checkbox"
              checked={draft.without.includes(category)}
              onChange={() => set({ without: toggled(draft.without, category) })}
            />
            {category}
          </label>
        ))}
        {families.length === 0 && <p className="text-ink-2">No channel has a category yet.</p>}
      </fieldset>
    </FormDialog>
  );
}

/** Only what was changed, and of the specification only if another one is answered to. */
function editsOf(
  view: MixView,
  before: Output | undefined,
  after: Output,
  answeredTo: Specification | undefined,
  answersTo: Specification | undefined,
): Edit[] {
  const fields = changesOf<OutputChanges>(
    { ...before, specification: undefined },
    { ...after, specification: undefined },
  );
  const edits: Edit[] = [];
  if (!before) {
    const last = view.document.outputs.at(-1)?.id ?? null;
    edits.push({
      edit: "change-mix",
      set: { outputs: { added: [{ item: { ...after, specification: undefined }, after: last }] } },
    });
  } else if (Object.keys(fields).length > 0) {
    edits.push({ edit: "change-mix", set: { outputs: { changed: { [after.id]: fields } } } });
  }
  if (JSON.stringify(answeredTo) !== JSON.stringify(answersTo)) {
    edits.push({ edit: "set-specification", outputs: [after.id], specification: answersTo });
  }
  return edits;
}
