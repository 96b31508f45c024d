import { useCallback, useMemo } from "react";
import { useSearchParams } from "react-router";
import type { ColumnId, Columns, Sorting } from "./rows";

/** How the Ledger is looked at; it stands in the address, so that a reload and a link show the same. */
export interface LedgerState {
  wanted: string;
  sort?: Sorting;
  group?: ColumnId;
  hidden: ReadonlySet<ColumnId>;
}

export function useLedgerUrl(columns: Columns) {
  const [params, setParams] = useSearchParams();
  const [wanted, sortText, groupText, hiddenText] = ["rows", "sort", "group", "hide"].map(
    (name) => params.get(name) ?? "",
  );
  const state = useMemo<LedgerState>(() => {
    const known = (id: string | undefined) => columns.find((one) => one.id === id)?.id;
    const column = known(sortText?.replace(/^-/, ""));
    return {
      wanted: wanted ?? "",
      sort: column ? { column, down: sortText?.startsWith("-") === true } : undefined,
      group: known(groupText),
      hidden: new Set((hiddenText ?? "").split(",").flatMap((id) => known(id) ?? [])),
    };
  }, [wanted, sortText, groupText, hiddenText, columns]);
  const show = useCallback(
    (change: Partial<LedgerState>) => {
      const next = { ...state, ...change };
      setParams(
        (now) => {
          const after = new URLSearchParams(now);
          const set = (name: string, value: string) =>
            value ? after.set(name, value) : after.delete(name);
          set("rows", next.wanted);
          set("sort", next.sort ? `${next.sort.down ? "-" : ""}${next.sort.column}` : "");
          set("group", next.group ?? "");
          set("hide", [...next.hidden].join(","));
          return after;
        },
        { replace: true },
      );
    },
    [state, setParams],
  );
  return { state, show };
}
