import { useState } from "react";
import type { Channel, Edit, MixView } from "../api/client";
import { useChains } from "../resources/chains";
import { useKnowledge } from "../resources/knowledge";
import { Chooser, type Choice } from "../ui/Chooser";
import { Mark } from "../ui/Mark";
import { db, plural } from "../ui/format";
import { controlled } from "./brackets";
import { WideChain } from "./ChainOf";
import { ChainDialog } from "./build/ChainDialog";
import { ControlDialog } from "./build/ControlDialog";
import { CreateDialog } from "./build/CreateDialog";
import { KeepChainDialog } from "./build/KeepChainDialog";
import { SendDialog } from "./build/SendDialog";
import { TimesDialog } from "./build/TimesDialog";
import { BusDialog } from "../reassign/BusDialog";
import { CopyDialog } from "../reassign/CopyDialog";
import { ReassignDialog } from "../reassign/ReassignDialog";
import { RenameDialog } from "./RenameDialog";

type Listed =
  | "send"
  | "category"
  | "colour"
  | "find"
  | "stowed"
  | "copy-sends"
  | "put-chain"
  | "group"
  | "only"
  | "controlled"
  | "unpin";
type Formed =
  | "rename"
  | "create"
  | "fan"
  | "control"
  | "chain"
  | "wide-chain"
  | "keep-chain"
  | "reassign"
  | "buses-of"
  | "copy-settings"
  | "times";
export type Asking = Listed | Formed;

interface QuestionsProps {
  view: MixView;
  picked: Channel[];
  asking?: Asking;
  onClose: () => void;
  onEdit: (edit: Edit) => void;
  onAsk: (edit: Edit) => Promise<unknown>;
  onFind: (id: string) => void;
  onOnly: (bus: string | undefined) => void;
  onPick: (ids: string[]) => void;
}

/** Whatever is being asked: a list to choose from, or a form. */
export function Questions({ asking, ...rest }: QuestionsProps) {
  return asking && <Question key={asking} asking={asking} {...rest} />;
}

function Question({ asking, ...rest }: QuestionsProps & { asking: Asking }) {
  // As they were when it was asked: what somebody else picks out or removes meanwhile is told by the
  // server, and no form loses what was typed for it.
  const [picked] = useState(rest.picked);
  const form = { view: rest.view, onEdit: rest.onAsk, onClose: rest.onClose };
  switch (asking) {
    case "rename":
      return <RenameDialog channels={picked} {...form} />;
    case "create":
      return <CreateDialog after={picked.at(-1)} {...form} />;
    case "fan":
      return <SendDialog picked={picked} {...form} />;
    case "control":
      return <ControlDialog picked={picked} {...form} />;
    case "chain":
      return <ChainDialog picked={picked} {...form} />;
    case "wide-chain":
      return (
        <WideChain
          view={rest.view}
          picked={picked.map((one) => one.id)}
          onEdit={rest.onAsk}
          onAct={rest.onEdit}
          onClose={rest.onClose}
        />
      );
    case "keep-chain":
      return picked[0] && <KeepChainDialog mix={rest.view.id} of={picked[0]} {...form} />;
    case "reassign":
      return (
        <ReassignDialog
          view={rest.view}
          picked={picked.map((one) => one.id)}
          onClose={rest.onClose}
        />
      );
    case "copy-settings":
      return <CopyDialog view={rest.view} picked={picked} onClose={rest.onClose} />;
    case "buses-of":
      return <BusDialog view={rest.view} picked={picked} onClose={rest.onClose} />;
    case "times":
      return <TimesDialog {...form} />;
    default:
      return <Choosers {...rest} asking={asking} picked={picked.map((one) => one.id)} />;
  }
}

const ALL = "all";
const from = (bus: string | undefined) => `from ${bus}`;

/** What is stowed and can be brought back in one move: all of it, or all that one bus gets. */
function stowedTogether(channels: Channel[]): Choice[] {
  const stowed = channels.filter((one) => one.stowed);
  const buses = channels.filter((bus) => stowed.filter((one) => one.output === bus.id).length > 1);
  return stowed.length < 2
    ? []
    : [
        { id: ALL, label: "All of them", hint: plural(stowed.length, "channel") },
        ...buses.map((bus) => ({
          id: from(bus.id),
          label: `All that go to ${bus.name}`,
          hint: plural(stowed.filter((one) => one.output === bus.id).length, "channel"),
        })),
      ];
}

/** Pins by what they hold: where it goes, its sends, its colour… */
function pinnedKinds(channels: Channel[]) {
  const kinds = new Map<string, { channels: Set<string>; slots: Set<string> }>();
  for (const channel of channels) {
    for (const pin of channel.pins) {
      const kind = pin.id.split(":")[0] ?? "";
      const pins = kinds.get(kind) ?? { channels: new Set(), slots: new Set() };
      pins.channels.add(channel.id);
      pins.slots.add(pin.id);
      kinds.set(kind, pins);
    }
  }
  return [...kinds].map(([kind, pins]) => ({
    kind,
    channels: [...pins.channels],
    slots: [...pins.slots],
  }));
}

interface ChoosersProps {
  view: MixView;
  picked: string[];
  asking: Listed;
  onClose: () => void;
  onEdit: (edit: Edit) => void;
  onFind: (id: string) => void;
  onOnly: (bus: string | undefined) => void;
  onPick: (ids: string[]) => void;
}

