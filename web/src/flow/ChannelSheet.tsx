import type { ReactNode } from "react";
import type { Channel, ChannelChanges, Edit, MixView, SendChanges } from "../api/client";
import { useKnowledge } from "../resources/knowledge";
import { plural, signed } from "../ui/format";
import { choices, Select } from "../ui/FormDialog";
import { FigureField } from "./FigureField";
import { TextField } from "../ui/TextField";
import { Toggle } from "../ui/Toggle";
import { ImageField, LfeField, PlaceField, PositionLine } from "./PositionFields";
import { roomOf, roomOfChannel } from "./position";
import { outputsReached } from "./reach";
import { ChainOf } from "./ChainOf";
import { Decided } from "./Decided";

interface Props {
  view: MixView;
  channel: Channel;
  /** The others that are picked. */
  others: string[];
  /** Asks for a change; a refusal is said where it was asked for. */
  onEdit: (edit: Edit) => Promise<unknown>;
  /** The same, with a refusal said at the foot of the page. */
  onAct: (edit: Edit) => void;
}

/** All of one channel, beside the Flow, with the reason for what did not come by hand. */
export function ChannelSheet({ view, channel, others, onEdit, onAct }: Props) {
  const knowledge = useKnowledge().data;
  const name = (id: string | undefined) =>
    view.document.channels.find((one) => one.id === id)?.name;
  const change = (set: ChannelChanges) =>
    onEdit({ edit: "set-channels", channels: [channel.id], set });
  const act = (set: ChannelChanges) => onAct({ edit: "set-channels", channels: [channel.id], set });
  const set = (field: "faderDb" | "trimDb") => (value: number) => change({ [field]: value });
  const room = roomOfChannel(view, knowledge, channel);
  const clip = channel.clips[0];
  const wide = channel.layout !== "mono";
  const seat = channel.kind === "seat" || channel.kind === "reference";
  const because = view.facts[channel.id]?.destinationBecause;
  return (
    <aside
      key={channel.id}
      aria-label="Channel sheet"
      className="overflow-y-auto border-l border-rule bg-raised p-4"
    >
      <h2 className="text-title font-semibold break-words">{channel.name}</h2>
      <p className="mb-3 text-small break-words text-ink-2">
        {channel.kind} · {channel.layout}
        {seat && (clip ? ` · taken by “${clip.audio.name}”` : " · free")}
        {others.length > 0 && ` · first of ${others.length + 1} picked`}
      </p>
      <dl className="grid grid-cols-[74px_1fr] items-baseline gap-y-1">
        <Fact term="Category">{channel.category}</Fact>
        <Fact term="Layout">
          <Select
            label="Layout"
            value={channel.layout}
            choices={choices(knowledge?.layouts)}
            onChange={(layout) => act({ layout: layout as Channel["layout"] })}
          />
        </Fact>
        {seat && (
          <Fact term="Person">
            <TextField
              label="Person"
              value={channel.person ?? ""}
              onChange={(person) => change({ person })}
            />
          </Fact>
        )}
        <Fact term="Goes to">
          {name(channel.output) ?? "nowhere"}
          {because && <em className="ml-1.5 text-tiny text-ink-3 not-italic">{because}</em>}
        </Fact>
        <Fact term="Trim">
          <FigureField of="Channel" id="trimDb" value={channel.trimDb} onChange={set("trimDb")} />
        </Fact>
        <Fact term="Fader">
          <FigureField
            of="Channel"
            id="faderDb"
            value={channel.faderDb}
            onChange={set("faderDb")}
          />
        </Fact>
        <Fact term={wide && !channel.wholeImage ? "Balance" : "Pan"}>
          <span className="flex flex-wrap items-baseline gap-x-2">
            <PlaceField id="pan" place={channel} onChange={change} />
            {(wide || channel.wholeImage) && <ImageField place={channel} onChange={change} />}
          </span>
        </Fact>
        {(room.surround || channel.frontBack > 0) && (
          <Fact term="Position">
            <PlaceField id="frontBack" place={channel} onChange={change} />
          </Fact>
        )}
        {(room.heights || channel.height > 0) && (
          <Fact term="Height">
            <PlaceField id="height" place={channel} onChange={change} />
          </Fact>
        )}
        {(room.lfe || channel.lfeDb != null) && (
          <Fact term="LFE">
            <LfeField place={channel} onChange={change} />
          </Fact>
        )}
        <Fact term="Polarity">
          <Toggle
            label={channel.invertPolarity ? "turned over" : "as it comes"}
            on={channel.invertPolarity}
            onChange={(inverted) => act({ invertPolarity: inverted })}
          />
        </Fact>
        {clip && (
          <Fact term="Audio">
            <Toggle
              label={clip.keep ? "kept in templates" : "left out of templates"}
              on={clip.keep}
              onChange={(keep) => onAct({ edit: "keep-clips", channels: [channel.id], keep })}
            />
          </Fact>
        )}
        {channel.mute && <Fact term="Muted">post-fader taps are silent</Fact>}
      </dl>
      {channel.chain.length > 0 && (
        <Part title="Chain">
          <ChainOf view={view} channel={channel} others={others} onEdit={onEdit} onAct={onAct} />
        </Part>
      )}
      <Decided view={view} channel={channel} onAct={onAct} />
      <Sends view={view} channel={channel} name={name} onEdit={onEdit} onAct={onAct} />
      <Senders view={view} channel={channel} onEdit={onEdit} />
      <Controls view={view} channel={channel} />
      <Part title="Reaches">
        <p>
          {outputsReached(view.flow, channel.id)
            .map((id) => view.document.outputs.find((one) => one.id === id)?.name)
            .join(", ") || "no output"}
        </p>
      </Part>
      <Part title="Comment">
        <TextField
          label="Comment"
          lines={2}
          value={channel.comment}
          onChange={(comment) => change({ comment })}
        />
      </Part>
    </aside>
  );
}

