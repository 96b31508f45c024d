import { hint } from "./hint";

interface Props {
  label: string;
  /** What it is called where the label does not say it alone. */
  name?: string;
  /** Said on hover and on focus. */
  says?: string;
  on: boolean;
  onChange: (on: boolean) => void;
}

/** On or off, with the state in words beside it. */
export function Toggle({ label, name, says, on, onChange }: Props) {
  return (
    <label className="inline-flex min-h-7 items-center gap-1.5" {...hint(says)}>
      <input type="checkbox" aria-label={name} checked={on} onChange={() => onChange(!on)} />
      {label}
    </label>
  );
}
