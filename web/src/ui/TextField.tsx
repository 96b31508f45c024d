import { useState } from "react";

interface Props {
  label: string;
  value: string;
  /** More than one: a field in which Enter begins a new line. */
  lines?: number;
  onChange: (value: string) => void;
}

/** A text that is taken when one leaves it, or at Enter; Escape leaves it as it was. */
export function TextField({ label, value, lines = 1, onChange }: Props) {
  const [typed, setTyped] = useState<string>();
  const commit = () => {
    setTyped(undefined);
    if (typed !== undefined && typed !== value) {
      onChange(typed);
    }
  };
  const field = {
    "aria-label": label,
    placeholder: "none",
    value: typed ?? value,
    onChange: (event: { target: { value: string } }) => setTyped(event.target.value),
    onBlur: commit,
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key === "Enter" && (lines === 1 || event.ctrlKey)) {
        commit();
      } else if (event.key === "Escape") {
        event.stopPropagation();
        setTyped(undefined);
      }
    },
    className:
      "w-full border-b border-transparent bg-transparent hover:border-rule focus:border-active",
  };
  return lines === 1 ? <input {...field} /> : <textarea rows={lines} {...field} />;
}
