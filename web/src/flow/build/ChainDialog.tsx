import { useState } from "react";
import { changesOf, freshId } from "../../api/changes";
import type { Channel, ChannelChanges, Edit, Insert, MixView } from "../../api/client";
import { useKnowledge } from "../../api/queries";
import { FormDialog, Select, words } from "../../ui/FormDialog";
import { plural } from "../../ui/format";

type Key = NonNullable<Insert["key"]>;

interface Props {
  view: MixView;
  picked: Channel[];
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/** The chain of the first picked channel, as it is to stand on all of them. */
export function ChainDialog({ view, picked, onEdit, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const processors = knowledge?.processors ?? [];
  const [before] = useState(picked[0]);
  const [chain, setChain] = useState<Insert[]>(before?.chain ?? []);
  const ids = picked.map((one) => one.id);
  const submit = () => {
    if (!before) {
      return undefined;
    }
    const changes = changesOf<ChannelChanges>({ chain: before.chain }, { chain });
    const own: Edit[] =
      Object.keys(changes).length === 0
        ? []
        : [{ edit: "set-channels", channels: [before.id], set: changes }];
    const others = ids.filter((id) => id !== before.id);
    if (others.length > 0) {
      own.push({
        edit: "copy-settings",
        from: before.id,
        channels: others,
        sends: false,
        chain: true,
        levels: false,
        routing: false,
      });
    }
    return own.length === 0
      ? undefined
      : onEdit({
          edit: "together",
          words: `set the chain of ${ids.length === 1 ? `“${before.name}”` : plural(ids.length, "channel")}`,
          edits: own,
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
      title={`Chain of ${picked.length === 1 ? `“${picked[0]?.name}”` : plural(picked.length, "channel")}`}
      description="In order, from the first to the last. A key is what a processor listens to, and nobody hears."
      does="Set the chain"
      onClose={onClose}
      onSubmit={submit}
    >
      {chain.length === 0 && <p className="text-ink-2">No processor yet.</p>}
      <ol>
        {chain.map((insert, i) => (
          <li
            key={insert.id}
            className="grid grid-cols-[110px_46px_126px_minmax(0,1fr)_60px] items-center gap-3 border-b border-rule-2 py-1"
          >
            <span>
              {processors.find((one) => one.id === insert.processor)?.label ?? insert.processor}
            </span>
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
      <div className="mt-2 flex flex-wrap gap-3">
        {processors.map((one) => (
          <button
            key={one.id}
            type="button"
            className="border border-rule px-2 py-0.5"
            onClick={() =>
              setChain([
                ...chain,
                {
                  id: freshId(one.id),
                  processor: one.id,
                  on: true,
                  postFader: false,
                  settings: {},
                },
              ])
            }
          >
            Add {one.label.toLowerCase()}
          </button>
        ))}
      </div>
    </FormDialog>
  );
}
