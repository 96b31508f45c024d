import { describe, expect, it } from "vitest";
import type { FileView } from "../api/client";
import { byNeed } from "./order";
import { isWorthSending, nameOfBatch } from "./received";

const file = (name: string, confidence: number, more: Partial<FileView> = {}): FileView => ({
  id: name,
  name,
  category: "drums",
  confidence,
  because: [],
  sortedByHand: false,
  doubtful: confidence < 0.7,
  against: "new",
  steps: [],
  ...more,
});

describe("byNeed", () => {
  it("puts first what needs a person", () => {
    const files = [
      file("sure", 0.98),
      file("refused", 0.9, { fault: "is empty" }),
      file("unsure", 0.6),
      file("unknown", 0, { category: "unknown" }),
      file("keys", 0.98, { category: "keys" }),
    ];
    expect(byNeed(files, ["keys", "drums"]).map((one) => one.name)).toEqual([
      "refused",
      "unknown",
      "unsure",
      "keys",
      "sure",
    ]);
  });
});

describe("received", () => {
  it("leaves litter behind", () => {
    expect(isWorthSending("song/.DS_Store")).toBe(false);
    expect(isWorthSending("__MACOSX/song/kick.wav")).toBe(false);
    expect(isWorthSending("song/kick.wav")).toBe(true);
  });

  it("is called after its folder or zip", () => {
    const one = { path: "Weathervane/kick.wav", file: undefined as unknown as File };
    expect(nameOfBatch([one])).toBe("Weathervane");
    expect(nameOfBatch([{ ...one, path: "kick.wav" }])).toBe("Delivery of 1");
    expect(nameOfBatch([{ ...one, path: "Song for Wren.zip" }])).toBe("Song for Wren");
  });
});
