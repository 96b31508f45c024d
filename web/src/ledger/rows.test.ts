import { describe, expect, it } from "vitest";
import type { LedgerView } from "../api/client";
import { itemsOf, nextSort, shownRows } from "./rows";

const row = (name: string, kind: string, fader: number | null) => ({
  channel: name.toLowerCase(),
  colour: "drums",
  cells: [name, kind, fader === null ? "" : String(fader).replace("-", "−")],
  // The server says null where there is none.
  figures: [fader] as number[],
});
const ledger: LedgerView = {
  revision: 1,
  name: "Song",
  columns: [
    { id: "name", label: "Name", editable: true, figures: false },
    { id: "kind", label: "Kind", editable: false, figures: false },
    { id: "faderDb", label: "Fader", editable: true, figures: true },
  ],
  rows: [
    row("Kick", "seat", -3),
    row("Mix", "bus", 0),
    row("Track 10", "seat", -12),
    row("Track 9", "seat", null),
  ],
};
type Shown = Parameters<typeof shownRows>;
const names = (...how: [string, Shown[2], Shown[3]]) =>
  shownRows(ledger, ...how).map((one) => one.cells[0]);

describe("the rows that are shown", () => {
  it("hold every word, in any column", () => {
    expect(names("seat track", undefined, undefined)).toEqual(["Track 10", "Track 9"]);
    expect(names("nothing", undefined, undefined)).toEqual([]);
  });

  it("are sorted with numbers in names as numbers", () => {
    const by = { column: "name", down: false } as const;
    expect(names("track", by, undefined)).toEqual(["Track 9", "Track 10"]);
  });

  it("are sorted by figures and not by how they are written; none stands at the end", () => {
    const by = (down: boolean) => ({ column: "faderDb", down }) as const;
    expect(names("", by(false), undefined)).toEqual(["Track 10", "Kick", "Mix", "Track 9"]);
    expect(names("", by(true), undefined)).toEqual(["Mix", "Kick", "Track 10", "Track 9"]);
  });

  it("stand by group in the order in which groups appear, sorted within", () => {
    expect(names("", undefined, "kind")).toEqual(["Kick", "Track 10", "Track 9", "Mix"]);
    expect(names("", { column: "name", down: true }, "kind")).toEqual([
      "Track 10",
      "Track 9",
      "Kick",
      "Mix",
    ]);
  });
});

describe("what is drawn one under the other", () => {
  it("has a heading where a group begins, with its count", () => {
    const rows = shownRows(ledger, "", undefined, "kind");
    const items = itemsOf(rows, ledger.columns, "kind");
    expect(items.map((item) => ("head" in item ? `${item.head} ${item.count}` : item.y))).toEqual([
      "seat 3",
      0,
      1,
      2,
      "bus 1",
      3,
    ]);
    expect(itemsOf(rows, ledger.columns, undefined)).toHaveLength(4);
  });
});

describe("sorting", () => {
  it("goes up, down, and back to the document", () => {
    const up = nextSort(undefined, "faderDb");
    expect(up).toEqual({ column: "faderDb", down: false });
    const down = nextSort(up, "faderDb");
    expect(down).toEqual({ column: "faderDb", down: true });
    expect(nextSort(down, "faderDb")).toBeUndefined();
    expect(nextSort(down, "kind")).toEqual({ column: "kind", down: false });
  });
});
