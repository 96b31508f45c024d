import { flow } from "../testing/flow";
import { describe, expect, it } from "vitest";
import { brackets, controlled, lanes } from "./brackets";
import { layOut } from "./geometry";

const control = (id: string, ...members: string[]) => ({
  id,
  name: id,
  gainDb: 0,
  members,
  dip: false,
});
const itself = (id: string) => id;
const controls = [
  control("rhythm", "drums", "bass"),
  control("drums", "kick", "hat"),
  control("voices", "lead"),
];
const column = ["kick", "hat", "bass", "lead"];

describe("controlled", () => {
  it("follows controls within controls to their channels", () => {
    expect(controlled(controls).get("rhythm")).toEqual(["kick", "hat", "bass"]);
  });

  it("ends where controls go round in a loop", () => {
    const loop = [control("a", "b", "kick"), control("b", "a")];
    expect(controlled(loop).get("a")).toEqual(["kick"]);
  });
});

describe("lanes", () => {
  it("puts the shorter bracket nearer to the rows, and what does not meet in one lane", () => {
    expect(lanes(controls, column, itself)).toEqual(
      new Map([
        ["voices", 0],
        ["drums", 0],
        ["rhythm", 1],
      ]),
    );
  });

  it("has none for what is not in the column", () => {
    expect(lanes(controls, ["mix"], itself).size).toBe(0);
  });
});

describe("brackets", () => {
  it("stand before the rows of their members, with a tick for each", () => {
    const layout = flow({
      stages: [
        { name: "Seats", ids: column },
        { name: "Files", ids: [] },
      ],
      returns: [],
      ribbons: [],
    });
    const geometry = layOut(layout, { width: 800, height: 400 }, undefined, 2);
    const all = brackets(controls, layout, geometry, itself);
    const rhythm = all.find((one) => one.control.id === "rhythm");
    const drums = all.find((one) => one.control.id === "drums");
    const kick = geometry.rows.get("kick");
    expect(rhythm?.ticks).toHaveLength(3);
    expect(drums?.ticks[0]).toBe(kick?.y);
    expect(drums?.x).toBeLessThan(kick?.x ?? 0);
    expect(rhythm?.x).toBeLessThan(drums?.x ?? 0);
    expect(rhythm?.x).toBeGreaterThan(0);
  });

  it("stand once before a row that is a fold of several members", () => {
    const rowOf = (id: string) => (id === "lead" ? id : "fold");
    const layout = flow({
      stages: [
        { name: "Seats", ids: ["fold", "lead"] },
        { name: "Files", ids: [] },
      ],
      returns: [],
      ribbons: [],
    });
    const geometry = layOut(layout, { width: 800, height: 400 }, undefined, 2);
    const drums = brackets(controls, layout, geometry, rowOf).find(
      (one) => one.control.id === "drums",
    );
    expect(drums?.ticks).toHaveLength(1);
  });
});
