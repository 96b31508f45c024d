import { useEffect, useId, useRef, useState } from "react";
import { messageOf } from "../api/client";
import { understood, type Unit } from "../resources/typed";
import { leave } from "./leaving";
import { useScrubbing } from "./scrubbing";

interface Props {
  label: string;
  value: number;
  show: (value: number) => string;
  /** How a text that is typed here is understood: by its unit, or by whoever asks. */
  reads: Unit | ((text: string) => Promise<number>);
  /** Said behind the field. */
  unit?: string;
  least: number;
  most: number;
  /** What an arrow adds; or where it leads, where steps are not even. */
  step: number | ((from: number, steps: number) => number);
  /** Makes it so; what it is refused with is said at the field, and what was typed stays. */
  onChange: (value: number) => unknown;
}

/** A gesture has ended when no arrow has followed for so long. */
const PAUSE_MILLISECONDS = 350;

/**
 * A number that is edited by typing, by arrow keys or by dragging it up and down (Shift coarse, Alt
 * fine). Steps add up here and are one change when they pause or end; a typed text is understood whole or stays as it was typed.
 */
export function NumberField(props: Props) {
  const { label, value, show, reads, unit, least, most, step, onChange } = props;
  const [typed, setTyped] = useState<string>();
  const [held, setHeld] = useState<number>();
  const [refused, setRefused] = useState<string>();
  const gesture = useRef<{ to: number; ends: ReturnType<typeof setTimeout> }>(undefined);
  const asked = useRef(0);
  const says = useId();

  const change = async (to: number, text?: string) => {
    const mine = ++asked.current;
    setHeld(to);
    try {
      await onChange(to);
      if (mine === asked.current) {
        setHeld(undefined);
      }
    } catch (error) {
      if (mine === asked.current) {
        setHeld(undefined);
        setTyped(text ?? show(to));
        setRefused(messageOf(error));
      }
    }
  };
  const endGesture = () => {
    if (gesture.current) {
      clearTimeout(gesture.current.ends);
      const { to } = gesture.current;
      gesture.current = undefined;
      void change(to);
    }
  };
  const stepsOf = (keys: { shiftKey: boolean; altKey: boolean }) =>
    keys.shiftKey ? 10 : keys.altKey ? 0.1 : 1;
  const arrow = (steps: number) => {
    const from = gesture.current?.to ?? held ?? value;
    const wanted = typeof step === "number" ? from + steps * step : step(from, steps);
    const to = Math.max(least, Math.min(most, Math.round(wanted * 1000) / 1000));
    clearTimeout(gesture.current?.ends);
    gesture.current = { to, ends: setTimeout(() => latest.current(), PAUSE_MILLISECONDS) };
    setTyped(undefined);
    setRefused(undefined);
    setHeld(to);
  };
  // What was meant is not lost when the field goes, as when another channel is picked.
  const latest = useRef(endGesture);
  useEffect(() => {
    latest.current = endGesture;
  });
  useEffect(() => () => latest.current(), []);

  const commit = async () => {
    if (typed === undefined || typed.trim() === show(value)) {
      setTyped(undefined);
      setRefused(undefined);
      return;
    }
    try {
      const to = await (typeof reads === "string" ? understood(reads, typed) : reads(typed));
      setTyped(undefined);
      setRefused(undefined);
      if (to !== value) {
        await change(to, typed);
      }
    } catch (error) {
      setRefused(messageOf(error));
    }
  };
  const onKeyDown = (event: React.KeyboardEvent<HTMLInputElement>) => {
    const steps = stepsOf(event);
    if (event.key === "ArrowUp" || event.key === "ArrowDown") {
      event.preventDefault();
      arrow(event.key === "ArrowUp" ? steps : -steps);
    } else if (event.key === "Enter") {
      endGesture();
      void commit();
    } else if (event.key === "Escape" && (typed !== undefined || refused !== undefined)) {
      event.stopPropagation();
      setTyped(undefined);
      setRefused(undefined);
    } else {
      leave(event);
    }
  };
  const scrubbing = useScrubbing({
    onStep: (steps, keys) => arrow(steps * stepsOf(keys)),
    onEnd: () => latest.current(),
  });
  return (
    <span className="inline-flex flex-wrap items-baseline gap-1">
      <input
        aria-label={`${label}${unit ? ` in ${unit}` : ""}`}
        aria-invalid={refused !== undefined}
        aria-describedby={refused === undefined ? undefined : says}
        {...scrubbing}
        className={`min-h-6 w-14 border-b bg-transparent not-focus:cursor-ns-resize ${
          refused === undefined
            ? "border-transparent hover:border-rule focus:border-active"
            : "border-wrong text-wrong"
        }`}
        value={typed ?? show(held ?? value)}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => {
          endGesture();
          void commit();
        }}
        onKeyDown={onKeyDown}
      />
      {unit && <span className="text-ink-3">{unit}</span>}
      {refused !== undefined && (
        <span id={says} role="alert" className="basis-full text-small text-wrong">
          {refused}
        </span>
      )}
    </span>
  );
}
