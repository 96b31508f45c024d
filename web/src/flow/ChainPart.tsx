import { lazy, Suspense, useState } from "react";
import {
  messageOf,
  type ChainPictures,
  type Channel,
  type ChannelChanges,
  type Insert,
  type InsertChanges,
  type Knowledge,
  type MixView,
} from "../api/client";
import { usePictures } from "../resources/chains";
import { useKnowledge } from "../resources/knowledge";
import { understoodSetting } from "../resources/typed";
import { Select } from "../ui/FormDialog";
import { notify } from "../shell/notices";
import { plural } from "../ui/format";
import { hint } from "../ui/hint";
import { NumberField } from "../ui/NumberField";
import { toggled } from "../ui/toggled";
import { Toggle } from "../ui/Toggle";

type ProcessorLine = Knowledge["processors"][number];
type Parameter = ProcessorLine["parameters"][number];

/** Scales and shapes are read when the first chain is opened. */
const Curve = lazy(() => import("./Curve"));

/** What no field can say. */
const tell = (error: unknown) => notify(messageOf(error), "wrong");

interface Props {
  view: MixView;
  channel: Channel;
  name: (id: string | undefined) => string | undefined;
  /** Makes it so; what it is refused with is said at the field. */
  onChange: (set: ChannelChanges) => Promise<unknown>;
  /** The same for what is no field. */
  onAct: (set: ChannelChanges) => void;
  /** How many other channels are picked. */
  others: number;
  /** Everything open, side by side. */
  wide?: boolean;
  /** Sets a processor, and those like it on the other picked channels. */
  onAlike: (insert: string, set: InsertChanges) => Promise<unknown>;
}

/** The chain of a channel: one processor after another, each opened to what can be set on it. */
export function ChainPart(props: Props) {
  const { view, channel, name, onChange, onAct, others, onAlike, wide = false } = props;
  const processors = useKnowledge().data?.processors ?? [];
  const [opened, setOpen] = useState<string[]>([]);
  const open = wide ? channel.chain.map((one) => one.id) : opened;
  const [dragged, setDragged] = useState<string>();
  const [alike, setAlike] = useState(false);
  const together = alike && others > 0;
  const set = (insert: string, changed: InsertChanges) =>
    together ? onAlike(insert, changed) : onChange({ chain: { changed: { [insert]: changed } } });
  const order = channel.chain.map((one) => one.id);
  /** Puts one before another place of the chain, counted without it. */
  const moveTo = (id: string, place: number) => {
    const others = order.filter((one) => one !== id);
    if (place >= 0 && place <= others.length && place !== order.indexOf(id)) {
      onAct({ chain: { order: others.toSpliced(place, 0, id) } });
    }
  };
  const pictures = usePictures(view.id, view.revision, channel.id, open.length > 0).data;
  return (
    <ul
      className={
        wide ? "grid grid-cols-[repeat(auto-fill,minmax(250px,1fr))] items-start gap-x-6" : ""
      }
    >
      {open.length > 0 && others > 0 && (
        <li className="col-span-full mb-1 text-small">
          <Toggle
            label={`set those like it on the ${plural(others, "other picked channel")} too`}
            on={alike}
            onChange={setAlike}
          />
        </li>
      )}
      {open.length > 0 && pictures?.together && (
        <li className="col-span-full mb-1 text-small text-ink-2">
          All filters together
          <Drawn label="Response of all filters together" picture={pictures.together} />
        </li>
      )}
      {channel.chain.map((insert, place) => (
        <li
          key={insert.id}
          className="mb-1"
          draggable={channel.chain.length > 1 && !open.includes(insert.id)}
          onDragStart={() => setDragged(insert.id)}
          onDragEnd={() => setDragged(undefined)}
          onDragOver={(event) => dragged && event.preventDefault()}
          onDrop={(event) => {
            event.preventDefault();
            if (dragged) {
              moveTo(dragged, place);
            }
          }}
        >
          <Processor
            insert={insert}
            open={open.includes(insert.id)}
            wide={wide}
            tempo={view.document.tempo}
            onMove={(by) => moveTo(insert.id, place + by)}
            onOpen={() => setOpen(toggled(opened, insert.id))}
            picture={pictures?.each[insert.id]}
            type={processors.find((one) => one.id === insert.processor)}
            listensTo={insert.key && (name(insert.key.source) ?? insert.key.source)}
            onSet={(settings) => set(insert.id, { settings })}
            onAct={(changed) =>
              together
                ? void onAlike(insert.id, changed).catch(tell)
                : onAct({ chain: { changed: { [insert.id]: changed } } })
            }
          />
        </li>
      ))}
    </ul>
  );
}

interface ProcessorProps {
  insert: Insert;
  open: boolean;
  /** Stands open beside the others, and says less. */
  wide: boolean;
  tempo: number;
  onOpen: () => void;
  onMove: (by: number) => void;
  picture?: ChainPictures["each"][string];
  /** Nothing for a stand-in. */
  type?: ProcessorLine;
  listensTo?: string;
  onSet: (settings: Record<string, number>) => Promise<unknown>;
  onAct: (changed: { on?: boolean; postFader?: boolean }) => void;
}

