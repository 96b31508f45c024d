// @vitest-environment jsdom
import { renderHook } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { flow } from "../testing/flow";
import { channel, view } from "../testing/render";
import { useFlowActs } from "./flowActs";
import type { FlowState } from "./flowState";
import { only } from "./selection";

const channels = [
  channel("kick", { output: "drums" }),
  channel("snare", { output: "drums", mute: true }),
  channel("old", { output: "drums", stowed: true }),
  channel("lead", { output: "mix" }),
  channel("drums", { kind: "bus", output: "mix" }),
  channel("mix", { kind: "bus" }),
];
const byId = new Map(channels.map((one) => [one.id, one]));

const ribbon = (from: string, to: string) => ({ from, to, kind: "output", channels: 1, seats: 1 });

function acts(picked: string[], more: Partial<FlowState> = {}) {
  const doing = {
    view: {
      ...view({ channels }),
      flow: flow({
        stages: [],
        ribbons: [ribbon("kick", "drums"), ribbon("snare", "drums"), ribbon("drums", "mix")],
      }),
    },
    picked,
    channels: byId,
    state: { folded: new Set<string>(), only: undefined, buses: false, ...more },
    apply: vi.fn(),
    ask: vi.fn(),
    select: vi.fn(),
    show: vi.fn(),
  };
  const list = renderHook(() => useFlowActs(doing)).result.current;
  const run = (id: string) => list.find((one) => one.id === id)?.run();
  return { ...doing, run, labels: new Map(list.map((one) => [one.id, one.label])) };
}

describe("a group", () => {
  it("is picked whole", () => {
    const { run, select } = acts(["kick"]);
    run("pick-group");
    const selection = select.mock.calls[0]?.[0] as ReturnType<typeof only>;
    expect([...selection.picked].sort()).toEqual(["drums", "kick", "snare"]);
  });
});

describe("what can be done in the Flow", () => {
  it("moves the picked channels past their neighbour, and not past the edge", () => {
    const middle = acts(["snare"]);
    middle.run("earlier");
    middle.run("later");
    expect(middle.apply.mock.calls).toEqual([
      [{ edit: "move-channels", channels: ["snare"], before: "kick" }],
      [{ edit: "move-channels", channels: ["snare"], before: "lead" }],
    ]);
    const first = acts(["kick"]);
    first.run("earlier");
    expect(first.apply).not.toHaveBeenCalled();
  });

  it("mutes all if one is heard, and unmutes if none is", () => {
    expect(acts(["kick", "snare"]).labels.get("mute")).toBe("Mute");
    const { run, apply, labels } = acts(["snare"]);
    expect(labels.get("mute")).toBe("Unmute");
    run("mute");
    expect(apply).toHaveBeenCalledWith({
      edit: "set-channels",
      channels: ["snare"],
      set: { mute: false },
    });
  });

  it("picks nothing any more after what was picked is stowed or gone", () => {
    for (const id of ["stow", "remove"]) {
      const { run, select } = acts(["kick"]);
      run(id);
      expect((select.mock.calls[0]?.[0] as ReturnType<typeof only>).picked.size).toBe(0);
    }
  });

  it("folds the group of a picked seat, and unfolds it", () => {
    const folding = acts(["kick"]);
    folding.run("fold");
    expect(folding.show).toHaveBeenCalledWith({ folded: new Set(["drums"]) });
    const unfolding = acts(["kick"], { folded: new Set(["drums"]) });
    expect(unfolding.labels.get("fold")).toBe("Unfold the group");
    unfolding.run("fold");
    expect(unfolding.show).toHaveBeenCalledWith({ folded: new Set() });
  });

  it("shows one group, asks which if several are meant, and shows all again", () => {
    const one = acts(["kick"]);
    one.run("only");
    expect(one.show).toHaveBeenCalledWith({ only: "drums" });
    const two = acts(["kick", "lead"]);
    two.run("only");
    expect(two.ask).toHaveBeenCalledWith("only");
    const alone = acts([], { only: "drums" });
    alone.run("only");
    expect(alone.show).toHaveBeenCalledWith({ only: undefined });
  });
});
