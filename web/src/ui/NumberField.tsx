import { useState } from "react";
import { typedNumber } from "./format";

interface Props {
  label: string;
  value: number;
  shown: string;
  unit?: string;
  least: number;
  most: number;
  step: number;
  onChange: (value: number) => void;
}

/** A number that is edited by typing or by arrow keys (shift coarse, alt fine). */
export function NumberField({ label, value, shown, unit, least, most, step, onChange }: Props) {
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState(false);
  const set = (next: number) => {
    const clamped = Math.max(least, Math.min(most, Math.round(next * 1000) / 1000));
    if (clamped !== value) {
      onChange(clamped);
    }
  };
  const commit = () => {
    if (typed === undefined) {
      return;
    }
    const number = typedNumber(typed);
    setWrong(number === undefined);
    if (number !== undefined) {
      setTyped(undefined);
      set(number);
    }
  };
  const onKeyDown = (event: React.KeyboardEvent<HTMLInputElement>) => {
    const size = event.shiftKey ? step * 10 : event.altKey ? step / 10 : step;
    if (event.key === "ArrowUp" || event.key === "ArrowDown") {
      event.preventDefault();
      setTyped(undefined);
      set(value + (event.key === "ArrowUp" ? size : -size));
    } else if (event.key === "Enter") {
      commit();
    } else if (event.key === "Escape") {
      event.stopPropagation();
      setTyped(undefined);
      setWrong(false);
    }
  };
  return (
    <span className="flex items-baseline gap-1">
      <input
        aria-label={`${label}${unit ? ` in ${unit}` : ""}`}
        aria-invalid={wrong}
        title={wrong ? `Type a number from ${least} to ${most}` : undefined}
        className={`w-11 border-b bg-transparent ${
          wrong
            ? "border-wrong text-wrong"
            : "border-transparent hover:border-rule focus:border-active"
        }`}
        value={typed ?? shown}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
      />
      {unit && <span className="text-ink-3">{unit}</span>}
    </span>
  );
}
