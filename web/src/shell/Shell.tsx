import { lazy, Suspense, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { NavLink, useLocation, useNavigate } from "react-router";
import type { MixView } from "../api/client";
import { useEdit, useUndo } from "../resources/mixes";
import { PlayerBar } from "../player/PlayerBar";
import { toggleEqual, useEqual, useShown } from "../player/player";
import { Chooser } from "../ui/Chooser";
import { forgetStep } from "../ui/backCloses";
import { focusHome } from "../ui/returnFocus";
import { useActs, useOffer, type Act } from "./acts";
import { Hints } from "./Hints";
import { HistoryDialog } from "./HistoryDialog";
import { KeysHelp } from "./KeysHelp";
import { shown } from "./keys";
import { MixDialog } from "./MixDialog";
import { dismiss, notify, useNotices, type Notice } from "./notices";
import { ErrorBoundary } from "./ErrorBoundary";
import { toggleSingleKeys, useSingleKeys } from "./singleKeys";
import { Status } from "./Status";
import { useTheme } from "./theme";
import { Tour } from "./Tour";
import { goOnTour } from "./tourState";
import { ViewsDialog } from "./ViewsDialog";
import { hint } from "../ui/hint";

const PLACES = [
  { path: "intake", label: "Intake", key: "2" },
  { path: "flow", label: "Flow", key: "3" },
  { path: "ledger", label: "Ledger", key: "4" },
  { path: "outline", label: "Outline", key: "7" },
  { path: "map", label: "Map", key: "8" },
  { path: "check", label: "Line check", key: "5" },
  { path: "delivery", label: "Delivery sheet", key: "6" },
];

/** Read when it is asked for. */
const GuideDialog = lazy(() => import("../help/GuideDialog"));

/** What goes through the revisions, as signs beside the name. */
const STEPS = [
  { id: "undo", sign: "↶" },
  { id: "redo", sign: "↷" },
  { id: "history", sign: "History" },
];

/** What stands round every place: where one is, where one can go, undo, the command list. */
export function Shell({ mix, children }: { mix?: MixView; children: ReactNode }) {
  const navigate = useNavigate();
  const [theme, toggleTheme] = useTheme();
  const singleKeys = useSingleKeys();
  const equal = useEqual();
  const { pathname, key } = useLocation();
  useEffect(forgetStep, [key]);
  useTitle(mix, pathname);
  useFocusOnPlace(pathname);
  useFocusAfterEdit(mix?.revision);
  const [open, setOpen] = useState<
    "commands" | "keys" | "history" | "describe" | "guide" | "views"
  >();
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
        repeats: true,
        run: () => step("undo"),
      },
      {
        id: "redo",
        label: mix?.redo ? `Redo: ${mix.redo}` : "Redo",
        key: "ctrl+shift+z",
        can: mix?.redo !== undefined,
        repeats: true,
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
      {
        id: "views",
        label: "Saved views…",
        key: "shift+v",
        can: mix !== undefined,
        run: () => setOpen("views"),
      },
      { id: "theme", label: "Change between day and night", key: "ctrl+j", run: toggleTheme },
      {
        id: "single-keys",
        label: singleKeys ? "Switch single keys off (Ctrl keys stay)" : "Switch single keys on",
        key: "ctrl+alt+k",
        run: () => {
          toggleSingleKeys();
          notify(
            singleKeys
              ? "Keys without Ctrl do nothing now; Ctrl Alt K brings them back."
              : "Keys without Ctrl act again.",
          );
        },
      },
      {
        id: "equal-loudness",
        label: equal ? "Hear files as they are" : "Hear files equally loud",
        key: "shift+q",
        run: toggleEqual,
      },
      { id: "copy-link", label: "Copy a link to what is shown", key: "shift+y", run: copyLink },
      { id: "commands", label: "Command list", key: "ctrl+k", run: () => setOpen("commands") },
      { id: "keys", label: "Keys of this place", key: "?", run: () => setOpen("keys") },
      { id: "tour", label: "Take the tour of five steps", run: () => goOnTour(0) },
      { id: "guide", label: "Guide…", key: "F1", run: () => setOpen("guide") },
    ];
  }, [mix, navigate, step, toggleTheme, singleKeys, equal]);
  useOffer("shell", acts);

  return (
    <div className="grid h-full grid-rows-[44px_minmax(0,1fr)_auto]">
      <a
        href="#place"
        className="sr-only z-40 bg-raised px-3 py-2 focus:not-sr-only focus:absolute focus:top-1 focus:left-1"
        onClick={(event) => {
          event.preventDefault();
          focusHome();
        }}
      >
        Skip to the place
      </a>
      <header className="flex shrink-0 items-center gap-4 overflow-x-auto border-b border-rule px-4 max-sm:gap-3">
        <NavLink to="/shelf" aria-label="Drevik: to the shelf" className="text-title font-semibold">
          Drevik
        </NavLink>
        {mix && (
          <span
            className="min-w-16 truncate text-ink-2"
            {...hint(`${mix.document.name}: ${mix.document.kind}, revision ${mix.revision}`)}
          >
            <b className="font-semibold text-ink">
              <bdi>{mix.document.name}</bdi>
            </b>{" "}
            · {mix.document.kind} · revision {mix.revision}
          </span>
        )}
        {mix && (
          <span className="flex shrink-0 gap-1 text-small">
            {STEPS.map(({ id, sign }) => {
              const act = acts.find((one) => one.id === id);
              return (
                act && (
                  <button
                    key={id}
                    className="min-h-6 min-w-6 text-ink-2"
                    disabled={act.can === false}
                    aria-label={act.label}
                    {...hint(act.label, act.key)}
                    onClick={act.run}
                  >
                    {sign}
                  </button>
                )
              );
            })}
          </span>
        )}
        <span className="shrink-0 text-small">
          <Status />
        </span>
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
          <button
            className="min-h-6"
            {...hint("All that can be done here", "ctrl+k")}
            onClick={() => setOpen("commands")}
          >
            Commands <kbd>Ctrl K</kbd>
          </button>
          <button
            className="min-h-6"
            {...hint("The guide, searchable", "F1")}
            onClick={() => setOpen("guide")}
          >
            Help
          </button>
          <button
            className="min-h-6"
            {...hint("Change between day and night", "ctrl+j")}
            onClick={toggleTheme}
          >
            {theme === "day" ? "Night" : "Day"}
          </button>
        </span>
      </header>
      <main id="place" tabIndex={-1} className="min-h-0 overflow-hidden outline-none">
        <ErrorBoundary place={pathname}>{children}</ErrorBoundary>
      </main>
      <PlayerBar />
      <Tour />
      <Hints />
      <Notices onUndo={() => step("undo")} mix={mix?.id} place={placeOf(pathname)} />
      <CommandList open={open === "commands"} onClose={() => setOpen(undefined)} />
      {open === "guide" && (
        <Suspense>
          <GuideDialog at={placeOf(pathname)} onClose={() => setOpen(undefined)} />
        </Suspense>
      )}
      {open === "keys" && <KeysHelp onClose={() => setOpen(undefined)} />}
      {mix && open === "history" && <HistoryDialog mix={mix} onClose={() => setOpen(undefined)} />}
      {mix && open === "views" && <ViewsDialog mix={mix} onClose={() => setOpen(undefined)} />}
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
  const chosen = useRef<string>(undefined);
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
        chosen.current = id;
        onClose();
      }}
      // What takes the keyboard somewhere is not undone by the list's going.
      onClosed={() => {
        const id = chosen.current;
        chosen.current = undefined;
        acts.find((act) => act.id === id)?.run();
      }}
    />
  );
}

