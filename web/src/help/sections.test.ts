import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { found, sectionsOf } from "./sections";

const guide = sectionsOf(readFileSync("../docs/guide/README.md", "utf8"));

describe("the guide", () => {
  it("has a part for each place", () => {
    const titles = guide.map((one) => one.title);
    for (const place of ["Shelf", "Intake", "Flow", "Ledger", "Line check", "Delivery sheet"]) {
      expect(titles).toContain(place);
    }
    expect(guide.find((one) => one.title === "Seating plan")?.level).toBe(3);
  });

  it("is found by its words, titles first", () => {
    expect(found(guide, "ledger")[0]?.title).toBe("Ledger");
    expect(found(guide, "dither noise").map((one) => one.title)).toEqual(["Delivery sheet"]);
    expect(found(guide, "xylophone")).toEqual([]);
    expect(found(guide, "")).toHaveLength(guide.length);
  });
});
