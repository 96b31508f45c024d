import { Dialog } from "radix-ui";
import { useRef, type ReactNode } from "react";
import { useReturnFocus } from "./returnFocus";

interface Props {
  open: boolean;
  title: string;
  description: string;
  /** The word on the button. */
  does: string;
  busy?: boolean;
  wide?: boolean;
  /** Something else that can be done from here, and closes it. */
  also?: { label: string; run: () => void };
  onSubmit: () => void;
  onClose: () => void;
  children: ReactNode;
}

/** A question with a form: Ctrl Enter does it from any field, Escape leaves everything as it was. */
export function FormDialog(props: Props) {
  const form = useRef<HTMLFormElement>(null);
  const returning = useReturnFocus();
  return (
    <Dialog.Root open={props.open} onOpenChange={(open) => !open && props.onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ground/60" />
        <Dialog.Content
          {...returning}
          onKeyDown={(event) => {
            if (event.key === "Enter" && (event.ctrlKey || event.metaKey) && !props.busy) {
              event.preventDefault();
              form.current?.requestSubmit();
            }
          }}
          className={`fixed z-20 left-1/2 top-20 max-h-[82vh] -translate-x-1/2 overflow-y-auto border border-rule bg-raised p-5 ${props.wide ? "w-[640px]" : "w-[440px]"}`}
        >
          <Dialog.Title className="text-[15px] font-semibold">{props.title}</Dialog.Title>
          <Dialog.Description className="mt-1 text-ink-2">{props.description}</Dialog.Description>
          <form
            ref={form}
            className="mt-3"
            onSubmit={(event) => {
              event.preventDefault();
              props.onSubmit();
            }}
          >
            {props.children}
            <div className="mt-4 flex gap-3">
              <button
                className="border border-active px-3 py-1 text-active"
                disabled={props.busy === true}
              >
                {props.does} <kbd>Ctrl Enter</kbd>
              </button>
              <button type="button" className="px-3 py-1 text-ink-2" onClick={props.onClose}>
                Cancel
              </button>
              {props.also && (
                <button
                  type="button"
                  className="ml-auto px-1 py-1 text-ink-2 underline underline-offset-2"
                  onClick={props.also.run}
                >
                  {props.also.label}
                </button>
              )}
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** A labelled line of a form. */
export function Field({ label, children }: { label: string; children: ReactNode }) {
  return (
    <label className="grid grid-cols-[130px_1fr] items-baseline gap-3 py-1">
      <span className="text-ink-2">{label}</span>
      {children}
    </label>
  );
}

interface SelectProps {
  /** For a list that no label stands beside. */
  label?: string;
  value: string;
  choices: readonly { id: string; label: string }[];
  onChange: (id: string) => void;
}

/** One of a few: the browser's own list, which every keyboard knows. */
export function Select({ label, value, choices, onChange }: SelectProps) {
  return (
    <select
      aria-label={label}
      className="border-b border-rule bg-raised py-0.5"
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      {choices.map((choice) => (
        <option key={choice.id} value={choice.id}>
          {choice.label}
        </option>
      ))}
    </select>
  );
}

/** Choices whose ids are their words. */
export function words(ids: readonly string[] | undefined): { id: string; label: string }[] {
  return (ids ?? []).map((id) => ({ id, label: id }));
}

/** The same for things that are known by their ids. */
export function choices(things: readonly { id: string }[] | undefined) {
  return words(things?.map((one) => one.id));
}
