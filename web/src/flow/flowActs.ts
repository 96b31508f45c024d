import { useMemo } from "react";
import type { Channel, Edit, MixView } from "../api/client";
import type { Act } from "../shell/acts";
import { withAllInto } from "./folding";
import type { Asking } from "./Questions";
import { all, nothing, type Selection } from "./selection";
import type { FlowState } from "./flowState";

interface Doing {
  view: MixView;
  picked: string[];
  channels: Map<string, Channel>;
  state: FlowState;
  apply: (edit: Edit) => void;
  ask: (what: Asking) => void;
  select: (selection: Selection) => void;
  show: (change: Partial<FlowState>) => void;
}

const PICK = "pick channels first";

/** What can be done in the Flow: with the picked channels, and with what is shown. */
export function useFlowActs(doing: Doing): Act[] {
  const { view, picked, channels, state, apply, ask, select, show } = doing;
  return useMemo(() => {
    const some = picked.length > 0;
    const mute = picked.some((id) => !channels.get(id)?.mute);
    const stowed = view.document.channels.filter((channel) => channel.stowed);
    return [
      { id: "create", label: "Add channels…", key: "a", run: () => ask("create") },
      {
        id: "send-to",
        label: "Send to…",
        key: "o",
        can: some,
        needs: PICK,
        run: () => ask("send"),
      },
      {
        id: "category",
        label: "Category…",
        key: "k",
        can: some,
        needs: PICK,
        run: () => ask("category"),
      },
      {
        id: "colour",
        label: "Colour…",
        key: "c",
        can: some,
        needs: PICK,
        run: () => ask("colour"),
      },
      {
        id: "rename",
        label: "Rename…",
        key: "n",
        can: some,
        needs: PICK,
        run: () => ask("rename"),
      },
      { id: "fan", label: "Sends…", key: "s", can: some, needs: PICK, run: () => ask("fan") },
      { id: "chain", label: "Chain…", key: "i", can: some, needs: PICK, run: () => ask("chain") },
      {
        id: "wide-chain",
        label: "Chain, side by side…",
        key: "shift+c",
        can: some,
        needs: PICK,
        run: () => ask("wide-chain"),
      },
      {
        id: "put-chain",
        label: "Put a chain from the shelf…",
        key: "l",
        can: some,
        needs: PICK,
        run: () => ask("put-chain"),
      },
      {
        id: "keep-chain",
        label: "Keep this chain on the shelf…",
        key: "shift+i",
        can: (channels.get(picked[0] ?? "")?.chain.length ?? 0) > 0,
        needs: "the first picked channel has no chain",
        run: () => ask("keep-chain"),
      },
      {
        id: "control",
        label: "Control…",
        key: "v",
        can: some,
        needs: PICK,
        run: () => ask("control"),
      },
      {
        id: "copy-sends",
        label: "Copy the sends of…",
        key: "y",
        can: some,
        needs: PICK,
        run: () => ask("copy-sends"),
      },
      {
        id: "group",
        label: "Show with…",
        key: "g",
        can: some,
        needs: PICK,
        run: () => ask("group"),
      },
      {
        id: "duplicate",
        label: "Duplicate",
        key: "d",
        can: some,
        needs: PICK,
        run: () => apply({ edit: "duplicate-channels", channels: picked }),
      },
      {
        id: "earlier",
        label: "Move up",
        key: "alt+ArrowUp",
        can: some,
        needs: PICK,
        run: () => {
          const move = moving(view.document.channels, picked, -1);
          if (move) {
            apply(move);
          }
        },
      },
      {
        id: "later",
        label: "Move down",
        key: "alt+ArrowDown",
        can: some,
        needs: PICK,
        run: () => {
          const move = moving(view.document.channels, picked, 1);
          if (move) {
            apply(move);
          }
        },
      },
      {
        id: "remove",
        label: "Remove",
        key: "Delete",
        can: some,
        needs: PICK,
        run: () => {
          apply({ edit: "remove-channels", channels: picked });
          select(nothing);
        },
      },
      {
        id: "mute",
        label: mute || !some ? "Mute" : "Unmute",
        key: "m",
        can: some,
        needs: PICK,
        run: () => apply({ edit: "set-channels", channels: picked, set: { mute } }),
      },
      {
        id: "stow",
        label: "Stow",
        key: "w",
        can: some,
        needs: PICK,
        run: () => {
          apply({ edit: "stow-channels", channels: picked, stowed: true });
          select(nothing);
        },
      },
      {
        id: "bring-back",
        label: `Bring back… (${stowed.length} stowed)`,
        key: "b",
        can: stowed.length > 0,
        needs: "nothing is stowed",
        run: () => ask("stowed"),
      },
      {
        id: "times",
        label: "Rate, tempo, start, end and sections…",
        key: "t",
        run: () => ask("times"),
      },
      ...showing(view, picked, state, ask, show),
      { id: "find", label: "Find…", key: "/", run: () => ask("find") },
      {
        id: "controlled",
        label: "Pick what a control acts on…",
        key: "p",
        can: view.document.controls.length > 0,
        needs: "there is no control yet; V makes one",
        run: () => ask("controlled"),
      },
      {
        id: "pick-seats",
        label: "Pick all seats",
        key: "ctrl+a",
        // What is only compared with is not what acts on many are meant for.
        run: () =>
          select(
            all((view.flow.stages[0]?.ids ?? []).filter((id) => channels.get(id)?.kind === "seat")),
          ),
      },
      {
        id: "pick-group",
        label: "Pick the whole group",
        key: "x",
        can: some,
        needs: PICK,
        run: () => select(all(withAllInto(busesOf(picked, view), view.flow))),
      },
      {
        id: "pick-pinned",
        label: "Pick all that is pinned",
        key: "shift+p",
        can: view.document.channels.some((one) => one.pins.length > 0),
        needs: "nothing is pinned",
        run: () =>
          select(
            all(view.document.channels.filter((one) => one.pins.length > 0).map((one) => one.id)),
          ),
      },
      {
        id: "follow-map",
        label: "Follow the category map: unpin",
        key: "shift+u",
        can: picked.some((id) => (channels.get(id)?.pins.length ?? 0) > 0),
        needs: "nothing that is picked is pinned",
        run: () => apply({ edit: "unpin-slots", channels: picked }),
      },
      {
        id: "unpin-kind",
        label: "Take out all pins of a kind…",
        key: "shift+k",
        can: view.document.channels.some((one) => one.pins.length > 0),
        needs: "nothing is pinned",
        run: () => ask("unpin"),
      },
      {
        id: "buses-of",
        label: "Move into a new bus, split, join…",
        key: "shift+b",
        run: () => ask("buses-of"),
      },
      {
        id: "copy-settings",
        label: "Copy settings of one to the others…",
        key: "shift+s",
        can: picked.length > 1,
        needs: "pick the one that is copied and the others",
        run: () => ask("copy-settings"),
      },
      { id: "reassign", label: "Reassign…", key: "r", run: () => ask("reassign") },
      { id: "pick-none", label: "Pick nothing", key: "Escape", run: () => select(nothing) },
    ];
  }, [picked, channels, view, state, apply, ask, select, show]);
}

