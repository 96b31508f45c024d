import { useCallback, useMemo, useState } from "react";
import { useLocation, useSearchParams } from "react-router";
import type { MixView } from "../api/client";
import type { Showing } from "./folding";
import { nothing, type Selection } from "./selection";

/** What is shown of the Flow. */
export type FlowState = Showing;

interface FlowUrl {
  selection: Selection;
  select: (selection: Selection) => void;
  state: FlowState;
  show: (change: Partial<FlowState>) => void;
}

/** An address may not be longer than servers take it; what is longer stays with the page's history. */
const LONGEST = 1500;
const MANY = "many";
/** What stands for all channels that are not stowed. */
const ALL = "all";

/** Picked rows and what is shown live in the URL, so that a reload and a link show the same. */
export function useFlowUrl(view: MixView): FlowUrl {
  const [params, setParams] = useSearchParams();
  const [anchor, setAnchor] = useState<string>();
  // By what they say, not by the document: an edit of one channel leaves all that is shown alone.
  const ids = [...view.document.channels, ...view.document.outputs].map((one) => one.id).join();
  const known = useMemo(() => new Set(ids.split(",")), [ids]);
  const list = (name: string) => params.get(name) ?? "";
  const { state: kept } = useLocation() as { state: { picked?: string } | null };
  const active = useMemo(
    () => view.document.channels.filter((one) => !one.stowed).map((one) => one.id),
    [view.document.channels],
  );
  const named = list("picked");
  const pickedText = named === MANY ? (kept?.picked ?? "") : named === ALL ? active.join() : named;
  const [foldText, onlyText] = [list("fold"), list("only")];
  const buses = params.has("buses");
  const selection = useMemo<Selection>(() => {
    const ids = pickedText.split(",").filter((id) => known.has(id));
    return ids.length === 0 ? nothing : { picked: new Set(ids), anchor };
  }, [pickedText, anchor, known]);
  const state = useMemo<FlowState>(
    () => ({
      folded: new Set(foldText.split(",").filter((id) => known.has(id))),
      only: known.has(onlyText) ? onlyText : undefined,
      buses,
    }),
    [foldText, onlyText, buses, known],
  );
  const set = useCallback(
    (
      values: Record<string, string | undefined>,
      how: { replace: boolean; state?: unknown } = { replace: true },
    ) =>
      setParams((now) => {
        const next = new URLSearchParams(now);
        for (const [name, value] of Object.entries(values)) {
          if (value === undefined) {
            next.delete(name);
          } else {
            next.set(name, value);
          }
        }
        return next;
      }, how),
    [setParams],
  );
  const select = useCallback(
    (next: Selection) => {
      setAnchor(next.anchor);
      const text = [...next.picked].join(",");
      const whole = next.picked.size === active.length && active.every((id) => next.picked.has(id));
      const many = !whole && text.length > LONGEST;
      // Back takes the picks away before it leaves the place; what is picked on is no step of its own.
      const begins = !selection.picked.size && next.picked.size > 0;
      set(
        { picked: (whole && active.length > 1 ? ALL : many ? MANY : text) || undefined },
        { replace: !begins, state: many ? { picked: text } : null },
      );
    },
    [set, active, selection],
  );
  const show = useCallback(
    (change: Partial<FlowState>) => {
      const next = { ...state, ...change };
      set({
        fold: [...next.folded].join(",") || undefined,
        only: next.only,
        buses: next.buses ? "" : undefined,
      });
    },
    [set, state],
  );
  return { selection, select, state, show };
}
