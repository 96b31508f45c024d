import { useState } from "react";
import { messageOf, type CheckChange, type Edit, type MixView } from "../api/client";
import { usePreview } from "../resources/checks";
import { Field, FormDialog, Select } from "../ui/FormDialog";
import { plural } from "../ui/format";
import { useSettled } from "../ui/settled";
import { toggled } from "../ui/toggled";
import { ruleName, waysOf, type Heap } from "./heaps";

interface Props {
  view: MixView;
  heap: Heap;
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/** Mends a heap of findings in one step: how, and which of them; each says what would be done. */
export function HeapDialog({ view, heap: opened, onEdit, onClose }: Props) {
  // As it was when it was opened: what is mended meanwhile is told by the server.
  const [heap] = useState(opened);
  const ways = waysOf(heap);
  const [chosen, setChosen] = useState(ways[0]?.id ?? "");
  const [left, setLeft] = useState<string[]>([]);
  const way = ways.find((one) => one.id === chosen) ?? ways[0];
  const lines = (way?.mends ?? []).map(({ finding, mend }) => ({
    id: `${finding.where.join(" ")} ${finding.says}`,
    finding,
    mend,
  }));
  const picked = lines.filter((line) => !left.includes(line.id));
  const edit: Edit = {
    edit: "together",
    words: `mend ${plural(picked.length, "finding")} of “${ruleName(heap.rule)}”`,
    edits: picked.map((line) => line.mend.edit),
  };
  const settled = useSettled(picked.length > 0 ? edit : undefined, JSON.stringify(left) + chosen);
  const preview = usePreview(view.id, view.revision, settled);
  return (
    <FormDialog
      wide
      title={`Mend “${ruleName(heap.rule)}”`}
      description="What is ticked is done in one step, which one undo takes back."
      does={`Mend ${picked.length}`}
      busy={picked.length === 0}
      onClose={onClose}
      onSubmit={() => onEdit(edit)}
    >
      <Field label="How">
        <Select
          value={way?.id ?? ""}
          choices={ways.map((one) => ({
            id: one.id,
            label: `as in: ${one.mends[0]?.mend.label ?? ""} (${one.mends.length} of ${heap.findings.length})`,
          }))}
          onChange={(id) => {
            setChosen(id);
            setLeft([]);
          }}
        />
      </Field>
      <fieldset className="mt-2 max-h-[44vh] overflow-y-auto border border-rule px-2 py-1">
        <legend className="text-ink-2">What is done</legend>
        {lines.map((line) => (
          <label key={line.id} className="flex min-h-6 items-baseline gap-2 py-0.5">
            <input
              type="checkbox"
              checked={!left.includes(line.id)}
              onChange={() => setLeft(toggled(left, line.id))}
            />
            <span className="min-w-0 break-words">
              {line.mend.label}
              <span className="block text-small text-ink-2">{line.finding.says}</span>
            </span>
          </label>
        ))}
      </fieldset>
      <Outcome preview={preview} />
    </FormDialog>
  );
}

interface OutcomeProps {
  preview: { data?: CheckChange | null; error: Error | null };
}

/** What the line check would find afterwards: that something goes is no use where worse comes. */
function Outcome({ preview: { data, error } }: OutcomeProps) {
  if (error) {
    return <p className="mt-2 text-wrong">It cannot be done: {messageOf(error)}</p>;
  }
  if (!data) {
    return null;
  }
  return (
    <div role="status" className="mt-2 text-small">
      <p>
        {plural(data.gone.length, "finding")} would go
        {data.come.length > 0 ? `, ${data.come.length} would come:` : ", and none come."}
      </p>
      <ul className="max-h-[16vh] overflow-y-auto">
        {data.come.map((finding) => (
          <li
            key={`${finding.where.join(" ")} ${finding.says}`}
            className={`break-words ${finding.severity === "wrong" ? "text-wrong" : "text-ink-2"}`}
          >
            {ruleName(finding.rule)}: {finding.says}
          </li>
        ))}
      </ul>
    </div>
  );
}
