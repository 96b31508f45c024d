import { useId, useState, type ReactNode } from "react";
import type { Channel, CreateChannels, Edit, MixView, NamedChannel } from "../../api/client";
import { useKnowledge } from "../../resources/knowledge";
import { useNamed } from "../../resources/names";
import { choices, Field, FormDialog, Select, words } from "../../ui/FormDialog";
import { hint } from "../../ui/hint";
import { useSettled } from "../../ui/settled";

interface Props {
  view: MixView;
  /** Behind this channel the new ones stand; what their names do not say is as on it. */
  after?: Channel;
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

const BY_NAME = { id: "", label: "as each name says" };
const NOWHERE = "nowhere";
const TO = "to ";

/** What is said of all, as the edit has it: nothing where each name says it. */
function outputOf(sent: string): string | undefined {
  return sent === NOWHERE ? "" : sent.startsWith(TO) ? sent.slice(TO.length) : undefined;
}

/** Creates channels in bulk: one for each line, or as many as square brackets count. */
export function CreateDialog({ view, after, onEdit, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const [kind, setKind] = useState("");
  const [layout, setLayout] = useState("");
  const [names, setNames] = useState("");
  const [category, setCategory] = useState("");
  const [sent, setSent] = useState("");
  /** Nothing said: those by which no channel moves. */
  const [destinations, setDestinations] = useState<boolean>();
  const buses = view.document.channels.filter((one) => view.facts[one.id]?.takesSound);
  const edit: CreateChannels = {
    edit: "create-channels",
    kind: (kind || undefined) as Channel["kind"] | undefined,
    layout: (layout || undefined) as Channel["layout"] | undefined,
    names: names.split("\n"),
    category: category || undefined,
    output: outputOf(sent),
    after: after?.id,
    destinations,
  };
  const settled = useSettled(names.trim() ? edit : undefined, JSON.stringify(edit));
  const named = useNamed(view.id, view.revision, settled);
  const offers = (named.data ?? []).filter((one) => one.destinationOf);
  const free = offers.filter((one) => one.moved.length === 0);
  const moving = offers.filter((one) => one.moved.length > 0);
  return (
    <FormDialog
      wide
      title="Add channels"
      description="A name on each line. Square brackets count: “Guitar [1-4]”, “OH [L,R]”. A column of a spreadsheet can be pasted."
      does="Add"
      onClose={onClose}
      onSubmit={() => onEdit(edit)}
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
          choices={[BY_NAME, ...words(knowledge?.channelKinds)]}
          onChange={setKind}
        />
      </Field>
      <Field label="Layout">
        <Select
          value={layout}
          choices={[BY_NAME, ...choices(knowledge?.layouts)]}
          onChange={setLayout}
        />
      </Field>
      <Field label="Category">
        <Select
          value={category}
          choices={[BY_NAME, ...words(knowledge?.categories.map((one) => one.path))]}
          onChange={setCategory}
        />
      </Field>
      <Field label="Sent to">
        <Select
          value={sent}
          choices={[
            BY_NAME,
            { id: NOWHERE, label: "nowhere yet" },
            ...buses.map((one) => ({ id: TO + one.id, label: one.name })),
          ]}
          onChange={setSent}
        />
      </Field>
      <Suggestions view={view} named={named.data ?? []} error={named.error} />
      {free.length > 0 && (
        <Tick
          on={destinations !== false}
          onChange={(on) => setDestinations(on ? undefined : false)}
        >
          From now on the category map sends {categoriesOf(free)}
        </Tick>
      )}
      {moving.length > 0 && (
        <Tick on={destinations === true} onChange={(on) => setDestinations(on || undefined)}>
          Also {categoriesOf(moving)}: {moving.flatMap((one) => one.moved).join(", ")} would move
        </Tick>
      )}
      <p className="mt-2 text-small text-ink-2">One undo takes all of it back.</p>
    </FormDialog>
  );
}

function categoriesOf(buses: NamedChannel[]) {
  const categories = buses.flatMap((one) => one.destinationOf ?? []).join(", ");
  return `${categories} to ${buses.length === 1 ? "the new bus" : "the new buses"}`;
}

interface TickProps {
  on: boolean;
  onChange: (on: boolean) => void;
  children: ReactNode;
}

function Tick({ on, onChange, children }: TickProps) {
  return (
    <label className="mt-2 flex min-h-6 items-center gap-2">
      <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} />
      <span>{children}</span>
    </label>
  );
}

interface SuggestionsProps {
  view: MixView;
  named: NamedChannel[];
  error: Error | null;
}

/** What the names become, and why. */
function Suggestions({ view, named, error }: SuggestionsProps) {
  const heading = useId();
  if (error) {
    return <p className="mt-2 border-l-2 border-wrong pl-2 text-wrong">{error.message}</p>;
  }
  if (named.length === 0) {
    return null;
  }
  const nameOf = new Map(view.document.channels.map((one) => [one.id, one.name]));
  named.forEach((one) => nameOf.set(one.id, one.name));
  return (
    <section aria-labelledby={heading} className="mt-3">
      <h2 id={heading} className="text-small text-ink-2">
        {named.length === 1 ? "What it becomes" : `What the ${named.length} become`}
      </h2>
      <ul
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- it is scrolled by keys
        tabIndex={0}
        aria-labelledby={heading}
        className="max-h-[26vh] overflow-y-auto border border-rule"
      >
        {named.map((one) => {
          const because = one.because.join("; ");
          return (
            <li
              key={one.id}
              className="grid grid-cols-[150px_minmax(0,1fr)] gap-x-3 border-b border-rule-2 px-2 py-0.5 last:border-b-0"
            >
              <span className="truncate" {...hint(one.name)}>
                <bdi>{one.name}</bdi>
              </span>
              <span className="truncate">
                {one.kind} · {one.layout} · {one.category}
                {one.output !== undefined && ` → ${nameOf.get(one.output) ?? one.output}`}
              </span>
              <span
                className="col-start-2 truncate text-small text-ink-2"
                {...(because ? hint(because) : {})}
              >
                {because}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
