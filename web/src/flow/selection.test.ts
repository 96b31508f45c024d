import { describe, expect, it } from "vitest";
import { flow } from "../testing/flow";
import { outputsReached, reach } from "./reach";
import { extended, nothing, only, toggled } from "./selection";

describe("selection", () => {
  const order = ["a", "b", "c", "d"];

  it("extends from the anchor in either direction", () => {
    expect([...extended(only("c"), "a", order).picked]).toEqual(["a", "b", "c"]);
    const further = extended(extended(only("b"), "c", order), "d", order);
    expect([...further.picked]).toEqual(["b", "c", "d"]);
  });

  it("starts anew where there is no anchor in the column", () => {
    expect([...extended(nothing, "b", order).picked]).toEqual(["b"]);
    expect([...extended(only("elsewhere"), "b", order).picked]).toEqual(["b"]);
  });

  it("toggles one without losing the others", () => {
    const two = toggled(only("a"), "c");
    expect([...two.picked]).toEqual(["a", "c"]);
    expect([...toggled(two, "a").picked]).toEqual(["c"]);
  });
});

describe("reach", () => {
  const layout = flow({
    stages: [],
    returns: [],
    ribbons: [
      { from: "kick", to: "drums", kind: "output", channels: 1, seats: 1 },
      { from: "hat", to: "drums", kind: "output", channels: 1, seats: 1 },
      { from: "drums", to: "mix", kind: "output", channels: 2, seats: 2 },
      { from: "drums", to: "stem", kind: "file", channels: 2, seats: 2 },
      { from: "mix", to: "print", kind: "file", channels: 2, seats: 2 },
      { from: "kick", to: "bass", kind: "key", channels: 1, seats: 1 },
      { from: "bass", to: "mix", kind: "output", channels: 1, seats: 1 },
    ],
  });

  it("lights what is up- and downstream, not what stands beside", () => {
    const lit = reach(layout, ["drums"]);
    expect(lit).toContain("kick");
    expect(lit).toContain("hat");
    expect(lit).toContain("print");
    expect(lit).toContain("output drums mix");
    expect(lit).not.toContain("bass");
    expect(reach(layout, ["kick"])).not.toContain("hat");
  });

  it("finds the outputs that are heard, not those behind a key", () => {
    expect(outputsReached(layout, "kick").sort()).toEqual(["print", "stem"]);
    expect(outputsReached(layout, "bass")).toEqual(["print"]);
  });
});
