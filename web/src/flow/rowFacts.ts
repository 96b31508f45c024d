import type { Channel, MixView, Output } from "../api/client";
import { db, plural, when } from "../ui/format";
import type { Fold } from "./folding";
import { isStrong, type RowFacts } from "./FlowRow";

const SHORT: Record<string, string> = { mono: "M", stereo: "St", quad: "Qd", lcr: "LCR" };

type Folds = ReadonlyMap<string, Fold>;

/** What every row is called, by id. */
export function rowNames(view: MixView, folds: Folds): Map<string, string> {
  const names = new Map<string, string>();
  view.document.channels.forEach((one) => names.set(one.id, one.name));
  view.document.outputs.forEach((one) => names.set(one.id, one.name));
  folds.forEach((fold) =>
    names.set(fold.id, `${names.get(fold.bus) ?? "?"}: ${plural(fold.seats.length, "seat")}`),
  );
  return names;
}

/** The rows whose names are set in bold. */
export function strongRows(view: MixView): Map<string, string> {
  return new Map(
    view.document.channels
      .filter((one) => isStrong({ shape: one.kind }))
      .map((one) => [one.id, one.kind]),
  );
}

/** What a row of the Flow says; worked out for those that are drawn. */
export function rowFacts(
  view: MixView,
  folds: Folds,
): { of: (id: string) => RowFacts | undefined } {
  const channels = new Map(view.document.channels.map((one) => [one.id, one]));
  const outputs = new Map(view.document.outputs.map((one) => [one.id, one]));
  const colour = (id: string) => view.facts[id]?.colour ?? "neutral";
  const follows = (id: string) => ({
    takes: view.facts[id]?.takesSound === true,
    free: view.facts[id]?.awaitsAudio === true,
  });
  return {
    of: (id) => {
      const channel = channels.get(id);
      const output = outputs.get(id);
      const fold = folds.get(id);
      if (channel) {
        const sends = channel.sends
          .flatMap((send) => send.destinations)
          .map((to) => channels.get(to)?.name ?? "?");
        const destination = channels.get(channel.output ?? "")?.name;
        return ofChannel(channel, { ...follows(id), family: colour(id) }, destination, sends);
      }
      if (output) {
        return ofOutput(output, colour(output.channel));
      }
      return fold && ofFold(fold, colour(fold.bus), channels.get(fold.bus)?.name ?? "?");
    },
  };
}

function ofChannel(
  channel: Channel,
  follows: { family: string; takes: boolean; free: boolean },
  destination: string | undefined,
  sends: string[],
): RowFacts {
  const free = channel.kind === "seat" && follows.free;
  const goes =
    (channel.output ? `, goes to ${destination ?? "?"}` : "") +
    (sends.length > 0 ? `, sends to ${sends.join(", ")}` : "");
  return {
    id: channel.id,
    name: channel.name,
    family: follows.family,
    takes: follows.takes,
    shape: free ? "free" : channel.kind,
    layout: SHORT[channel.layout] ?? channel.layout,
    value: db(channel.faderDb),
    muted: channel.mute,
    pinned: channel.pins.length > 0,
    folds: channel.kind === "bus" || channel.kind === "master" ? channel.id : undefined,
    title:
      `${channel.name}: ${free ? "free " : ""}${channel.kind}, ${channel.layout}, ` +
      `${channel.category}, fader ${db(channel.faderDb)} dB${channel.mute ? ", muted" : ""}${goes}` +
      pinned(channel),
  };
}

/** How much of a channel is pinned, by which acts and when. */
function pinned({ pins }: Channel): string {
  const acts = new Set(
    pins.flatMap(({ by, at }) => (by === undefined ? [] : at ? `${by} (${when(at)})` : by)),
  );
  return (
    (pins.length > 0 ? `, ${plural(pins.length, "field")} pinned` : "") +
    (acts.size > 0 ? ` by: ${[...acts].join("; ")}` : "")
  );
}

function ofOutput(output: Output, family: string): RowFacts {
  return {
    id: output.id,
    name: output.name,
    family,
    shape: "file",
    layout: SHORT[output.layout] ?? output.layout,
    title: `${output.name}: ${output.kind}, ${output.layout}, ${output.format}, file “${output.namePattern}.wav”`,
  };
}

function ofFold(fold: Fold, family: string, bus: string): RowFacts {
  const seats = plural(fold.seats.length, "seat");
  return {
    id: fold.id,
    name: `${bus}: ${seats}`,
    family,
    shape: "fold",
    layout: "",
    folds: fold.bus,
    title: `${seats} that lead to ${bus}, folded; F unfolds them`,
  };
}
