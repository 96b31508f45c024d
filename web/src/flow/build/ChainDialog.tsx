import { useRef, useState } from "react";
import { changesOf, freshId } from "../../api/changes";
import type { Channel, ChannelChanges, Edit, Insert, MixView } from "../../api/client";
import { useKnowledge } from "../../resources/knowledge";
import { FormDialog, Select, words } from "../../ui/FormDialog";
import { plural } from "../../ui/format";
import { hint } from "../../ui/hint";

type Key = NonNullable<Insert["key"]>;

interface Props {
  view: MixView;
  picked: Channel[];
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/**
 * The chain of a channel; of several, what is to stand behind what each has. Giving all of them one
 * chain in place of theirs is copying settings.
 */
export function ChainDialog({ view, picked, onEdit, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const processors = knowledge?.processors ?? [];
  const [before] = useState(picked[0]);
  const many = picked.length > 1;
  const [chain, setChain] = useState<Insert[]>(many ? [] : (before?.chain ?? []));
  const ids = picked.map((one) => one.id);
  const label = (processor: string) =>
    processors.find((one) => one.id === processor)?.label ?? processor;
  const submit = () => {
    if (!before) {
      return undefined;
    }
    if (many) {
      return chain.length === 0
        ? undefined
        : onEdit({ edit: "add-processors", channels: ids, add: chain });
    }
    const changes = changesOf<ChannelChanges>({ chain: before.chain }, { chain });
    return Object.keys(changes).length === 0
      ? undefined
      : onEdit({
          edit: "together",
          words: `set the chain of “${before.name}”`,
          edits: [{ edit: "set-channels", channels: [before.id], set: changes }],
        });
  };
  const change = (at: number, changed: Partial<Insert>) =>
    setChain(chain.map((insert, i) => (i === at ? { ...insert, ...changed } : insert)));
  const sources = [
    { id: "", label: "its own sound" },
    ...view.document.channels
      .filter((one) => !one.stowed && !ids.includes(one.id))
      .map((one) => ({ id: one.id, label: one.name })),
  ];
  return (
    <FormDialog
      wide
      title={
        many
          ? `Add to the chains of ${plural(picked.length, "channel")}`
          : `Chain of “${before?.name}”`
      }
      description={
        many
          ? "Behind what each has, which stays as it is. To give all of them the chain of one in place of theirs, copy its settings (Shift S), which shows first what goes."
          : "In order, from the first to the last. A key is what a processor listens to, and nobody hears."
      }
      does={many ? `Add to ${plural(picked.length, "chain")}` : "Set the chain"}
      busy={many && chain.length === 0}
      onClose={onClose}
      onSubmit={submit}
    >
      {many && (
        <ul
          // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- it is scrolled by keys
          tabIndex={0}
          aria-label="What they have"
          className="mb-2 max-h-[22vh] overflow-y-auto border border-rule px-2 py-1"
        >
          {picked.map((one) => (
            <li key={one.id} className="grid grid-cols-[170px_minmax(0,1fr)] gap-3">
              <bdi className="truncate">{one.name}</bdi>
              <span className="text-ink-2">
                {one.chain.map((insert) => label(insert.processor)).join(" → ") || "nothing yet"}
                {chain.length > 0 && (
                  <b className="font-semibold text-ink">
                    {" → "}
                    {chain.map((insert) => label(insert.processor)).join(" → ")}
                  </b>
                )}
              </span>
            </li>
          ))}
        </ul>
      )}
      {chain.length === 0 && (
        <p className="text-ink-2">{many ? "Choose what is added." : "No processor yet."}</p>
      )}
      <ol>
        {chain.map((insert, i) => (
          <li
            key={insert.id}
            className="grid grid-cols-[110px_46px_126px_minmax(0,1fr)_60px] items-center gap-3 border-b border-rule-2 py-1"
          >
            <span className="break-words">{label(insert.processor)}</span>
            <label className="flex items-center gap-1">
              <input
                type="checkbox"
                checked={insert.on}
                onChange={() => change(i, { on: !insert.on })}
              />
              on
            </label>
            <Select
              label={`Place of ${insert.processor}`}
              value={insert.postFader ? "after" : "before"}
              choices={[
                { id: "before", label: "before the fader" },
                { id: "after", label: "after the fader" },
              ]}
              onChange={(id) => change(i, { postFader: id === "after" })}
            />
            <span className="flex min-w-0 items-center gap-2">
              <span className="text-small text-ink-2">key</span>
              <Select
                label={`Key of ${insert.processor}`}
                value={insert.key?.source ?? ""}
                choices={sources}
                onChange={(id) =>
                  change(i, {
                    key: id ? { source: id, tap: insert.key?.tap ?? "post-fader" } : undefined,
                  })
                }
              />
              {insert.key && (
                <Select
                  label={`Tap of the key of ${insert.processor}`}
                  value={insert.key.tap}
                  choices={words(knowledge?.taps)}
                  onChange={(id) =>
                    change(i, { key: insert.key && { ...insert.key, tap: id as Key["tap"] } })
                  }
                />
              )}
            </span>
            <button
              type="button"
              className="text-small text-ink-2 underline"
              onClick={() => setChain(chain.toSpliced(i, 1))}
            >
              Remove
            </button>
          </li>
        ))}
      </ol>
      <Offered onAdd={(processor) => setChain([...chain, fresh(processor)])} />
    </FormDialog>
  );
}

function fresh(processor: string): Insert {
  const id = freshId(processor.replace(/\W+/g, "-"));
  return { id, processor, on: true, postFader: false, settings: {} };
}

/** What can be added: all that runs here, and by its name what runs elsewhere. */
function Offered({ onAdd }: { onAdd: (processor: string) => void }) {
  const processors = useKnowledge().data?.processors ?? [];
  const [name, setName] = useState("");
  const standIn = name.trim();
  const field = useRef<HTMLInputElement>(null);
  const addStandIn = () => {
    if (standIn !== "") {
      onAdd(standIn);
      setName("");
    }
    // The button goes grey, and must not take the keyboard along.
    field.current?.focus();
  };
  return (
    <div className="mt-2 flex flex-wrap items-baseline gap-3">
      {processors.map((one) => (
        <button
          key={one.id}
          type="button"
          className="border border-rule px-2 py-0.5"
          onClick={() => onAdd(one.id)}
        >
          Add {one.label.toLowerCase()}
        </button>
      ))}
      <span className="flex items-baseline gap-2">
        <input
          ref={field}
          aria-label="Name of a processor that runs elsewhere"
          className="w-40 border-b border-rule bg-transparent"
          placeholder="one that runs elsewhere"
          value={name}
          maxLength={100}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter" && !event.ctrlKey && !event.metaKey) {
              event.preventDefault();
              addStandIn();
            }
          }}
        />
        <button
          type="button"
          className="border border-rule px-2 py-0.5 disabled:text-ink-3"
          disabled={standIn === ""}
          {...hint("Sound passes it as it is, and the line check says so")}
          onClick={addStandIn}
        >
          Add a stand-in
        </button>
      </span>
    </div>
  );
}
