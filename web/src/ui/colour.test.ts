import { expect, test } from "vitest";
import { familyColour } from "./colour";

test("free hues are twelve, none of them a family's", () => {
  const free = Array.from({ length: 12 }, (_, i) => familyColour(`hue ${String(i + 1)}`));
  expect(new Set(free).size).toBe(12);
  const families = [42, 72, 102, 132, 162, 192, 222, 252, 282, 312, 342, 12];
  for (const colour of free) {
    const angle = Number(/(\d+)\)$/.exec(colour)?.[1]);
    expect(Math.min(...families.map((one) => Math.abs(one - angle)))).toBe(15);
  }
});

test("families have the hue of their name, and what has none is grey", () => {
  expect(familyColour("drums")).toContain("var(--hue-drums)");
  expect(familyColour("neutral")).toBe("var(--ink-2)");
  expect(familyColour("as its bus")).toBe("var(--ink-2)");
});
