import { useId, useState } from "react";
import { messageOf } from "../api/client";
import { leave } from "./leaving";

interface Props {
  label: string;
  value: string;
  /** More than one: a field in which Enter begins a new line. */
  lines?: number;
  /** Makes it so; what it is refused with is said at the field, and what was typed stays. */
  onChange: (value: string) => unknown;
}

/** A text that is taken when one leaves it, or at Enter; Escape leaves it as it was. */
export function TextField({ label, value, lines = 1, onChange }: Props) {
  const [typed, setTyped] = useState<string>();
  const [refused, setRefused] = useState<string>();
  const says = useId();
  const commit = async () => {
    if (typed === undefined || typed === value) {
      setTyped(undefined);
      return;
    }
    try {
      await onChange(typed);
      setTyped(undefined);
      setRefused(undefined);
    } catch (error) {
      setRefused(messageOf(error));
    }
  };
  const field = {
    "aria-label": label,
    "aria-invalid": refused !== undefined,
    "aria-describedby": refused === undefined ? undefined : says,
    placeholder: "none",
    dir: "auto",
    value: typed ?? value,
    onChange: (event: { target: { value: string } }) => setTyped(event.target.value),
    onBlur: () => void commit(),
    onKeyDown: (event: React.KeyboardEvent<HTMLElement>) => {
      if (event.key === "Enter" && (lines === 1 || event.ctrlKey)) {
        void commit();
      } else if (event.key === "Escape" && typed !== undefined) {
        event.stopPropagation();
        setTyped(undefined);
        setRefused(undefined);
      } else {
        leave(event);
      }
    },
    className:
      "min-h-6 w-full border-b border-transparent bg-transparent hover:border-rule focus:border-active",
  };
  return (
    <>
      {lines === 1 ? <input {...field} /> : <textarea rows={lines} {...field} />}
      {refused !== undefined && (
        <span id={says} role="alert" className="block text-small text-wrong">
          {refused}
        </span>
      )}
    </>
  );
}
