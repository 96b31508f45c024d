import { useRef, useState, type ReactNode } from "react";
import { messageOf } from "../api/client";
import { Window } from "./Window";

/** What a form answers that has more to ask: it stays open. */
export const STAY = Symbol("stay");

interface Props {
  title: string;
  description: string;
  /** The word on the button. */
  does: string;
  /** True while something is missing. */
  busy?: boolean;
  wide?: boolean;
  /** For what is compared side by side. */
  broad?: boolean;
  /** Something else that can be done from here, and closes it. */
  also?: { label: string; run: () => unknown };
  /** Does it; a promise is waited for, and what it is refused with is said in the form. */
  onSubmit: () => unknown;
  onClose: () => void;
  children: ReactNode;
}

/**
 * A question with a form: Ctrl Enter does it from any field, Escape leaves everything as it was. It
 * closes when it has been done; until then what was typed stays.
 */
export function FormDialog(props: Props) {
  const { does, busy, wide, broad, also, onSubmit, onClose, children } = props;
  const form = useRef<HTMLFormElement>(null);
  const [asking, setAsking] = useState(false);
  const [refused, setRefused] = useState<string>();
  // Something typed or chosen is not lost by one press: the first asks, in place.
  const [touched, setTouched] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const leave = () => {
    if (touched && !leaving) {
      setLeaving(true);
    } else {
      onClose();
    }
  };
  const carryOut = async (what: () => unknown) => {
    if (asking) {
      return;
    }
    setRefused(undefined);
    setAsking(true);
    try {
      if ((await what()) !== STAY) {
        onClose();
      }
    } catch (error) {
      setRefused(messageOf(error));
    } finally {
      setAsking(false);
    }
  };
  return (
    <Window
      title={props.title}
      description={props.description}
      size={broad ? "broad" : wide ? "wide" : "form"}
      onClose={leave}
      onKeyDown={(event) => {
        if (event.key === "Enter" && (event.ctrlKey || event.metaKey) && !busy) {
          event.preventDefault();
          form.current?.requestSubmit();
        }
      }}
    >
      <form
        ref={form}
        aria-busy={asking}
        // Not at “input”, which a list sends before “change”: what were drawn between the two would
        // put the list back to what it was, and the choice would be lost.
        onChange={() => {
          setTouched(true);
          setLeaving(false);
        }}
        onSubmit={(event) => {
          event.preventDefault();
          void carryOut(onSubmit);
        }}
      >
        {/* Fields tell by themselves; what is added or taken away is done by buttons. */}
        <div
          onClickCapture={(event) => {
            if (event.target instanceof Element && event.target.closest("button")) {
              setTouched(true);
            }
          }}
        >
          {children}
        </div>
        <p role="alert" className={refused ? "mt-3 border-l-2 border-wrong pl-2 text-wrong" : ""}>
          {refused}
        </p>
        <p role="status" className={leaving ? "mt-3 border-l-2 border-active pl-2" : ""}>
          {leaving &&
            "What you typed would be lost. Escape once more leaves it; Ctrl Enter does it."}
        </p>
        <div className="mt-4 flex flex-wrap items-center gap-3">
          <button
            className="border border-active px-3 py-1 text-active"
            disabled={busy === true}
            aria-disabled={asking}
          >
            {does} <kbd>Ctrl Enter</kbd>
          </button>
          <button type="button" className="px-3 py-1 text-ink-2" onClick={onClose}>
            Cancel
          </button>
          {asking && <span className="text-ink-2">Saving…</span>}
          {also && (
            <button
              type="button"
              className="ml-auto px-1 py-1 text-ink-2 underline underline-offset-2"
              onClick={() => void carryOut(also.run)}
            >
              {also.label}
            </button>
          )}
        </div>
      </form>
    </Window>
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

interface TextLineProps {
  label: string;
  value: string;
  placeholder?: string;
  required?: boolean;
  onChange: (text: string) => void;
}

/** A line of a form in which something is written. */
export function TextLine({ label, onChange, ...input }: TextLineProps) {
  return (
    <Field label={label}>
      <input
        dir="auto"
        className="border-b border-rule bg-transparent py-1"
        {...input}
        onChange={(event) => onChange(event.target.value)}
      />
    </Field>
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
      className="max-w-full min-w-0 border-b border-rule bg-raised py-0.5"
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
