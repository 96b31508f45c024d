import { useCallback, useMemo, useState } from "react";
import { useSearchParams } from "react-router";
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

/** Picked rows and what is shown live in the URL, so that a reload and a link show the same. */
export function useFlowUrl(view: MixView): FlowUrl {
  const [params, setParams] = useSearchParams();
  const [anchor, setAnchor] = useState<string>();
  // By what they say, not by the document: an edit of one channel leaves all that is shown alone.
  const ids = [...view.document.channels, ...view.document.outputs].map((one) => one.id).join();
  const known = useMemo(() => new Set(ids.split(",")), [ids]);
  const list = (name: string) => params.get(name) ?? "";
  const [pickedText, foldText, onlyText] = [list("picked"), list("fold"), list("only")];
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
    (values: Record<string, string | undefined>) =>
      setParams(
        (now) => {
          const next = new URLSearchParams(now);
          for (const [name, value] of Object.entries(values)) {
            if (value === undefined) {
              next.delete(name);
            } else {
              next.set(name, value);
            }
          }
          return next;
        },
        { replace: true },
      ),
    [setParams],
  );
  const select = useCallback(
    (next: Selection) => {
      setAnchor(next.anchor);
      set({ picked: [...next.picked].join(",") || undefined });
    },
    [set],
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
