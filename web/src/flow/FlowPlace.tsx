import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import type { Channel, Edit, MixView } from "../api/client";
import { useEdit, useKnowledge } from "../api/queries";
import { useOffer, type Act } from "../shell/acts";
import { Chooser, type Choice } from "../ui/Chooser";
import { familyColour } from "../ui/colour";
import { Mark } from "../ui/Mark";
import { plural } from "../ui/format";
import { ChainDialog } from "./build/ChainDialog";
import { ControlDialog } from "./build/ControlDialog";
import { CreateDialog } from "./build/CreateDialog";
import { SendDialog } from "./build/SendDialog";
import { TimesDialog } from "./build/TimesDialog";
import { ChannelSheet } from "./ChannelSheet";
import { FlowRow } from "./FlowRow";
import { layOut, type Geometry, type Row } from "./geometry";
import { reach } from "./reach";
import { RenameDialog } from "./RenameDialog";
import { rowFacts } from "./rowFacts";
import { all, extended, nothing, only, toggled, type Selection } from "./selection";
import { SelectionBar } from "./SelectionBar";

type Listed = "send" | "category" | "colour" | "find" | "stowed" | "copy-sends" | "group";
type Formed = "rename" | "create" | "fan" | "control" | "chain" | "times";
type Asking = Listed | Formed;

/** The Mix by stage: where sound goes. */
export function FlowPlace({ view }: { view: MixView }) {
  const [selection, setSelection] = useSelection(view);
  const [pointed, setPointed] = useState<string>();
  const [focused, setFocused] = useState<string>();
  const [asking, setAsking] = useState<Asking>();
  const edit = useEdit(view.id);
  const { mutate: apply } = edit;

  const channels = useMemo(
    () => new Map(view.document.channels.map((channel) => [channel.id, channel])),
    [view.document.channels],
  );
  const picked = useMemo(
    () => [...selection.picked].filter((id) => channels.has(id)),
    [selection, channels],
  );
  const sheet = channels.get(
    picked[0] ?? (focused && channels.has(focused) ? focused : undefined) ?? "",
  );
  const acts = useFlowActs(view, picked, channels, apply, setAsking, setSelection);
  useOffer("flow", acts);

  return (
    <div className="grid h-full grid-rows-[36px_minmax(0,1fr)]">
      <h1 className="sr-only">Flow of {view.document.name}</h1>
      <SelectionBar view={view} picked={picked} acts={acts} />
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_286px]">
        <FlowPicture
          view={view}
          selection={selection}
          onSelect={setSelection}
          pointed={pointed}
          onPoint={setPointed}
          focused={focused}
          onFocus={setFocused}
        />
        <ChannelSheet view={view} channel={sheet} count={picked.length} onEdit={apply} />
      </div>
      <Questions
        view={view}
        picked={picked.flatMap((id) => channels.get(id) ?? [])}
        asking={asking}
        onClose={() => setAsking(undefined)}
        onEdit={apply}
        onFind={(id) => setSelection(only(id))}
      />
    </div>
  );
}

/** Picked rows live in the URL, so that a reload and a link show the same. */
function useSelection(view: MixView): [Selection, (selection: Selection) => void] {
  const [params, setParams] = useSearchParams();
  const [anchor, setAnchor] = useState<string>();
  const text = params.get("picked") ?? "";
  const selection = useMemo<Selection>(() => {
    const known = new Set([
      ...view.document.channels.map((one) => one.id),
      ...view.document.outputs.map((one) => one.id),
    ]);
    const ids = text.split(",").filter((id) => known.has(id));
    return ids.length === 0 ? nothing : { picked: new Set(ids), anchor };
  }, [text, anchor, view.document]);
  const set = useCallback(
    (next: Selection) => {
      setAnchor(next.anchor);
      setParams(next.picked.size ? { picked: [...next.picked].join(",") } : {}, { replace: true });
    },
    [setParams],
  );
  return [selection, set];
}

