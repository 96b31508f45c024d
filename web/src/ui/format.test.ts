import { describe, expect, it } from "vitest";
import { matching } from "./Chooser";
import { db, frontBack, height, pan, plural, signed, time } from "./format";

describe("numbers", () => {
  it("are shown with a real minus and never as minus zero", () => {
    expect(signed(-3.25)).toBe("−3.3");
    expect(signed(-0.01)).toBe("0.0");
    expect(db(-200)).toBe("−∞");
    expect(db(undefined)).toBe("silent");
    expect(pan(-0.18)).toBe("18 left");
    expect(pan(0.001)).toBe("centre");
    expect([0, 0.4, 1].map(frontBack)).toEqual(["front", "40 back", "back"]);
    expect([0, 0.4, 1].map(height)).toEqual(["level", "40 up", "above"]);
    expect(time(125.4)).toBe("2:05");
    expect(plural(1, "bus", "buses")).toBe("1 bus");
    expect(plural(0, "bus", "buses")).toBe("0 buses");
  });
});

describe("matching", () => {
  const choices = ["Small room", "Drums", "Room", "Master"].map((label) => ({ id: label, label }));

  it("finds words anywhere, beginnings first", () => {
    expect(matching(choices, "ro").map((one) => one.id)).toEqual(["Small room", "Room"]);
    expect(matching(choices, "ms").map((one) => one.id)).toEqual(["Drums"]);
    expect(matching(choices, "room sm").map((one) => one.id)).toEqual(["Small room"]);
    expect(matching(choices, "")).toHaveLength(4);
    expect(matching(choices, "x")).toEqual([]);
  });
});
