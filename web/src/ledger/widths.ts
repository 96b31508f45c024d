import { useCallback, useEffect, useState } from "react";
import type { ColumnId } from "./rows";

/** Pixels. What is too long gets narrower type, then a hint. */
const WIDTHS: Record<ColumnId, number | undefined> = {
  name: 150,
  kind: 58,
  layout: 52,
  category: 118,
  output: 92,
  group: 78,
  colour: 56,
  trimDb: 46,
  invertPolarity: 58,
  faderDb: 50,
  pan: 46,
  wholeImage: 52,
  frontBack: 46,
  height: 46,
  lfeDb: 46,
  mute: 46,
  stowed: 52,
  sends: 96,
  chain: 80,
  person: 58,
  comment: 72,
};
const USUAL = 84;
const LEAST = 32;
const MOST = 600;

/** Of this browser, for every Mix: how wide one likes columns is no property of a Mix. */
const KEY = "drevik-ledger-widths";

type Own = Readonly<Record<ColumnId, number>>;

function kept(): Own {
  try {
    const read = JSON.parse(localStorage.getItem(KEY) ?? "{}") as unknown;
    return Object.fromEntries(
      Object.entries(read ?? {}).filter(([, width]) => width >= LEAST && width <= MOST),
    ) as Own;
  } catch {
    return {};
  }
}

/** How wide each column is, and how to make it wider; nothing for the width that it begins with. */
export function useWidths() {
  const [own, setOwn] = useState<Own>(kept);
  useEffect(() => localStorage.setItem(KEY, JSON.stringify(own)), [own]);
  const widthOf = useCallback((column: ColumnId) => own[column] ?? WIDTHS[column] ?? USUAL, [own]);
  const setWidth = useCallback((column: ColumnId, width: number | undefined) => {
    setOwn((now) => {
      const next = new Map(Object.entries(now));
      if (width === undefined) {
        next.delete(column);
      } else {
        next.set(column, Math.round(Math.max(LEAST, Math.min(MOST, width))));
      }
      return Object.fromEntries(next) as Own;
    });
  }, []);
  return { widthOf, setWidth };
}
