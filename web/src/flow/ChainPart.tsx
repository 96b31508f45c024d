import { useState } from "react";
import type { Channel, ChannelChanges, Insert, Knowledge } from "../api/client";
import { understoodSetting, useKnowledge } from "../api/queries";
import { Select } from "../ui/FormDialog";
import { NumberField } from "../ui/NumberField";
import { Toggle } from "../ui/Toggle";

type ProcessorLine = Knowledge["processors"][number];
type Parameter = ProcessorLine["parameters"][number];

interface Props {
  channel: Channel;
  name: (id: string | undefined) => string | undefined;
  /** Makes it so; what it is refused with is said at the field. */
  onChange: (set: ChannelChanges) => Promise<unknown>;
  /** The same for what is no field. */
  onAct: (set: ChannelChanges) => void;
}

/** The chain of a channel: one processor after another, each opened to what can be set on it. */
export function ChainPart({ channel, name, onChange, onAct }: Props) {
  const processors = useKnowledge().data?.processors ?? [];
  return (
    <ul>
      {channel.chain.map((insert) => (
        <li key={insert.id} className="mb-1">
          <Processor
            insert={insert}
            type={processors.find((one) => one.id === insert.processor)}
            listensTo={insert.key && (name(insert.key.source) ?? insert.key.source)}
            onSet={(settings) => onChange({ chain: { changed: { [insert.id]: { settings } } } })}
            onAct={(changed) => onAct({ chain: { changed: { [insert.id]: changed } } })}
          />
        </li>
      ))}
    </ul>
  );
}

interface ProcessorProps {
  insert: Insert;
  /** Nothing for a stand-in. */
  type?: ProcessorLine;
  listensTo?: string;
  onSet: (settings: Record<string, number>) => Promise<unknown>;
  onAct: (changed: { on?: boolean; postFader?: boolean }) => void;
}

function Processor({ insert, type, listensTo, onSet, onAct }: ProcessorProps) {
  const [open, setOpen] = useState(false);
  const label = type?.label ?? `${insert.processor} (stand-in)`;
  const set = (type?.parameters ?? [])
    .filter((one) => (insert.settings[one.id] ?? one.standard) !== one.standard)
    .map((one) => `${one.label} ${shownSetting(one, insert.settings[one.id])} ${one.unit}`);
  return (
    <>
      <button
        aria-expanded={open}
        className={`min-h-6 text-left ${insert.on ? "" : "text-ink-2"}`}
        onClick={() => setOpen(!open)}
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
          <dl className="grid grid-cols-[minmax(0,110px)_minmax(0,1fr)] items-baseline">
            {(type?.parameters ?? []).map((one) => (
              <div key={one.id} className="contents">
                <dt className="truncate text-small text-ink-2">{one.label}</dt>
                <dd>
                  <Setting
                    processor={insert.processor}
                    label={`${label}: ${one.label}`}
                    parameter={one}
                    value={insert.settings[one.id] ?? one.standard}
                    onChange={(value) => onSet({ [one.id]: value })}
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

interface SettingProps {
  processor: string;
  label: string;
  parameter: Parameter;
  value: number;
  onChange: (value: number) => Promise<unknown>;
}

function Setting({ processor, label, parameter, value, onChange }: SettingProps) {
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
      reads={(text) => understoodSetting(processor, parameter.id, text)}
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

/** Ratios of a semitone, or hundredths of the range where that is even. */
function stepped(parameter: Parameter, from: number, steps: number): number {
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
