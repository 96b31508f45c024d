import { describe, expect, it } from "vitest";
import { channel, view } from "../testing/render";
import { changed } from "./change";
import type { MixChange } from "./client";

const change = (more: Partial<MixChange>): MixChange => ({
  from: 4,
  revision: 5,
  channels: [],
  facts: {},
  ...more,
});

describe("a change", () => {
  it("is not taken by another revision than the one that it is told from", () => {
    expect(changed(view(), change({ from: 3 }))).toBeUndefined();
  });

  it("puts a changed channel in its place, and leaves the others the same objects", () => {
    const before = view();
    const after = changed(before, change({ channels: [channel("snare", { mute: true })] }));
    expect(after?.revision).toBe(5);
    expect(after?.document.channels.map((one) => one.mute)).toEqual([false, true, false]);
    expect(after?.document.channels[0]).toBe(before.document.channels[0]);
    expect(after?.flow).toBe(before.flow);
    expect(after?.facts).toBe(before.facts);
  });

  it("leaves the document alone when nothing of it changed", () => {
    const before = view();
    expect(changed(before, change({ undo: "mute" }))?.document).toBe(before.document);
  });

  it("adds, removes and moves channels by their order, facts with them", () => {
    const after = changed(
      view(),
      change({
        channels: [channel("hat")],
        order: ["mix", "hat", "kick"],
        facts: { hat: { colour: "drums", takesSound: false, awaitsAudio: true } },
      }),
    );
    expect(after?.document.channels.map((one) => one.id)).toEqual(["mix", "hat", "kick"]);
    expect(Object.keys(after?.facts ?? {})).toEqual(["mix", "hat", "kick"]);
  });

  it("takes the rest of the document as a whole, with the channels that are known", () => {
    const before = view();
    const rest = { ...before.document, channels: [], tempo: 97 };
    const after = changed(before, change({ rest, findings: [] }));
    expect(after?.document.tempo).toBe(97);
    expect(after?.document.channels).toHaveLength(3);
  });
});
