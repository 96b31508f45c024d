import { describe, expect, it } from "vitest";
import type { LedgerView } from "../api/client";
import { headings, nextSort, shownRows } from "./rows";

const row = (name: string, kind: string, fader: string) => ({
  channel: name.toLowerCase(),
  cells: [name, kind, fader],
});
const ledger: LedgerView = {
  revision: 1,
  columns: [],
  rows: [
    row("Kick", "seat", "-3"),
    row("Mix", "bus", "0"),
    row("Track 10", "seat", "-12"),
    row("Track 9", "seat", ""),
  ],
};
const names = (...how: [string, Parameters<typeof nextSort>[0], number | undefined]) =>
  shownRows(ledger, ...how).map((one) => one.cells[0]);

describe("the rows that are shown", () => {
  it("hold every word, in any column", () => {
    expect(names("seat track", undefined, undefined)).toEqual(["Track 10", "Track 9"]);
    expect(names("nothing", undefined, undefined)).toEqual([]);
  });

  it("are sorted with numbers in names as numbers", () => {
    expect(names("track", { column: 0, down: false }, undefined)).toEqual(["Track 9", "Track 10"]);
  });

  it("stand by group in the order in which groups appear, sorted within", () => {
    expect(names("", undefined, 1)).toEqual(["Kick", "Track 10", "Track 9", "Mix"]);
    expect(names("", { column: 0, down: true }, 1)).toEqual(["Track 10", "Track 9", "Kick", "Mix"]);
  });
});

describe("headings", () => {
  it("stand where a group begins, with its count", () => {
    const rows = shownRows(ledger, "", undefined, 1);
    expect([...headings(rows, 1)]).toEqual([
      [0, { text: "seat", count: 3 }],
      [3, { text: "bus", count: 1 }],
    ]);
    expect(headings(rows, undefined).size).toBe(0);
  });
});

describe("sorting", () => {
  it("goes up, down, and back to the document", () => {
    const up = nextSort(undefined, 2);
    expect(up).toEqual({ column: 2, down: false });
    const down = nextSort(up, 2);
    expect(down).toEqual({ column: 2, down: true });
    expect(nextSort(down, 2)).toBeUndefined();
    expect(nextSort(down, 1)).toEqual({ column: 1, down: false });
  });
});
