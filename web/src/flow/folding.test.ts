import { describe, expect, it } from "vitest";
import { flow } from "../testing/flow";
import { folded, wayOn, withAllInto } from "./folding";

const ribbon = (from: string, to: string, kind = "output", seats = 1) => ({
  from,
  to,
  kind,
  channels: 1,
  seats,
});

const band = flow({
  stages: [
    { name: "Seats", ids: ["kick in", "kick out", "hat", "voice"] },
    { name: "Sub-sums", ids: ["kick"] },
    { name: "Groups", ids: ["drums", "voices"] },
    { name: "Mix", ids: ["mix"] },
    { name: "Files", ids: ["file mix", "file drums"] },
  ],
  returns: ["squeeze", "plate"],
  ribbons: [
    ribbon("kick in", "kick"),
    ribbon("kick out", "kick"),
    ribbon("kick", "drums", "output", 2),
    ribbon("hat", "drums"),
    ribbon("voice", "voices"),
    ribbon("drums", "mix", "output", 3),
    ribbon("voices", "mix"),
    ribbon("mix", "file mix", "file"),
    ribbon("drums", "file drums", "file"),
    ribbon("kick in", "squeeze", "send"),
    ribbon("hat", "squeeze", "send"),
    ribbon("voice", "plate", "send"),
    ribbon("squeeze", "kick"),
    ribbon("plate", "mix"),
  ],
});
const all = { folded: new Set<string>() };

describe("folded", () => {
  it("leaves the layout alone when nothing folds", () => {
    expect(folded(band, all).layout).toBe(band);
  });

  it("puts one row in place of all that leads to a bus, where the first of it stood", () => {
    const { layout, folds, rowOf } = folded(band, { folded: new Set(["drums"]) });
    expect(layout.stages.map((stage) => stage.ids)).toEqual([
      ["fold drums", "voice"],
      ["drums", "voices"],
      ["mix"],
      ["file mix", "file drums"],
    ]);
    expect(folds.get("fold drums")?.seats).toEqual(["kick in", "kick out", "hat"]);
    expect(rowOf("kick out")).toBe("fold drums");
    expect(rowOf("kick")).toBe("fold drums");
    expect(rowOf("voice")).toBe("voice");
  });

  it("makes the ribbons of a fold one for each way, with all its seats", () => {
    const { layout } = folded(band, { folded: new Set(["drums"]) });
    expect(layout.ribbons.filter((one) => one.from === "fold drums")).toEqual([
      ribbon("fold drums", "drums", "output", 3),
      ribbon("fold drums", "squeeze", "send", 2),
    ]);
    expect(layout.ribbons).toContainEqual(ribbon("squeeze", "drums"));
  });

  it("folds into the outermost of the buses that are folded", () => {
    const { layout } = folded(band, { folded: new Set(["kick", "drums"]) });
    expect(layout.stages[0]?.ids).toEqual(["fold drums", "voice"]);
    const inner = folded(band, { folded: new Set(["kick"]) }).layout;
    expect(inner.stages[0]?.ids).toEqual(["fold kick", "hat", "voice"]);
    expect(inner.stages[1]?.ids).toEqual(["kick"]);
  });

  it("shows buses alone", () => {
    const { layout } = folded(band, { ...all, buses: true });
    expect(layout.stages[0]).toMatchObject({ name: "Sub-sums", ids: ["kick"] });
    expect(layout.ribbons.map((one) => one.from)).not.toContain("hat");
  });

  it("shows one group with all that it goes to, and nothing else", () => {
    const { layout } = folded(band, { ...all, only: "drums" });
    expect(layout.stages.map((stage) => stage.ids)).toEqual([
      ["kick in", "kick out", "hat"],
      ["kick"],
      ["drums"],
      ["mix"],
      ["file mix", "file drums"],
    ]);
    expect(layout.returns).toEqual(["squeeze"]);
  });
});

describe("with all into", () => {
  it("is a bus with all that comes to it, by way of others too", () => {
    expect(withAllInto(["drums"], band).sort()).toEqual(
      ["drums", "hat", "kick", "kick in", "kick out", "squeeze"].sort(),
    );
    expect(withAllInto(["mix"], band)).toHaveLength(10);
  });

  it("ends where buses go round in a loop", () => {
    const loop = flow({ stages: [], ribbons: [ribbon("a", "b"), ribbon("b", "a")] });
    expect(withAllInto(["a"], loop).sort()).toEqual(["a", "b"]);
    expect(wayOn("a", loop)).toEqual(["b", "a"]);
  });
});
