import { describe, expect, it } from "vitest";
import type { DeliveryView, FileView, SeatView } from "../api/client";
import { planRows } from "./planRows";

const seat = (id: string, state: SeatView["state"], touched = true): SeatView => ({
  id,
  name: id,
  state,
  touched,
  free: false,
  category: "drums",
  layout: "mono",
  files: [],
});

const file = (id: string, seatId?: string): FileView => ({
  id,
  name: id,
  category: "drums",
  confidence: 1,
  because: [],
  sortedByHand: false,
  doubtful: false,
  against: "new",
  steps: [],
  place: {
    act: seatId ? "takes" : "left out",
    seat: seatId,
    because: "",
    wished: false,
  },
});

const delivery = {
  seats: [
    seat("kick", "taken"),
    seat("bass", "holds", false),
    seat("hat", "stowed"),
    seat("tom", "new"),
  ],
  files: [
    file("out"),
    file("b", "tom"),
    file("a", "kick"),
    { ...file("seated"), place: undefined },
  ],
} as unknown as DeliveryView;

describe("the rows of a seating plan", () => {
  it("orders files by their seats, so that no ribbon crosses another", () => {
    const rows = planRows(delivery);
    expect(rows.files.map((one) => one.id)).toEqual(["a", "b", "out"]);
    const ends = rows.ribbons.map((ribbon) => ribbon.to);
    expect(ends).toEqual([...ends].sort((x, y) => x - y));
  });

  it("folds away what the plan does not touch, and shows what it stows", () => {
    expect(planRows(delivery).seats.map((one) => one.id)).toEqual(["kick", "hat", "tom"]);
    expect(planRows(delivery).folded.map((one) => one.id)).toEqual(["bass"]);
    expect(planRows(delivery, true).seats).toHaveLength(4);
  });

  it("leads what stays out to the row behind the seats", () => {
    expect(planRows(delivery).ribbons.at(-1)).toMatchObject({ from: 2, to: 3 });
  });
});