interface NoticesProps {
  /** The Mix that is shown: only its steps can be taken back from here. */
  mix?: string;
  place: string;
  onUndo: () => void;
}

/** Places with a button at the foot of the page, where notices would stand over it. */
const FOOTED = new Set(["Map", "Outline"]);

function Notices({ mix, place, onUndo }: NoticesProps) {
  const notices = useNotices();
  const beneath = (useShown() ? 1 : 0) + (FOOTED.has(place) ? 1 : 0);
  const line = (notice: Notice) => (
    <p
      key={notice.id}
      className={`pointer-events-auto flex max-w-[520px] items-baseline gap-4 border bg-raised px-3 py-2 break-words ${
        notice.kind === "wrong" ? "border-wrong" : "border-rule"
      }`}
    >
      <span className="min-w-0">{notice.text}</span>
      {notice.undoes !== undefined && notice.undoes === mix && (
        <button
          className="min-h-6 font-semibold text-active underline underline-offset-2"
          onClick={() => {
            dismiss(notice.id);
            onUndo();
          }}
        >
          Undo
        </button>
      )}
      <button
        className="min-h-6 whitespace-nowrap text-ink-2 underline"
        onClick={() => dismiss(notice.id)}
      >
        Put away
      </button>
    </p>
  );
  return (
    <div
      className={`pointer-events-none fixed right-3 z-30 flex flex-col items-end gap-2 ${["bottom-3", "bottom-12", "bottom-24"][beneath]}`}
    >
      <div role="alert" className="contents">
        {notices.filter((one) => one.kind === "wrong").map(line)}
      </div>
      <div role="status" className="contents">
        {notices.filter((one) => one.kind === "said").map(line)}
      </div>
    </div>
  );
}

function copyLink() {
  navigator.clipboard
    .writeText(location.href)
    .then(() => notify("The link is copied: it shows this place as it is shown now."))
    .catch(() => notify(`The browser does not let it be copied; it is ${location.href}`, "wrong"));
}

/** What the place of an address is called. */
function placeOf(pathname: string): string {
  const path = pathname.split("/").at(-1);
  return PLACES.find((one) => one.path === path)?.label ?? "Shelf";
}

/** So that tabs and history say which Mix and which place. */
function useTitle(mix: MixView | undefined, pathname: string) {
  const place = placeOf(pathname);
  const name = mix?.document.name;
  useEffect(() => {
    document.title = [place, name, "Drevik"].filter(Boolean).join(" · ");
  }, [place, name]);
}

/** What the keyboard was on may have gone with an edit: it is in the place then, and not nowhere. */
function useFocusAfterEdit(revision: number | undefined) {
  useEffect(() => {
    if (revision !== undefined && document.activeElement === document.body) {
      document.querySelector<HTMLElement>("main")?.focus({ preventScroll: true });
    }
  }, [revision]);
}

/** Where one went, there the keyboard is. */
function useFocusOnPlace(pathname: string) {
  const before = useRef(pathname);
  useEffect(() => {
    if (before.current !== pathname) {
      before.current = pathname;
      focusHome();
    }
  }, [pathname]);
}
