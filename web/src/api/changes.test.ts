import { describe, expect, it } from "vitest";
import { changesOf, freshId } from "./changes";

describe("changes of a form", () => {
  const control = { id: "c", name: "Beds", gainDb: -3, members: ["a", "b"], dip: false };

  it("are only the fields that were changed, null for what was taken away", () => {
    expect(changesOf(control, control)).toEqual({});
    expect(changesOf(control, { ...control, gainDb: -6 })).toEqual({ gainDb: -6 });
    expect(changesOf({ colour: "bass" }, {})).toEqual({ colour: null });
    expect(changesOf({}, { colour: "bass" })).toEqual({ colour: "bass" });
  });

  it("tell members of a list one by one", () => {
    expect(changesOf(control, { ...control, members: ["b", "c"] })).toEqual({
      members: { added: [{ item: "c", after: "b" }], removed: ["a"] },
    });
    const chain = [
      { id: "eq", on: true },
      { id: "comp", on: true },
    ];
    expect(
      changesOf({ chain }, { chain: [{ id: "new" }, { id: "comp", on: false }, chain[0]] }),
    ).toEqual({
      chain: {
        added: [{ item: { id: "new" }, after: null }],
        changed: { comp: { on: false } },
        order: ["comp", "eq"],
      },
    });
  });

  it("give new things ids of their own", () => {
    expect(freshId("marker")).toMatch(/^marker-[0-9a-f]{16}$/);
    expect(freshId("marker")).not.toBe(freshId("marker"));
  });
});
