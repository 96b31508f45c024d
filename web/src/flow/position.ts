import type { Channel, Knowledge, MixView } from "../api/client";

/** What something can be placed in: whether any layout that hears it has a surround, heights, an LFE. */
export interface Room {
  surround: boolean;
  heights: boolean;
  lfe: boolean;
}

/** The room of what is sent to these channels. */
export function roomOf(view: MixView, knowledge: Knowledge | undefined, to: string[]): Room {
  const heard = view.document.channels.filter((one) => to.includes(one.id));
  return roomIn(
    knowledge,
    heard.map((one) => one.layout),
  );
}

/** The room of a channel: what it feeds, and what is printed of it. */
export function roomOfChannel(
  view: MixView,
  knowledge: Knowledge | undefined,
  channel: Channel,
): Room {
  const printed = view.document.outputs.filter((one) => one.channel === channel.id);
  const fed = view.document.channels.filter((one) => one.id === channel.output);
  return roomIn(
    knowledge,
    [...printed, ...fed].map((one) => one.layout),
  );
}

function roomIn(knowledge: Knowledge | undefined, layouts: string[]): Room {
  const known = knowledge?.layouts.filter((one) => layouts.includes(one.id)) ?? [];
  return {
    surround: known.some((one) => one.surround),
    heights: known.some((one) => one.heights),
    lfe: known.some((one) => one.lfe),
  };
}
