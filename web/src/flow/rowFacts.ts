import type { MixView } from "../api/client";
import { db } from "../ui/format";
import type { RowFacts } from "./FlowRow";

const SHORT: Record<string, string> = { mono: "M", stereo: "St", quad: "Qd", lcr: "LCR" };

/** What each row of the Flow says, by id. */
export function rowFacts(view: MixView): Map<string, RowFacts> {
  const facts = new Map<string, RowFacts>();
  const names = new Map(view.document.channels.map((channel) => [channel.id, channel.name]));
  for (const channel of view.document.channels) {
    const free = channel.kind === "seat" && channel.clips.length === 0;
    const goes = channel.output ? `, goes to ${names.get(channel.output) ?? "?"}` : "";
    facts.set(channel.id, {
      id: channel.id,
      name: channel.name,
      family: view.facts[channel.id]?.colour ?? "neutral",
      shape: free ? "free" : channel.kind,
      layout: SHORT[channel.layout] ?? channel.layout,
      value: channel.kind === "seat" ? db(channel.faderDb) : undefined,
      muted: channel.mute,
      title:
        `${channel.name}: ${free ? "free " : ""}${channel.kind}, ${channel.layout}, ` +
        `${channel.category}, fader ${db(channel.faderDb)} dB${channel.mute ? ", muted" : ""}${goes}`,
    });
  }
  for (const output of view.document.outputs) {
    facts.set(output.id, {
      id: output.id,
      name: output.name,
      family: view.facts[output.channel]?.colour ?? "neutral",
      shape: "file",
      layout: SHORT[output.layout] ?? output.layout,
      title: `${output.name}: ${output.kind}, ${output.layout}, ${output.format}, file “${output.namePattern}.wav”`,
    });
  }
  return facts;
}