function Choosers(props: ChoosersProps) {
  const { view, picked, asking, onClose, onEdit, onFind, onOnly, onPick } = props;
  const knowledge = useKnowledge().data;
  const first = view.document.channels.find((one) => one.id === picked[0]);
  const chains = useChains(first, asking === "put-chain").data ?? [];
  const what = `${plural(picked.length, "channel")}`;
  const lead = (id: string) => (
    <Mark
      family={view.facts[id]?.colour ?? "neutral"}
      shape={view.document.channels.find((one) => one.id === id)?.kind ?? "seat"}
    />
  );
  const channelChoices = (wanted: (channel: Channel) => boolean): Choice[] =>
    view.document.channels.filter(wanted).map((channel) => ({
      id: channel.id,
      label: channel.name,
      hint: `${channel.kind} · ${channel.layout}`,
      lead: lead(channel.id),
    }));
  const close = (edit: Edit) => {
    onClose();
    onEdit(edit);
  };
  const lists: Record<
    Listed,
    { title: string; placeholder: string; choices: Choice[]; choose: (id: string) => void }
  > = {
    send: {
      title: `Send ${what} to…`,
      placeholder: "Destination",
      choices: [
        ...channelChoices(
          (one) => view.facts[one.id]?.takesSound === true && !picked.includes(one.id),
        ),
        { id: "", label: "Nowhere", hint: "no output" },
      ],
      choose: (id) =>
        close({ edit: "send-channels-to", channels: picked, destination: id || undefined }),
    },
    category: {
      title: `File ${what} under…`,
      placeholder: "Category",
      choices: (knowledge?.categories ?? []).map((one) => ({
        id: one.path,
        label: one.path,
        lead: <Mark family={one.family} />,
      })),
      choose: (id) => close({ edit: "set-category", channels: picked, category: id }),
    },
    colour: {
      title: `Colour ${what}…`,
      placeholder: "Colour",
      choices: [
        { id: "", label: "The category’s own" },
        ...(knowledge?.families ?? []).map((one) => ({
          id: one.id,
          label: one.id,
          lead: <Mark family={one.id} />,
        })),
      ],
      choose: (id) =>
        close({ edit: "set-channels", channels: picked, set: { colour: id || null } }),
    },
    "copy-sends": {
      title: `Copy sends to ${what} from…`,
      placeholder: "Channel with sends",
      choices: channelChoices(
        (one) => one.sends.length > 0 && (picked.length > 1 || !picked.includes(one.id)),
      ),
      choose: (id) =>
        close({
          edit: "copy-sends",
          from: id,
          channels: picked.filter((one) => one !== id),
        }),
    },
    "put-chain": {
      title: `Put a chain on ${what}, in place of what is there…`,
      placeholder: "Name, instrument or processor",
      choices: chains
        .filter((one) => one.removedAt === undefined)
        .map((one) => ({
          id: one.id,
          label: one.chain.name,
          hint: `${one.chain.category} · ${one.chain.chain.map((insert) => insert.processor).join(", ")}`,
        })),
      choose: (id) => {
        const chain = chains.find((one) => one.id === id)?.chain;
        if (chain) {
          close({ edit: "put-chain", chain, channels: picked });
        }
      },
    },
    group: {
      title: `Show ${what} with the seats of…`,
      placeholder: "Bus",
      choices: [
        ...channelChoices((one) => one.kind === "bus" && !one.stowed),
        { id: "", label: "Their own bus" },
      ],
      choose: (id) => close({ edit: "set-channels", channels: picked, set: { group: id || null } }),
    },
    unpin: {
      title: "Take out all pins of a kind…",
      placeholder: "What is pinned",
      choices: pinnedKinds(view.document.channels).map(({ kind, channels }) => ({
        id: kind,
        label: knowledge?.slots.find((one) => one.id === kind)?.label ?? kind,
        hint: plural(channels.length, "channel"),
      })),
      choose: (kind) => {
        const pins = pinnedKinds(view.document.channels).find((one) => one.kind === kind);
        if (pins) {
          close({ edit: "unpin-slots", channels: pins.channels, slots: pins.slots });
        }
      },
    },
    find: {
      title: "Find a channel",
      placeholder: "Name, kind or layout",
      choices: channelChoices((one) => !one.stowed),
      choose: (id) => {
        onClose();
        onFind(id);
      },
    },
    only: {
      title: "Show only what leads to…",
      placeholder: "Bus",
      choices: channelChoices((one) => one.kind === "bus" && !one.stowed),
      choose: (id) => {
        onClose();
        onOnly(id);
      },
    },
    controlled: {
      title: "Pick what is controlled by…",
      placeholder: "Control",
      choices: view.document.controls.map((one) => ({
        id: one.id,
        label: one.name,
        hint: `${db(one.gainDb)} dB`,
      })),
      choose: (id) => {
        onClose();
        onPick(controlled(view.document.controls).get(id) ?? []);
      },
    },
    stowed: {
      title: "Bring back",
      placeholder: "Stowed channel or its bus",
      choices: [...stowedTogether(view.document.channels), ...channelChoices((one) => one.stowed)],
      choose: (id) =>
        close({
          edit: "stow-channels",
          channels: view.document.channels
            .filter((one) => one.stowed && (id === one.id || id === ALL || id === from(one.output)))
            .map((one) => one.id),
          stowed: false,
        }),
    },
  };
  const list = lists[asking];
  return (
    <Chooser
      key={asking}
      open
      title={list.title}
      placeholder={list.placeholder}
      choices={list.choices}
      onChoose={list.choose}
      onClose={onClose}
    />
  );
}
