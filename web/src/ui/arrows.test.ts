import { describe, expect, it } from "vitest";
import { placeAfter } from "./arrows";

const PLAIN = { key: "", altKey: false, ctrlKey: false, metaKey: false };

describe("a list", () => {
  it.each([
    ["ArrowDown", 3, 4],
    ["ArrowUp", 3, 2],
    ["PageDown", 3, 13],
    ["PageDown", 15, 19],
    ["PageUp", 3, 0],
    ["Home", 7, 0],
    ["End", 7, 19],
    ["ArrowDown", 19, 19],
    ["a", 3, undefined],
  ])("goes by %s from %i to %s", (key, from, to) => {
    expect(placeAfter({ ...PLAIN, key }, from, 20)).toBe(to);
  });

  it.each(["altKey", "ctrlKey", "metaKey"])("leaves arrows with %s to acts", (held) => {
    expect(placeAfter({ ...PLAIN, key: "ArrowDown", [held]: true }, 3, 20)).toBeUndefined();
  });
});
