import { useMemo, useState } from "react";
import Markdown from "react-markdown";
import remarkGfm from "remark-gfm";
import text from "../../../docs/guide/README.md?raw";
import { LargeDialog } from "../ui/LargeDialog";
import { found, sectionsOf } from "./sections";

const SECTIONS = sectionsOf(text);

interface Props {
  /** The title of the part that is opened first. */
  at?: string;
  onClose: () => void;
}

/** The guide, searched by words, beginning with the place that one is in. */
export default function GuideDialog({ at, onClose }: Props) {
  const [typed, setTyped] = useState("");
  const [chosen, setChosen] = useState(at);
  const sections = useMemo(() => found(SECTIONS, typed), [typed]);
  const shown = sections.find((one) => one.title === chosen) ?? sections[0];
  return (
    <LargeDialog
      title="Guide"
      description="What Drevik does and how it is worked. Type words to search in it."
      onClose={onClose}
    >
      <div className="grid min-h-0 grid-cols-[220px_minmax(0,1fr)] max-sm:grid-cols-1 max-sm:grid-rows-[auto_minmax(0,1fr)]">
        <div className="flex min-h-0 flex-col border-r border-rule">
          <input
            aria-label="Search the guide"
            placeholder="words"
            className="m-3 min-h-6 border-b border-rule bg-transparent"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <ul className="min-h-0 overflow-y-auto pb-3">
            {sections.map((one) => (
              <li key={one.title}>
                <button
                  aria-current={one === shown}
                  className={`min-h-6 w-full px-3 py-0.5 text-left ${one.level > 2 ? "pl-7" : ""} ${
                    one === shown ? "bg-active-ground font-semibold" : ""
                  }`}
                  onClick={() => setChosen(one.title)}
                >
                  {one.title}
                </button>
              </li>
            ))}
          </ul>
          {sections.length === 0 && <p className="px-3 text-ink-2">No part has these words.</p>}
        </div>
        <article
          // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- it is scrolled by keys
          tabIndex={0}
          aria-label={shown?.title ?? "Nothing found"}
          className="guide min-h-0 overflow-y-auto px-6 py-4"
        >
          {shown && (
            <>
              <h3 className="mb-2 text-title font-semibold">{shown.title}</h3>
              <Markdown remarkPlugins={[remarkGfm]}>{shown.text}</Markdown>
            </>
          )}
        </article>
      </div>
    </LargeDialog>
  );
}
