import { useCallback, useEffect, useMemo, useState } from "react";
import type { Edit, MixView } from "../api/client";
import { useEdit } from "../resources/mixes";
import { follow, hear } from "../player/player";
import { channelTrack } from "../player/tracks";
import { useOffer, type Act } from "../shell/acts";
import { BesideSheet } from "../ui/BesideSheet";
import { Chooser } from "../ui/Chooser";
import { plural } from "../ui/format";
import { ChannelSheet } from "./ChannelSheet";
import { MixSheet } from "./MixSheet";
import { useSideSheet } from "./sheetState";
import { useFlowActs } from "./flowActs";
import { FlowPicture } from "./FlowPicture";
import { useFlowUrl, type FlowState } from "./flowState";
import { Questions, type Asking } from "./Questions";
import { all, only } from "./selection";
import { SelectionBar } from "./SelectionBar";

/** The Mix by stage: where sound goes. */
export function FlowPlace({ view }: { view: MixView }) {
  const { selection, select, state, show } = useFlowUrl(view);
  const [focused, setFocused] = useState<string>();
  const [asking, setAsking] = useState<Asking>();
  const [dropped, setDropped] = useState<{ channels: string[]; on: string }>();
  const { mutate: apply, ask } = useEdit(view.id);

  const channels = useMemo(
    () => new Map(view.document.channels.map((channel) => [channel.id, channel])),
    [view.document.channels],
  );
  const picked = useMemo(
    () => [...selection.picked].filter((id) => channels.has(id)),
    [selection, channels],
  );
  const sheet = channels.get(picked[0] ?? focused ?? "");
  const track = useMemo(() => channelTrack(view.id, sheet), [view.id, sheet]);
  useEffect(() => follow(track), [track]);
  const acts = useFlowActs({
    view,
    picked,
    channels,
    state,
    apply,
    ask: setAsking,
    select,
    show,
  });
  const side = useSideSheet();
  const { toggle, shown: sideShown } = side;
  const offered = useMemo<Act[]>(
    () => [
      ...acts,
      {
        id: "hear",
        label: track ? `Hear what lies on “${track.title}”` : "Hear what lies on a channel",
        key: "q",
        can: track !== undefined,
        needs: "it plays a seat that holds audio, and a bus is heard when it is printed",
        run: () => track && hear(track),
      },
      {
        id: "side-sheet",
        label: sideShown ? "Hide the sheet" : "Show the sheet",
        key: ".",
        run: toggle,
      },
    ],
    [acts, sideShown, toggle, track],
  );
  useOffer("flow", offered);
  const toggleFold = useCallback(
    (bus: string) => {
      const folded = new Set(state.folded);
      if (!folded.delete(bus)) {
        folded.add(bus);
      }
      show({ folded });
    },
    [state, show],
  );

  const shownSheet = sheet ? (
    <ChannelSheet view={view} channel={sheet} others={picked.slice(1)} onEdit={ask} onAct={apply} />
  ) : (
    <MixSheet view={view} />
  );
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <h1 className="sr-only">Flow of {view.document.name}</h1>
      <SelectionBar picked={picked} acts={offered} />
      <BesideSheet sheet={side.shown && shownSheet} narrow="over">
        <div className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)]">
          <Partly view={view} state={state} onShow={show} />
          <FlowPicture
            view={view}
            state={state}
            selection={selection}
            onSelect={select}
            focused={focused}
            onFocus={setFocused}
            onFold={toggleFold}
            onSendTo={(dropped, destination) =>
              channels.get(destination)?.kind === "return"
                ? setDropped({ channels: dropped, on: destination })
                : apply({ edit: "send-channels-to", channels: dropped, destination })
            }
          />
        </div>
      </BesideSheet>
      {dropped && (
        <SendOrRoute
          {...dropped}
          name={channels.get(dropped.on)?.name ?? ""}
          onEdit={apply}
          onClose={() => setDropped(undefined)}
        />
      )}
      <Questions
        view={view}
        picked={picked.flatMap((id) => channels.get(id) ?? [])}
        asking={asking}
        onClose={() => setAsking(undefined)}
        onEdit={apply}
        onAsk={ask}
        onFind={(id) => select(only(id))}
        onOnly={(bus) => show({ only: bus })}
        onPick={(ids) => select(all(ids))}
      />
    </div>
  );
}

interface SendOrRouteProps {
  channels: string[];
  /** The return that they were dropped on. */
  on: string;
  name: string;
  onEdit: (edit: Edit) => void;
  onClose: () => void;
}

/** A return gets sends, as a rule; going there with all of their sound is the exception. */
function SendOrRoute({ channels, on, name, onEdit, onClose }: SendOrRouteProps) {
  const what = plural(channels.length, "channel");
  return (
    <Chooser
      open
      title={`${what} onto the return “${name}”`}
      placeholder="Send or route"
      choices={[
        { id: "send", label: `Give ${what} a send to “${name}”`, hint: "ready, not open" },
        { id: "route", label: `Route ${what} to “${name}”`, hint: "in place of where they go" },
      ]}
      onClose={onClose}
      onChoose={(id) => {
        onClose();
        onEdit(
          id === "send"
            ? { edit: "set-send", channels, destinations: [on], set: {} }
            : { edit: "send-channels-to", channels, destination: on },
        );
      }}
    />
  );
}

interface PartlyProps {
  view: MixView;
  state: FlowState;
  onShow: (change: Partial<FlowState>) => void;
}

/** Says that not everything is shown, and offers it. */
function Partly({ view, state, onShow }: PartlyProps) {
  const name = view.document.channels.find((one) => one.id === state.only)?.name;
  if (!name && !state.buses) {
    return <div />;
  }
  return (
    <p
      role="status"
      className="flex gap-4 border-b border-rule bg-active-ground px-4 py-1 text-small"
    >
      <span>
        {name ? `Only what leads to “${name}” is shown, and where it goes` : "Only buses are shown"}
        {name && state.buses ? ", buses alone" : ""}.
      </span>
      <button
        className="font-semibold text-active"
        onClick={() => onShow({ only: undefined, buses: false })}
      >
        Show everything
      </button>
    </p>
  );
}
