// @vitest-environment jsdom
import { cleanup, render } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { FlowThumb } from "./FlowThumb";

afterEach(cleanup);

const sketch = {
  columns: [
    [
      { colour: "drums", rows: 30 },
      { colour: "vocals", rows: 60 },
    ],
    [{ colour: "neutral", rows: 1 }],
  ],
  ties: [
    { fromColumn: 0, fromBlock: 0, toColumn: 1, toBlock: 0, rows: 30 },
    { fromColumn: 0, fromBlock: 7, toColumn: 1, toBlock: 0, rows: 1 },
  ],
};

describe("the picture of a Flow", () => {
  it("has a block for each group, within the stamp, and ties between blocks that are there", () => {
    const { container } = render(<FlowThumb sketch={sketch} />);
    const blocks = [...container.querySelectorAll("rect")].map((one) => ({
      top: Number(one.getAttribute("y")),
      height: Number(one.getAttribute("height")),
    }));
    expect(blocks).toHaveLength(3);
    expect(blocks.every((one) => one.top >= 0 && one.top + one.height <= 54)).toBe(true);
    expect(blocks[1]?.height).toBeCloseTo(2 * (blocks[0]?.height ?? 0) + 1, 5);
    expect(container.querySelectorAll("path")).toHaveLength(1);
  });

  it("is an empty stamp for an empty template", () => {
    const { container } = render(<FlowThumb sketch={{ columns: [[], []], ties: [] }} />);
    expect(container.querySelector("svg")?.childElementCount).toBe(0);
  });
});
