import { useId, useMemo, useState, type ReactNode } from "react";
import { placeAfter } from "./arrows";
import { Window } from "./Window";

export interface Choice {
  id: string;
  label: string;
  /** Said in grey behind the label. */
  hint?: string;
  lead?: ReactNode;
  disabled?: boolean;
}

/** Choices whose words begin with what is typed come first, then those that hold it somewhere. */
export function matching(choices: Choice[], typed: string): Choice[] {
  const words = typed.trim().toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) {
    return choices;
  }
  const score = (choice: Choice) => {
    const text = `${choice.label} ${choice.hint ?? ""}`.toLowerCase();
    if (!words.every((word) => text.includes(word))) {
      return -1;
    }
    const starts = text.split(/[\s/]+/);
    return words.filter((word) => starts.some((start) => start.startsWith(word))).length;
  };
  return choices
    .map((choice) => ({ choice, score: score(choice) }))
    .filter((one) => one.score >= 0)
    .sort((a, b) => b.score - a.score)
    .map((one) => one.choice);
}

interface Props {
  open: boolean;
  title: string;
  placeholder: string;
  choices: Choice[];
  onChoose: (id: string) => void;
  onClose: () => void;
  onClosed?: () => void;
}

/** A list to choose one thing from by typing: destinations, categories, colours, commands. */
export function Chooser(props: Props) {
  return (
    props.open && (
      <Window title={props.title} size="list" onClose={props.onClose} onClosed={props.onClosed}>
        <List {...props} />
      </Window>
    )
  );
}

function List({ placeholder, choices, onChoose }: Props) {
  const [typed, setTyped] = useState("");
  const [at, setAt] = useState(0);
  const listId = useId();
  const found = useMemo(() => matching(choices, typed), [choices, typed]);
  const current = found[Math.min(at, found.length - 1)];
  const choose = (choice: Choice | undefined) => {
    if (choice && !choice.disabled) {
      onChoose(choice.id);
    }
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    // Home and End go through the text.
    const inText = event.key === "Home" || event.key === "End";
    const to = placeAfter(event, Math.min(at, found.length - 1), found.length);
    if (to !== undefined && !inText) {
      event.preventDefault();
      setAt(to);
    } else if (event.key === "Enter") {
      event.preventDefault();
      choose(current);
    }
  };
  return (
    <>
      <input
        role="combobox"
        aria-label={placeholder}
        aria-expanded="true"
        aria-controls={listId}
        aria-activedescendant={current ? `${listId}-${current.id}` : undefined}
        className="mx-4 my-2 border-b border-rule bg-transparent py-1 text-title outline-none"
        placeholder={placeholder}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
      />
      <ul id={listId} role="listbox" aria-label={placeholder} className="overflow-y-auto pb-2">
        {found.map((choice) => (
          // Keys are handled by the text field, which keeps the focus.
          // eslint-disable-next-line jsx-a11y/click-events-have-key-events
          <li
            key={choice.id}
            id={`${listId}-${choice.id}`}
            role="option"
            aria-selected={choice === current}
            aria-disabled={choice.disabled}
            data-choice={choice.id}
            ref={(element) => {
              if (choice === current) {
                element?.scrollIntoView({ block: "nearest" });
              }
            }}
            className={`flex h-[26px] items-center gap-2 px-4 ${
              choice === current ? "bg-active-ground" : ""
            } ${choice.disabled ? "text-ink-3" : ""}`}
            onClick={() => choose(choice)}
          >
            {choice.lead}
            <span className="truncate">{choice.label}</span>
            <span className="ml-auto shrink-0 text-small text-ink-3">{choice.hint}</span>
          </li>
        ))}
        {found.length === 0 && <li className="px-4 py-2 text-ink-2">Nothing is called that.</li>}
      </ul>
    </>
  );
}
