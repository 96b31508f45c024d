interface Props {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
}

/** On or off, with the state in words beside it. */
export function Toggle({ label, on, onChange }: Props) {
  return (
    <label className="inline-flex min-h-7 items-center gap-1.5">
      <input type="checkbox" checked={on} onChange={() => onChange(!on)} />
      {label}
    </label>
  );
}
