import { useKnowledge } from "../resources/knowledge";
import type { KnownField } from "../api/client";
import { db, frontBack, height, pan } from "../ui/format";
import { NumberField } from "../ui/NumberField";

/** How figures of a unit are shown, what stands behind them, and how far one arrow goes. */
const SHOWN = {
  DECIBELS: { show: db, behind: "dB", step: 0.5 },
  PAN: { show: pan, behind: undefined, step: 0.01 },
  FRONT_BACK: { show: frontBack, behind: undefined, step: 0.01 },
  HEIGHT: { show: height, behind: undefined, step: 0.01 },
};

interface Props {
  /** What it is a figure of: “Channel”, “Send”. */
  of: KnownField["of"];
  /** As documents call it: “faderDb”. */
  id: KnownField["id"];
  /** Of its label, where the field's own does not say enough. */
  label?: string;
  value: number;
  onChange: (value: number) => unknown;
}

/** A figure of a Mix, as far as its field goes; how far that is, the server says. */
export function FigureField({ of, id, label, value, onChange }: Props) {
  const field = useKnowledge().data?.fields.find((one) => one.of === of && one.id === id);
  if (!field || !(field.unit in SHOWN)) {
    return null;
  }
  const unit = field.unit as keyof typeof SHOWN;
  const { show, behind, step } = SHOWN[unit];
  return (
    <NumberField
      label={label ?? field.label}
      value={value}
      show={show}
      reads={unit}
      unit={behind}
      least={field.least ?? -Infinity}
      most={field.most ?? Infinity}
      step={step}
      onChange={onChange}
    />
  );
}
