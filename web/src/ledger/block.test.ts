import { describe, expect, it } from "vitest";
import { areaOf, filledDown, moved, readBlock, writeBlock } from "./block";

describe("a block of cells", () => {
  it("is read as spreadsheets write it", () => {
    expect(readBlock("Kick\t-3\r\nSnare\t\r\n")).toEqual([
      ["Kick", "-3"],
      ["Snare", ""],
    ]);
    expect(readBlock("one")).toEqual([["one"]]);
  });

  it("is written so that it can be read back", () => {
    const rows = [
      ["Kick", "a\tb"],
      ["Snare", "c\nd"],
    ];
    expect(readBlock(writeBlock(rows))).toEqual([
      ["Kick", "a b"],
      ["Snare", "c d"],
    ]);
  });
});

describe("an area", () => {
  it("lies between its corners whichever way it was drawn", () => {
    expect(areaOf({ row: 5, column: 1 }, { row: 2, column: 3 })).toEqual({
      top: 2,
      left: 1,
      bottom: 5,
      right: 3,
    });
  });

  it("is filled from its first row", () => {
    const cells = [["a", "b", "c"], ["d"], ["e"]];
    expect(filledDown(cells, { top: 0, left: 1, bottom: 2, right: 2 })).toEqual([
      ["b", "c"],
      ["b", "c"],
      ["b", "c"],
    ]);
  });
});

describe("moving", () => {
  it("stops at the edges", () => {
    expect(moved({ row: 0, column: 0 }, "ArrowUp", 3, 2)).toEqual({ row: 0, column: 0 });
    expect(moved({ row: 2, column: 1 }, "ArrowDown", 3, 2)).toEqual({ row: 2, column: 1 });
    expect(moved({ row: 1, column: 1 }, "Home", 3, 2)).toEqual({ row: 1, column: 0 });
    expect(moved({ row: 1, column: 0 }, "PageDown", 3, 2)).toEqual({ row: 2, column: 0 });
    expect(moved({ row: 1, column: 0 }, "q", 3, 2)).toBeUndefined();
  });
});
