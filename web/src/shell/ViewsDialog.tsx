import { useState } from "react";
import { useLocation, useNavigate } from "react-router";
import type { MixView } from "../api/client";
import { CloseButton, Window } from "../ui/Window";
import { notify } from "./notices";
import { removeView, saveView, useViews } from "./views";

/** Saves how the place is looked at now, and goes back to what was saved. */
export function ViewsDialog({ mix, onClose }: { mix: MixView; onClose: () => void }) {
  const views = useViews(mix.id);
  const navigate = useNavigate();
  const { pathname, search } = useLocation();
  const [name, setName] = useState("");
  const root = `/mixes/${mix.id}/`;
  const at = pathname.slice(root.length) + search;
  return (
    <Window
      title="Views of this Mix"
      description="What is picked, filtered, sorted, folded and shown now, under a name. They are kept in this browser; Shift Y copies a link for others."
      onClose={onClose}
    >
      <form
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim()) {
            saveView(mix.id, { name: name.trim(), at });
            notify(`The view “${name.trim()}” is saved.`);
            onClose();
          }
        }}
      >
        <label className="min-w-0 flex-1 text-ink-2">
          Name of what is shown now
          <input
            className="mt-1 min-h-6 w-full border-b border-rule bg-transparent text-ink"
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <button className="border border-rule px-3 py-1" disabled={!name.trim()}>
          Save
        </button>
      </form>
      <ul className="mt-4" aria-label="Saved views">
        {views.map((view) => (
          <li
            key={view.name}
            className="flex min-h-8 items-center gap-3 border-b border-rule-2 last:border-0"
          >
            <button
              className="min-h-6 min-w-0 flex-1 truncate text-left underline underline-offset-2"
              onClick={() => {
                onClose();
                void navigate(root + view.at);
              }}
            >
              {view.name}
            </button>
            <span className="text-small text-ink-2">{view.at.split("?")[0]}</span>
            <button
              className="min-h-6 text-small text-ink-2 underline"
              aria-label={`Remove the view “${view.name}”`}
              onClick={() => removeView(mix.id, view.name)}
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
      {views.length === 0 && <p className="text-ink-2">None is saved yet.</p>}
      <CloseButton />
    </Window>
  );
}
