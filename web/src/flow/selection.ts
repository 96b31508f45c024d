/** Picked rows, and the one from which shift extends. */
export interface Selection {
  picked: ReadonlySet<string>;
  anchor?: string;
}

export const nothing: Selection = { picked: new Set() };

export function only(id: string): Selection {
  return { picked: new Set([id]), anchor: id };
}

export function toggled(selection: Selection, id: string): Selection {
  const picked = new Set(selection.picked);
  if (!picked.delete(id)) {
    picked.add(id);
  }
  return { picked, anchor: id };
}

/** Everything between the anchor and {@link id} in the order of one column. */
export function extended(selection: Selection, id: string, order: string[]): Selection {
  const from = selection.anchor ? order.indexOf(selection.anchor) : -1;
  const to = order.indexOf(id);
  if (from < 0 || to < 0) {
    return only(id);
  }
  const between = order.slice(Math.min(from, to), Math.max(from, to) + 1);
  return { picked: new Set(between), anchor: selection.anchor };
}

export function all(ids: string[]): Selection {
  return { picked: new Set(ids), anchor: ids[0] };
}