function Processor(props: ProcessorProps) {
  const { insert, open, wide, tempo, onOpen, onMove, picture, type, listensTo, onSet, onAct } =
    props;
  /** Where no field says what it was refused with. */
  const setOrTell = (settings: Record<string, number>) => onSet(settings).catch(tell);
  const label = type?.label ?? `${insert.processor} (stand-in)`;
  const set = (type?.parameters ?? [])
    .filter((one) => (insert.settings[one.id] ?? one.standard) !== one.standard)
    .map((one) => `${one.label} ${shownSetting(one, insert.settings[one.id])} ${one.unit}`);
  return (
    <>
      <button
        aria-expanded={open}
        className={`min-h-6 text-left ${insert.on ? "" : "text-ink-2"}`}
        {...(wide
          ? {}
          : hint("What can be set on it; Alt ↑ and Alt ↓ or dragging move it in the chain"))}
        onClick={onOpen}
        onKeyDown={(event) => {
          if (event.altKey && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
            event.preventDefault();
            event.stopPropagation();
            onMove(event.key === "ArrowUp" ? -1 : 1);
          }
        }}
      >
        <span aria-hidden="true" className="text-active">
          {open ? "▾ " : "▸ "}
        </span>
        {label}
        {insert.on ? "" : ", off"}
        {insert.postFader ? ", after the fader" : ""}
        {listensTo !== undefined && `, listens to ${listensTo}`}
      </button>
      {open ? (
        <div className="mb-2 border-l border-rule pl-3">
          <p className="flex gap-4 text-small">
            <Toggle label="on" on={insert.on} onChange={(on) => onAct({ on })} />
            <Toggle
              label="after the fader"
              on={insert.postFader}
              onChange={(postFader) => onAct({ postFader })}
            />
          </p>
          {picture && (
            <Drawn
              label={`What ${label} does`}
              picture={picture}
              parameters={type?.parameters}
              onSet={setOrTell}
            />
          )}
          <dl className="grid grid-cols-[minmax(0,110px)_minmax(0,1fr)] items-baseline">
            {(type?.parameters ?? []).map((one) => (
              <div key={one.id} className="contents">
                <dt className="truncate text-small text-ink-2">{one.label}</dt>
                <dd>
                  <Setting
                    processor={insert.processor}
                    label={`${label}: ${one.label}`}
                    parameter={one}
                    tempo={tempo}
                    value={insert.settings[one.id] ?? one.standard}
                    onChange={(value) => (one.onlyChoices ? setOrTell : onSet)({ [one.id]: value })}
                  />
                </dd>
              </div>
            ))}
          </dl>
        </div>
      ) : (
        <span className="narrow block pl-3.5 text-small text-ink-2">{set.join(" · ")}</span>
      )}
    </>
  );
}

interface DrawnProps {
  label: string;
  picture: ChainPictures["each"][string];
  parameters?: Parameter[];
  onSet?: (settings: Record<string, number>) => Promise<unknown>;
}

function Drawn(props: DrawnProps) {
  return (
    <Suspense>
      <Curve {...props} />
    </Suspense>
  );
}

interface SettingProps {
  processor: string;
  label: string;
  parameter: Parameter;
  /** Of the Mix, bpm: a time can be a note. */
  tempo: number;
  value: number;
  onChange: (value: number) => Promise<unknown>;
}

function Setting({ processor, label, parameter, tempo, value, onChange }: SettingProps) {
  if (parameter.onlyChoices) {
    return (
      <Select
        label={label}
        value={String(value)}
        choices={parameter.choices.map((one) => ({ id: String(one.value), label: one.label }))}
        onChange={(id) => void onChange(Number(id))}
      />
    );
  }
  return (
    <NumberField
      label={label}
      value={value}
      show={(shown) => shownSetting(parameter, shown)}
      reads={(text) => understoodSetting(processor, parameter.id, text, tempo)}
      unit={parameter.unit}
      least={parameter.least}
      most={parameter.most}
      step={(from, steps) => stepped(parameter, from, steps)}
      onChange={onChange}
    />
  );
}

/** As it is typed: a number of the unit, the name of one, or off. */
function shownSetting(parameter: Parameter, value = parameter.standard): string {
  const named = parameter.choices.find((one) => Math.abs(one.value - value) < 1e-6);
  if (named) {
    return named.label;
  }
  if (value < parameter.smallest) {
    return "off";
  }
  const digits = Math.abs(value) >= 100 ? 0 : Math.abs(value) >= 10 ? 1 : 2;
  return String(Number(value.toFixed(digits))).replace("-", "−");
}

/** The next value that has a name; ratios of a semitone, or hundredths of the range where that is even. */
function stepped(parameter: Parameter, from: number, steps: number): number {
  const named = parameter.choices.map((one) => one.value).sort((a, b) => a - b);
  if (Math.abs(steps) === 1 && named.length > 0) {
    const next =
      steps > 0
        ? named.find((value) => value > from + 1e-6)
        : named.findLast((value) => value < from - 1e-6);
    return next ?? from;
  }
  if (parameter.scale === "LOGARITHMIC") {
    if (from < parameter.smallest) {
      return steps > 0 ? parameter.smallest : parameter.least;
    }
    const to = from * 2 ** (steps / 12);
    return to < parameter.smallest ? parameter.least : to;
  }
  const step = parameter.most - parameter.least > 60 ? 1 : 0.5;
  return from + steps * step;
}
