import { useId, useMemo, useState } from "react";
import { matching, type Choice } from "../ui/Chooser";

/** So many stand under a cell without hiding the rows that one compares with. */
const SHOWN = 7;

interface Props {
  label: string;
  text: string;
  choices: readonly string[];
  /** Several stand in the cell, apart by commas. */
  several: boolean;
  onType: (text: string) => void;
  onTake: (text: string, key: string) => void;
  onDrop: () => void;
}

/** The word that is being typed, behind the last comma. */
const lastOf = (text: string) => text.slice(text.lastIndexOf(",") + 1).trimStart();

/** A cell that is typed into, with what could stand there. */
export function CellField({ label, text, choices, several, onType, onTake, onDrop }: Props) {
  const list = useId();
  const [at, setAt] = useState(0);
  const wanted = several ? lastOf(text) : text;
  const found = useMemo<Choice[]>(() => {
    const all = choices.map((choice) => ({ id: choice, label: choice }));
    const known = choices.some((choice) => choice.toLowerCase() === wanted.trim().toLowerCase());
    return wanted.trim() === "" || known ? [] : matching(all, wanted).slice(0, SHOWN);
  }, [choices, wanted]);
  const current = found[Math.min(at, found.length - 1)];
  const completed = () =>
    current ? text.slice(0, text.length - wanted.length) + current.label : text;
  return (
    <span className="relative block">
      <input
        ref={(element) => element?.focus()}
        role="combobox"
        aria-label={label}
        aria-expanded={found.length > 0}
        aria-controls={list}
        aria-activedescendant={current ? `${list}-${current.id}` : undefined}
        dir="auto"
        className="w-full bg-raised"
        value={text}
        onChange={(event) => {
          setAt(0);
          onType(event.target.value);
        }}
        onBlur={() => onTake(completed(), "")}
        onKeyDown={(event) => {
          if (found.length > 0 && (event.key === "ArrowDown" || event.key === "ArrowUp")) {
            event.preventDefault();
            event.stopPropagation();
            const step = event.key === "ArrowDown" ? 1 : found.length - 1;
            setAt((Math.min(at, found.length - 1) + step) % found.length);
          } else if (event.key === "Enter" || event.key === "Tab") {
            event.preventDefault();
            event.stopPropagation();
            onTake(completed(), event.key === "Tab" ? "Tab" : "ArrowDown");
          } else if (event.key === "Escape") {
            event.stopPropagation();
            onDrop();
          } else {
            event.stopPropagation();
          }
        }}
      />
      {found.length > 0 && (
        <ul
          id={list}
          role="listbox"
          aria-label={label}
          className="absolute top-full left-0 z-20 min-w-full border border-rule bg-raised shadow-md"
        >
          {found.map((choice) => (
            // Keys are handled by the field, which keeps the focus.
            // eslint-disable-next-line jsx-a11y/click-events-have-key-events
            <li
              key={choice.id}
              id={`${list}-${choice.id}`}
              role="option"
              aria-selected={choice === current}
              className={`px-2 py-0.5 whitespace-nowrap ${choice === current ? "bg-active-ground" : ""}`}
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => onTake(text.slice(0, text.length - wanted.length) + choice.label, "")}
            >
              {choice.label}
            </li>
          ))}
        </ul>
      )}
    </span>
  );
}
