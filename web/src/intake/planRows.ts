import type { DeliveryView, FileView, SeatView } from "../api/client";

/** Stands for everything that stays out, below the seats. */
export const OUT = "out";

export interface Ribbon {
  file: FileView;
  /** Rows from the top. */
  from: number;
  to: number;
}

export interface PlanRows {
  files: FileView[];
  seats: SeatView[];
  /** Seats that the plan leaves as they are, and that are not shown. */
  folded: SeatView[];
  ribbons: Ribbon[];
}

/**
 * Both sides of the plan: seats in the order of the Mix, and files in the order of their seats, so
 * that no ribbon crosses another; what stays out comes last on both sides.
 *
 * @param all shows seats too that the plan does not touch
 */
export function planRows(delivery: DeliveryView, all = false): PlanRows {
  const seats = delivery.seats.filter((seat) => all || seat.touched);
  const folded = all ? [] : delivery.seats.filter((seat) => !seat.touched);
  const rowOf = new Map(seats.map((seat, i) => [seat.id, i]));
  const open = delivery.files.filter((file) => file.place);
  const target = (file: FileView) => rowOf.get(file.place?.seat ?? "") ?? seats.length;
  const files = open
    .map((file, i) => ({ file, i }))
    .sort((a, b) => target(a.file) - target(b.file) || a.i - b.i)
    .map((one) => one.file);
  return {
    files,
    seats,
    folded,
    ribbons: files.map((file, from) => ({ file, from, to: target(file) })),
  };
}
