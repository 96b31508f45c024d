import { describe, expect, it } from "vitest";
import { NARROWEST, stretchFor } from "./names";

describe("the type of a name", () => {
  const width = { usual: 100, narrowest: 60 };

  it("is as wide as there is room", () => {
    expect(stretchFor(width, 140)).toBe(100);
    expect(stretchFor(width, 100)).toBe(100);
    expect(stretchFor(width, 80)).toBeCloseTo((100 + NARROWEST) / 2);
    expect(stretchFor(width, 60)).toBe(NARROWEST);
    expect(stretchFor(width, 10)).toBe(NARROWEST);
  });
});