function useFlowActs(
  view: MixView,
  picked: string[],
  channels: Map<string, Channel>,
  apply: (edit: Edit) => void,
  ask: (what: Asking) => void,
  select: (selection: Selection) => void,
): Act[] {
  return useMemo(() => {
    const some = picked.length > 0;
    const mute = picked.some((id) => !channels.get(id)?.mute);
    const stowed = view.document.channels.filter((channel) => channel.stowed);
    return [
      { id: "create", label: "Add channels…", key: "a", run: () => ask("create") },
      { id: "send-to", label: "Send to…", key: "o", can: some, run: () => ask("send") },
      { id: "category", label: "Category…", key: "k", can: some, run: () => ask("category") },
      { id: "colour", label: "Colour…", key: "c", can: some, run: () => ask("colour") },
      { id: "rename", label: "Rename…", key: "n", can: some, run: () => ask("rename") },
      { id: "fan", label: "Sends…", key: "s", can: some, run: () => ask("fan") },
      { id: "chain", label: "Chain…", key: "i", can: some, run: () => ask("chain") },
      { id: "control", label: "Control…", key: "v", can: some, run: () => ask("control") },
      {
        id: "copy-sends",
        label: "Copy the sends of…",
        key: "y",
        can: some,
        run: () => ask("copy-sends"),
      },
      { id: "group", label: "Show with…", key: "g", can: some, run: () => ask("group") },
      {
        id: "duplicate",
        label: "Duplicate",
        key: "d",
        can: some,
        run: () => apply({ edit: "duplicate-channels", channels: picked }),
      },
      {
        id: "earlier",
        label: "Move up",
        key: "alt+ArrowUp",
        can: some,
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
        run: () => apply({ edit: "set-mute", channels: picked, mute }),
      },
      {
        id: "stow",
        label: "Stow",
        key: "w",
        can: some,
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
        run: () => ask("stowed"),
      },
      {
        id: "times",
        label: "Tempo, start, end and sections…",
        key: "t",
        run: () => ask("times"),
      },
      { id: "find", label: "Find…", key: "/", run: () => ask("find") },
      {
        id: "pick-seats",
        label: "Pick all seats",
        key: "ctrl+a",
        run: () => select(all(view.flow.stages[0]?.ids ?? [])),
      },
      { id: "pick-none", label: "Pick nothing", key: "Escape", run: () => select(nothing) },
    ];
  }, [picked, channels, view, apply, ask, select]);
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

interface QuestionsProps {
  view: MixView;
  picked: Channel[];
  asking?: Asking;
  onClose: () => void;
  onEdit: (edit: Edit) => void;
  onFind: (id: string) => void;
}

/** Whatever is being asked: a list to choose from, or a form. */
function Questions({ asking, picked, onFind, ...rest }: QuestionsProps) {
  switch (asking) {
    case undefined:
      return null;
    case "rename":
      return <RenameDialog channels={picked} {...rest} />;
    case "create":
      return <CreateDialog after={picked.at(-1)} {...rest} />;
    case "fan":
      return <SendDialog picked={picked} {...rest} />;
    case "control":
      return <ControlDialog picked={picked} {...rest} />;
    case "chain":
      return <ChainDialog picked={picked} {...rest} />;
    case "times":
      return <TimesDialog {...rest} />;
    default:
      return (
        <Choosers asking={asking} picked={picked.map((one) => one.id)} onFind={onFind} {...rest} />
      );
  }
}

interface ChoosersProps {
  view: MixView;
  picked: string[];
  asking: Listed;
  onClose: () => void;
  onEdit: (edit: Edit) => void;
  onFind: (id: string) => void;
}

function Choosers({ view, picked, asking, onClose, onEdit, onFind }: ChoosersProps) {
  const knowledge = useKnowledge().data;
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
          (one) =>
            !one.stowed &&
            one.kind !== "seat" &&
            one.kind !== "reference" &&
            !picked.includes(one.id),
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
      choose: (id) => close({ edit: "set-colour", channels: picked, colour: id || undefined }),
    },
    "copy-sends": {
      title: `Copy sends to ${what} from…`,
      placeholder: "Channel with sends",
      choices: channelChoices((one) => one.sends.length > 0 && !picked.includes(one.id)),
      choose: (id) => close({ edit: "copy-sends", from: id, channels: picked }),
    },
    group: {
      title: `Show ${what} with the seats of…`,
      placeholder: "Bus",
      choices: [
        ...channelChoices((one) => one.kind === "bus" && !one.stowed),
        { id: "", label: "Their own bus" },
      ],
      choose: (id) => close({ edit: "set-group", channels: picked, group: id || undefined }),
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
    stowed: {
      title: "Bring back",
      placeholder: "Stowed channel",
      choices: channelChoices((one) => one.stowed),
      choose: (id) => close({ edit: "stow-channels", channels: [id], stowed: false }),
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

interface PictureProps {
  view: MixView;
  selection: Selection;
  onSelect: (selection: Selection) => void;
  pointed?: string;
  onPoint: (id: string | undefined) => void;
  focused?: string;
  onFocus: (id: string) => void;
}

function useSize(): [React.RefObject<HTMLDivElement | null>, { width: number; height: number }] {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) {
      return;
    }
    const observer = new ResizeObserver(() =>
      setSize({ width: element.clientWidth, height: element.clientHeight }),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, size];
}

function FlowPicture(props: PictureProps) {
  const { view, selection, onSelect, pointed, onPoint, focused, onFocus } = props;
  const [ref, size] = useSize();
  const facts = useMemo(() => rowFacts(view), [view]);
  const geometry = useMemo(
    () =>
      size.width > 0 ? layOut(view.flow, size, (id) => facts.get(id)?.name.length ?? 0) : undefined,
    [view.flow, size, facts],
  );
  const lit = useMemo(() => {
    const from = pointed ? [pointed] : [...selection.picked];
    return from.length > 0 ? reach(view.flow, from) : undefined;
  }, [pointed, selection, view.flow]);
  const elements = useRef(new Map<string, HTMLElement>());
  const register = useCallback((id: string, element: HTMLElement | null) => {
    if (element) {
      elements.current.set(id, element);
    } else {
      elements.current.delete(id);
    }
  }, []);
  const columns = useMemo(
    () => [...view.flow.stages.map((stage) => stage.ids), view.flow.returns],
    [view.flow],
  );
  const pick = useCallback(
    (id: string, event: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }) => {
      const column = columns.find((ids) => ids.includes(id)) ?? [];
      onSelect(
        event.shiftKey
          ? extended(selection, id, column)
          : event.ctrlKey || event.metaKey
            ? toggled(selection, id)
            : only(id),
      );
    },
    [columns, selection, onSelect],
  );
  const onKeyDown = (event: React.KeyboardEvent) => {
    const at = (event.target as HTMLElement).dataset.row;
    if (!at) {
      return;
    }
    if (event.key === " ") {
      event.preventDefault();
      onSelect(toggled(selection, at));
      return;
    }
    const next = neighbour(view, columns, at, event.key);
    if (next) {
      event.preventDefault();
      elements.current.get(next)?.focus();
      if (event.shiftKey) {
        const base = selection.anchor ? selection : only(at);
        onSelect(extended(base, next, columns.find((ids) => ids.includes(next)) ?? []));
      }
    }
  };
  useEffect(() => {
    const first = [...selection.picked][0];
    if (selection.picked.size === 1 && first) {
      elements.current.get(first)?.scrollIntoView({ block: "nearest" });
    }
  }, [selection]);
  const lasso = useLasso(ref, geometry, onSelect);
  const firstRow = view.flow.stages[0]?.ids[0];
  const focusable = focused && facts.has(focused) ? focused : firstRow;

  const row = (at: Row, offset: number) => {
    const about = facts.get(at.id);
    return about && geometry ? (
      <FlowRow
        key={at.id}
        facts={about}
        x={at.x}
        y={at.y + offset}
        width={at.width}
        height={at.stage < 0 ? 24 : geometry.rowHeight}
        picked={selection.picked.has(at.id)}
        dim={lit !== undefined && !lit.has(at.id)}
        focusable={at.id === focusable}
        onPoint={onPoint}
        onPick={pick}
        onFocus={onFocus}
        register={register}
      />
    ) : null;
  };

  return (
    <div ref={ref} className="relative min-h-0 overflow-auto" onPointerDown={lasso.start}>
      {view.document.channels.length === 0 && (
        <p className="p-6 text-ink-2">
          This Mix has no channels yet. Add some with <kbd>A</kbd>: buses first, then the seats that
          are sent to them.
        </p>
      )}
      {geometry && (
        <div
          role="listbox"
          tabIndex={-1}
          aria-label="Channels and files by stage"
          aria-multiselectable="true"
          className="relative"
          style={{ height: geometry.height + geometry.bandHeight, minWidth: "100%" }}
          onKeyDown={onKeyDown}
        >
          <Heads geometry={geometry} returns={view.flow.returns.length} />
          <Ribbons geometry={geometry} view={view} lit={lit} />
          {[...geometry.rows.values()].map((one) => row(one, 0))}
          {geometry.bandRows.map((one) => row(one, geometry.height))}
          {lasso.box && (
            <div
              className="pointer-events-none absolute border border-active bg-active-ground/40"
              style={lasso.box}
            />
          )}
        </div>
      )}
    </div>
  );
}

/** Up and down in a column; left and right along the main ribbons. */
function neighbour(
  view: MixView,
  columns: string[][],
  at: string,
  key: string,
): string | undefined {
  const column = columns.find((ids) => ids.includes(at)) ?? [];
  const place = column.indexOf(at);
  const along = view.flow.ribbons.filter((ribbon) => ribbon.kind !== "key");
  const best = (all: typeof along) => [...all].sort((a, b) => b.channels - a.channels);
  switch (key) {
    case "ArrowDown":
      return column[place + 1];
    case "ArrowUp":
      return column[place - 1];
    case "Home":
      return column[0];
    case "End":
      return column[column.length - 1];
    case "ArrowRight": {
      const out = along.filter((ribbon) => ribbon.from === at);
      return (out.find((ribbon) => ribbon.kind === "output") ?? best(out)[0])?.to;
    }
    case "ArrowLeft": {
      const into = along.filter((ribbon) => ribbon.to === at);
      return (into.find((ribbon) => ribbon.kind === "output") ?? best(into)[0])?.from;
    }
    default:
      return undefined;
  }
}

function Heads({ geometry, returns }: { geometry: Geometry; returns: number }) {
  return (
    <>
      {geometry.columns.map((column) => (
        <div
          key={column.name}
          className="absolute top-2 whitespace-nowrap text-[11px] text-ink-3"
          style={{ left: column.x }}
        >
          <b className="font-semibold text-ink-2">{column.name}</b> · {column.count}
        </div>
      ))}
      {returns > 0 && (
        <div
          className="absolute bg-ground pr-2 text-[11px] text-ink-3"
          style={{ left: geometry.columns[0]?.x, top: geometry.height - 4 }}
        >
          <b className="font-semibold text-ink-2">Returns and parallels</b> {returns}
        </div>
      )}
    </>
  );
}

function Ribbons({
  geometry,
  view,
  lit,
}: {
  geometry: Geometry;
  view: MixView;
  lit?: Set<string>;
}) {
  return (
    <svg
      aria-hidden="true"
      className="pointer-events-none absolute inset-0"
      width="100%"
      height={geometry.height + geometry.bandHeight}
    >
      {geometry.paths.map(({ ribbon, key, d, width }) => {
        const on = lit?.has(key);
        const tap = ribbon.kind === "send" || ribbon.kind === "key";
        const rest = tap ? 0.5 : "var(--ribbon)";
        return (
          <path
            key={key}
            className="ribbon"
            d={d}
            fill="none"
            stroke={familyColour(view.facts[ribbon.from]?.colour ?? "neutral")}
            strokeWidth={on && tap ? 2 : width}
            strokeDasharray={
              ribbon.kind === "send" ? "5 3" : ribbon.kind === "key" ? "1 3" : undefined
            }
            style={{ opacity: lit ? (on ? 0.9 : 0.1) : rest }}
          />
        );
      })}
    </svg>
  );
}

/** Drag over empty ground to pick the rows under the box. */
function useLasso(
  ref: React.RefObject<HTMLDivElement | null>,
  geometry: Geometry | undefined,
  onSelect: (selection: Selection) => void,
) {
  const [box, setBox] = useState<{ left: number; top: number; width: number; height: number }>();
  const start = (event: React.PointerEvent) => {
    const pane = ref.current;
    if (
      !pane ||
      !geometry ||
      event.button !== 0 ||
      (event.target as Element).closest("[data-row]")
    ) {
      return;
    }
    const bounds = pane.getBoundingClientRect();
    const at = (e: { clientX: number; clientY: number }) => ({
      x: e.clientX - bounds.left + pane.scrollLeft,
      y: e.clientY - bounds.top + pane.scrollTop,
    });
    const from = at(event);
    const boxTo = (e: PointerEvent) => {
      const to = at(e);
      return {
        left: Math.min(from.x, to.x),
        top: Math.min(from.y, to.y),
        width: Math.abs(to.x - from.x),
        height: Math.abs(to.y - from.y),
      };
    };
    const move = (e: PointerEvent) => setBox(boxTo(e));
    const end = (e: PointerEvent) => {
      window.removeEventListener("pointermove", move);
      setBox(undefined);
      const now = boxTo(e);
      if (now.width + now.height < 6) {
        onSelect(nothing);
        return;
      }
      const inside = [...geometry.rows.values()].filter(
        (row) =>
          row.x < now.left + now.width &&
          row.x + row.width > now.left &&
          row.y > now.top &&
          row.y < now.top + now.height,
      );
      onSelect(all(inside.map((row) => row.id)));
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", end, { once: true });
  };
  return { box, start };
}
