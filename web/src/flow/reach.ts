import type { FlowLayout, Ribbon } from "../api/client";
import { grouped } from "../ui/grouped";

/** Everything up- and downstream of some rows, with the ribbons on the way; the rows are in it. */
export function reach(layout: FlowLayout, ids: Iterable<string>): Set<string> {
  const lit = new Set<string>(ids);
  const start = [...lit];
  const follow = (step: (ribbon: Ribbon) => [string, string]) => {
    const links = grouped(layout.ribbons, (ribbon) => step(ribbon)[0]);
    const queue = [...start];
    const seen = new Set(start);
    for (let id = queue.pop(); id !== undefined; id = queue.pop()) {
      for (const ribbon of links.get(id) ?? []) {
        const next = step(ribbon)[1];
        lit.add(ribbonKey(ribbon));
        lit.add(next);
        if (!seen.has(next)) {
          seen.add(next);
          queue.push(next);
        }
      }
    }
  };
  follow((ribbon) => [ribbon.from, ribbon.to]);
  follow((ribbon) => [ribbon.to, ribbon.from]);
  return lit;
}

export function ribbonKey(ribbon: Ribbon): string {
  return `${ribbon.kind} ${ribbon.from} ${ribbon.to}`;
}

/** Ids of the outputs that something reaches. */
export function outputsReached(layout: FlowLayout, id: string): string[] {
  const next = grouped(layout.ribbons, (ribbon) => ribbon.from);
  const seen = new Set([id]);
  const queue = [id];
  const found: string[] = [];
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    for (const ribbon of next.get(at) ?? []) {
      if (ribbon.kind === "file") {
        found.push(ribbon.to);
      } else if (ribbon.kind !== "key" && !seen.has(ribbon.to)) {
        seen.add(ribbon.to);
        queue.push(ribbon.to);
      }
    }
  }
  return [...new Set(found)];
}
