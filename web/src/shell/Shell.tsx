import { useMemo, useState, type ReactNode } from "react";
import { NavLink, useNavigate } from "react-router";
import type { MixView } from "../api/client";
import { useEdit, useUndo } from "../api/queries";
import { Chooser } from "../ui/Chooser";
import { useActs, useOffer, type Act } from "./acts";
import { HistoryDialog } from "./HistoryDialog";
import { KeysHelp } from "./KeysHelp";
import { shown } from "./keys";
import { MixDialog } from "./MixDialog";
import { dismiss, useNotices } from "./notices";
import { useTheme } from "./theme";

const PLACES = [
  { path: "intake", label: "Intake", key: "2" },
  { path: "flow", label: "Flow", key: "3" },
  { path: "ledger", label: "Ledger", key: "4" },
  { path: "check", label: "Line check", key: "5" },
  { path: "delivery", label: "Delivery sheet", key: "6" },
];

/** What stands round every place: where one is, where one can go, undo, the command list. */
export function Shell({ mix, children }: { mix?: MixView; children: ReactNode }) {
  const navigate = useNavigate();
  const [theme, toggleTheme] = useTheme();
  const [open, setOpen] = useState<"commands" | "keys" | "history" | "describe">();
  const undo = useUndo(mix?.id ?? "");
  const { mutate: step } = undo;
  const { ask: edit } = useEdit(mix?.id ?? "");

  const acts = useMemo<Act[]>(() => {
    const go = (to: string) => () => void navigate(to);
    const places = mix
      ? PLACES.map((place) => ({
          id: `go-${place.path}`,
          label: `Go to ${place.label}`,
          key: place.key,
          run: go(`/mixes/${mix.id}/${place.path}`),
        }))
      : [];
    return [
      { id: "go-shelf", label: "Go to Shelf", key: "1", run: go("/shelf") },
      ...places,
      {
        id: "undo",
        label: mix?.undo ? `Undo: ${mix.undo}` : "Undo",
        key: "ctrl+z",
        can: mix?.undo !== undefined,
        run: () => step("undo"),
      },
      {
        id: "redo",
        label: mix?.redo ? `Redo: ${mix.redo}` : "Redo",
        key: "ctrl+shift+z",
        can: mix?.redo !== undefined,
        run: () => step("redo"),
      },
      {
        id: "history",
        label: "History…",
        key: "h",
        can: mix !== undefined,
        run: () => setOpen("history"),
      },
      {
        id: "describe",
        label: "Name and describe this Mix…",
        key: "j",
        can: mix !== undefined,
        run: () => setOpen("describe"),
      },
      { id: "theme", label: "Change between day and night", key: "ctrl+j", run: toggleTheme },
      { id: "commands", label: "Command list", key: "ctrl+k", run: () => setOpen("commands") },
      { id: "keys", label: "Keys of this place", key: "?", run: () => setOpen("keys") },
    ];
  }, [mix, navigate, step, toggleTheme]);
  useOffer("shell", acts);

  return (
    <div className="grid h-full grid-rows-[44px_minmax(0,1fr)]">
      <header className="flex shrink-0 items-center gap-5 overflow-x-auto border-b border-rule px-4 max-sm:gap-3">
        <NavLink to="/shelf" className="text-title font-[760]" style={{ fontStretch: "118%" }}>
          Drevik
        </NavLink>
        {mix && (
          <span className="min-w-0 truncate text-ink-2">
            <b className="font-semibold text-ink">{mix.document.name}</b> · {mix.document.kind} ·
            revision {mix.revision}
          </span>
        )}
        <nav aria-label="Places" className="ml-auto flex shrink-0 gap-1">
          <Place to="/shelf" label="Shelf" />
          {mix &&
            PLACES.map((place) => (
              <Place
                key={place.path}
                to={`/mixes/${mix.id}/${place.path}`}
                label={place.label}
                badge={place.path === "check" ? <Badge mix={mix} /> : undefined}
              />
            ))}
        </nav>
        <span className="flex shrink-0 gap-3 text-small text-ink-2">
          <button onClick={() => setOpen("commands")}>
            Commands <kbd>Ctrl K</kbd>
          </button>
          <button onClick={toggleTheme}>{theme === "day" ? "Night" : "Day"}</button>
        </span>
      </header>
      <main className="min-h-0 overflow-hidden">{children}</main>
      <Notices />
      <CommandList open={open === "commands"} onClose={() => setOpen(undefined)} />
      {open === "keys" && <KeysHelp onClose={() => setOpen(undefined)} />}
      {mix && open === "history" && <HistoryDialog mix={mix} onClose={() => setOpen(undefined)} />}
      {mix && open === "describe" && (
        <MixDialog mix={mix} onEdit={edit} onClose={() => setOpen(undefined)} />
      )}
    </div>
  );
}

/** How many findings there are, wherever one is. */
function Badge({ mix }: { mix: MixView }) {
  const wrong = mix.findings.filter((finding) => finding.severity === "wrong").length;
  const others = mix.findings.length - wrong;
  return (
    <span className={`ml-1.5 text-small ${wrong > 0 ? "font-semibold text-wrong" : "text-ink-2"}`}>
      {wrong > 0 ? `${wrong} wrong` : others > 0 ? others : "✓"}
    </span>
  );
}

function Place({ to, label, badge }: { to: string; label: string; badge?: ReactNode }) {
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        `px-2.5 py-1.5 ${
          isActive ? "font-semibold text-ink shadow-[inset_0_-2px_var(--active)]" : "text-ink-2"
        }`
      }
    >
      {label}
      {badge}
    </NavLink>
  );
}

function CommandList({ open, onClose }: { open: boolean; onClose: () => void }) {
  const acts = useActs();
  const choices = acts
    .filter((act) => act.id !== "commands")
    .map((act) => ({
      id: act.id,
      label: act.label,
      hint: act.key && shown(act.key),
      disabled: act.can === false,
    }));
  return (
    <Chooser
      open={open}
      title="Commands"
      placeholder="What do you want to do?"
      choices={choices}
      onClose={onClose}
      onChoose={(id) => {
        onClose();
        acts.find((act) => act.id === id)?.run();
      }}
    />
  );
}

function Notices() {
  const notices = useNotices();
  return (
    <div
      role="status"
      aria-live="polite"
      className="fixed bottom-14 left-4 z-30 flex flex-col gap-2"
    >
      {notices.map((notice) => (
        <p
          key={notice.id}
          className={`flex max-w-[640px] items-baseline gap-4 border bg-raised px-3 py-2 ${
            notice.kind === "wrong" ? "border-wrong" : "border-rule"
          }`}
        >
          <span>{notice.text}</span>
          <button className="text-ink-2 underline" onClick={() => dismiss(notice.id)}>
            Put away
          </button>
        </p>
      ))}
    </div>
  );
}