function Fact({ term, children }: { term: string; children: ReactNode }) {
  return (
    <>
      <dt className="text-ink-2">{term}</dt>
      <dd>{children}</dd>
    </>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-3 border-t border-rule-2 pt-2">
      <h3 className="mb-1 text-tiny text-ink-3">{title}</h3>
      {children}
    </section>
  );
}

function Controls({ view, channel }: { view: MixView; channel: Channel }) {
  const over = view.document.controls.filter((one) => one.members.includes(channel.id));
  if (over.length === 0) {
    return null;
  }
  return (
    <Part title={plural(over.length, "control")}>
      <ul>
        {over.map((one) => (
          <li key={one.id} className="flex justify-between gap-2">
            {one.name}
            <span className="text-small text-ink-2">
              {one.dip ? "dip of " : ""}
              {signed(one.gainDb)} dB over {plural(one.members.length, "member")}
            </span>
          </li>
        ))}
      </ul>
    </Part>
  );
}

interface SendersProps {
  view: MixView;
  channel: Channel;
  onEdit: (edit: Edit) => Promise<unknown>;
}

/** What is sent here, as it stands at the senders, to be set from here, one or all. */
function Senders({ view, channel, onEdit }: SendersProps) {
  const senders = view.document.channels.flatMap((from) =>
    from.sends
      .filter((send) => send.destinations.includes(channel.id))
      .map((send) => ({ from, send })),
  );
  if (senders.length === 0) {
    return null;
  }
  const alone = senders.filter(({ send }) => send.destinations.length === 1);
  const levels = new Set(alone.map(({ send }) => send.levelDb));
  const level = (label: string, value: number, channels: string[], destinations: string[]) => (
    <FigureField
      of="Send"
      id="levelDb"
      label={label}
      value={value}
      onChange={(levelDb) => onEdit({ edit: "set-send", channels, destinations, set: { levelDb } })}
    />
  );
  return (
    <Part title={`Sent here by ${plural(senders.length, "channel")}`}>
      <ul>
        {alone.length > 1 && (
          <li className="mb-1 flex items-baseline justify-between gap-2 border-b border-rule-2 pb-1 text-ink-2">
            all {alone.length}, {levels.size === 1 ? "alike" : "at different levels"}
            {level(
              "Level of all sends that lead here",
              Math.max(...levels),
              alone.map(({ from }) => from.id),
              [channel.id],
            )}
          </li>
        )}
        {senders.map(({ from, send }) => (
          <li key={send.id} className="flex items-baseline justify-between gap-2">
            <span className={`min-w-0 truncate ${send.on ? "" : "text-ink-3"}`}>
              <bdi>{from.name}</bdi>{" "}
              <span className="text-small text-ink-2">
                {send.on ? send.tap : `${send.tap}, off`}
              </span>
            </span>
            {level(`Level of the send of ${from.name}`, send.levelDb, [from.id], send.destinations)}
          </li>
        ))}
      </ul>
    </Part>
  );
}

interface SendsProps {
  view: MixView;
  channel: Channel;
  name: (id: string) => string | undefined;
  onEdit: (edit: Edit) => Promise<unknown>;
  onAct: (edit: Edit) => void;
}

function Sends({ view, channel, name, onEdit, onAct }: SendsProps) {
  const knowledge = useKnowledge().data;
  if (channel.sends.length === 0) {
    return null;
  }
  return (
    <Part title={plural(channel.sends.length, "send")}>
      <ul>
        {channel.sends.map((send) => {
          const to = send.destinations.map((id) => name(id) ?? id).join(" + ");
          const setting = (changed: SendChanges): Edit => ({
            edit: "set-send",
            channels: [channel.id],
            destinations: send.destinations,
            set: changed,
          });
          const set = (changed: SendChanges) => onEdit(setting(changed));
          return (
            <li key={send.id} className="mb-1">
              <label className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  aria-label={`Send to ${to}`}
                  checked={send.on}
                  onChange={() => onAct(setting({ on: !send.on }))}
                />
                <span className={send.on ? "" : "text-ink-3"}>{to}</span>
              </label>
              <span className="flex items-baseline justify-between gap-2 pl-5 text-small text-ink-2">
                {send.tap}
                <FigureField
                  of="Send"
                  id="levelDb"
                  label={`Level of the send to ${to}`}
                  value={send.levelDb}
                  onChange={(levelDb) => set({ levelDb })}
                />
                <button
                  className="underline underline-offset-2"
                  aria-label={`Remove the send to ${to}`}
                  onClick={() =>
                    onAct({
                      edit: "together",
                      words: `remove the send of “${channel.name}” to “${to}”`,
                      edits: send.destinations.map((destination) => ({
                        edit: "remove-send",
                        channels: [channel.id],
                        destination,
                      })),
                    })
                  }
                >
                  Remove
                </button>
              </span>
              <PositionLine
                of={` of the send to ${to}`}
                place={send}
                wide={channel.layout !== "mono"}
                room={roomOf(view, knowledge, send.destinations)}
                onChange={set}
              />
            </li>
          );
        })}
      </ul>
    </Part>
  );
}
