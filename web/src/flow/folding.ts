import type { FlowLayout, Ribbon } from "../api/client";
import { grouped } from "../ui/grouped";
import { ribbonKey } from "./reach";

/** How much of the Flow is shown. */
export interface Showing {
  /** Buses of which everything that leads to them is one row. */
  folded: ReadonlySet<string>;
  /** A bus: only it, what leads to it, and where that goes. */
  only?: string;
  /** No seats. */
  buses?: boolean;
}

/** One row in place of many. */
export interface Fold {
  id: string;
  bus: string;
  seats: string[];
}

export interface Folded {
  layout: FlowLayout;
  folds: Map<string, Fold>;
  /** The row that stands for a channel: its own, its fold's, or none. */
  rowOf: (id: string) => string;
}

const foldId = (bus: string) => `fold ${bus}`;

/** The layout as it is shown: nothing is computed anew, rows are left out or stand for many. */
export function folded(whole: FlowLayout, showing: Showing): Folded {
  const { only } = showing;
  const isShown = whole.stages.some((stage) => only !== undefined && stage.ids.includes(only));
  const layout = only !== undefined && isShown ? onlyGroup(whole, only) : whole;
  const foldOf = new Map<string, string>();
  for (const id of layout.stages.slice(0, -1).flatMap((stage) => stage.ids)) {
    for (const at of wayOn(id, layout)) {
      if (showing.folded.has(at)) {
        foldOf.set(id, at);
      }
    }
  }
  const folds = new Map<string, Fold>();
  for (const seat of showing.buses ? [] : (layout.stages[0]?.ids ?? [])) {
    const bus = foldOf.get(seat);
    if (bus !== undefined) {
      const fold = folds.get(foldId(bus)) ?? { id: foldId(bus), bus, seats: [] };
      fold.seats.push(seat);
      folds.set(fold.id, fold);
    }
  }
  const rowOf = (id: string) => {
    const bus = foldOf.get(id);
    return bus === undefined ? id : foldId(bus);
  };
  if (foldOf.size === 0 && !showing.buses) {
    return { layout, folds, rowOf };
  }
  const last = layout.stages.length - 1;
  const stages = layout.stages
    .map((stage, i) => ({
      ...stage,
      ids:
        i === 0
          ? showing.buses
            ? []
            : [...new Set(stage.ids.map(rowOf))]
          : stage.ids.filter((id) => !foldOf.has(id)),
    }))
    .filter((stage, i) => stage.ids.length > 0 || i === last || (i === 0 && !showing.buses));
  const shown = new Set([...stages.flatMap((stage) => stage.ids), ...layout.returns]);
  return {
    layout: { ...layout, stages, ribbons: merged(layout.ribbons, foldOf, shown) },
    folds,
    rowOf,
  };
}

/** Ribbons between what is shown: from a fold's row, into its bus, those of one way made one. */
function merged(ribbons: Ribbon[], foldOf: Map<string, string>, shown: Set<string>): Ribbon[] {
  const found = new Map<string, Ribbon>();
  for (const ribbon of ribbons) {
    const bus = foldOf.get(ribbon.from);
    const to = foldOf.get(ribbon.to) ?? ribbon.to;
    const from = bus === undefined ? ribbon.from : foldId(bus);
    const within = bus !== undefined && foldOf.has(ribbon.to);
    if (within || !shown.has(from) || !shown.has(to)) {
      continue;
    }
    const one = { ...ribbon, from, to };
    const same = found.get(ribbonKey(one));
    found.set(
      ribbonKey(one),
      same
        ? {
            ...same,
            channels: Math.max(same.channels, one.channels),
            seats: same.seats + one.seats,
          }
        : one,
    );
  }
  return [...found.values()];
}

/** What a channel leads to, one bus behind the other. */
export function wayOn(id: string, layout: FlowLayout): string[] {
  const way = new Set<string>();
  for (let at = layout.into[id]; at !== undefined && !way.has(at); at = layout.into[at]) {
    way.add(at);
  }
  return [...way];
}

/** What leads to a bus by main outputs, and all that any of it goes to. */
function onlyGroup(layout: FlowLayout, bus: string): FlowLayout {
  const kept = new Set([bus]);
  const inBand = new Set(layout.returns);
  const into = grouped(
    layout.ribbons.filter((one) => one.kind === "output" && !inBand.has(one.from)),
    (one) => one.to,
  );
  const outOf = grouped(layout.ribbons, (one) => one.from);
  const follow = (links: Map<string, Ribbon[]>, end: "from" | "to") => {
    const queue = [...kept];
    for (let id = queue.pop(); id !== undefined; id = queue.pop()) {
      for (const ribbon of links.get(id) ?? []) {
        if (!kept.has(ribbon[end])) {
          kept.add(ribbon[end]);
          queue.push(ribbon[end]);
        }
      }
    }
  };
  follow(into, "from");
  follow(outOf, "to");
  const last = layout.stages.length - 1;
  return {
    ...layout,
    stages: layout.stages
      .map((stage) => ({ ...stage, ids: stage.ids.filter((id) => kept.has(id)) }))
      .filter((stage, i) => stage.ids.length > 0 || i === 0 || i === last),
    returns: layout.returns.filter((id) => kept.has(id)),
    ribbons: layout.ribbons.filter((one) => kept.has(one.from) && kept.has(one.to)),
  };
}

/** Buses with everything that leads to them. */
export function withAllInto(buses: string[], layout: FlowLayout): string[] {
  const feeding = grouped(Object.entries(layout.into), ([, to]) => to);
  const found = new Set(buses);
  for (const bus of found) {
    // What is added while it is walked is walked too.
    feeding.get(bus)?.forEach(([from]) => found.add(from));
  }
  return [...found];
}