function showing(
  view: MixView,
  picked: string[],
  state: FlowState,
  ask: (what: Asking) => void,
  show: (change: Partial<FlowState>) => void,
): Act[] {
  const buses = busesOf(picked, view);
  const unfolding = buses.length > 0 && buses.every((id) => state.folded.has(id));
  return [
    {
      id: "fold",
      label: unfolding ? "Unfold the group" : "Fold the group",
      key: "f",
      can: buses.length > 0,
      needs: "pick a bus, or seats of one",
      run: () => {
        const folded = new Set(state.folded);
        buses.forEach((id) => (unfolding ? folded.delete(id) : folded.add(id)));
        show({ folded });
      },
    },
    {
      id: "fold-all",
      label: state.folded.size > 0 ? "Unfold all groups" : "Fold all groups",
      key: "shift+f",
      can: state.folded.size > 0 || view.flow.groups.length > 0,
      needs: "no seat goes to a bus",
      run: () => show({ folded: new Set(state.folded.size > 0 ? [] : view.flow.groups) }),
    },
    {
      id: "only",
      label: state.only ? "Show every group" : "Show only this group",
      key: "e",
      run: () => {
        if (state.only) {
          show({ only: undefined });
        } else if (buses.length === 1) {
          show({ only: buses[0] });
        } else {
          ask("only");
        }
      },
    },
    {
      id: "buses",
      label: state.buses ? "Show seats and buses" : "Show only the buses",
      key: "u",
      run: () => show({ buses: !state.buses }),
    },
  ];
}

/** The buses that a pick means, each once. */
function busesOf(picked: string[], view: MixView): string[] {
  return [...new Set(picked.flatMap((id) => view.facts[id]?.bus ?? []))];
}

/** The edit that moves channels one place up or down in the document; none at its edge. */
function moving(channels: Channel[], picked: string[], by: 1 | -1): Edit | undefined {
  const places = picked.map((id) => channels.findIndex((one) => one.id === id));
  const rest = channels.filter((one) => !picked.includes(one.id));
  const first = Math.min(...places);
  const at = by < 0 ? first - 1 : first + 1;
  if (at < 0 || at > rest.length) {
    return undefined;
  }
  return { edit: "move-channels", channels: picked, before: rest[at]?.id };
}
