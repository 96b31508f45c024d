import type { Channel, MixChange, MixView } from "./client";

/**
 * A Mix after a change; nothing if the change is told from another revision than the one that is
 * shown. What did not change stays the same object, so that nothing of it is drawn again.
 */
export function changed(view: MixView, change: MixChange): MixView | undefined {
  if (view.revision !== change.from) {
    return undefined;
  }
  const channels = channelsAfter(view.document.channels, change);
  const same = channels === view.document.channels && !change.rest;
  return {
    id: view.id,
    revision: change.revision,
    undo: change.undo,
    redo: change.redo,
    document: same ? view.document : { ...(change.rest ?? view.document), channels },
    flow: change.flow ?? view.flow,
    facts: factsAfter(view.facts, change),
    findings: change.findings ?? view.findings,
  };
}

function channelsAfter(before: Channel[], change: MixChange): Channel[] {
  if (change.channels.length === 0 && !change.order) {
    return before;
  }
  const changes = new Map(change.channels.map((one) => [one.id, one]));
  if (!change.order) {
    return before.map((one) => changes.get(one.id) ?? one);
  }
  const known = new Map(before.map((one) => [one.id, one]));
  return change.order.flatMap((id) => changes.get(id) ?? known.get(id) ?? []);
}

function factsAfter(before: MixView["facts"], change: MixChange): MixView["facts"] {
  if (!change.order) {
    return Object.keys(change.facts).length === 0 ? before : { ...before, ...change.facts };
  }
  const after: MixView["facts"] = {};
  for (const id of change.order) {
    const facts = change.facts[id] ?? before[id];
    if (facts) {
      after[id] = facts;
    }
  }
  return after;
}
