import type { Control, FlowLayout } from "../api/client";
import { BRACKET, type Geometry, type Row } from "./geometry";

/** A control, drawn as a bracket before the rows that it acts on. */
export interface Bracket {
  id: string;
  control: Control;
  /** Everything that it acts on, also by way of other controls. */
  channels: string[];
  /** Counted from the rows outwards. */
  lane: number;
  x: number;
  top: number;
  bottom: number;
  /** Where its members stand. */
  ticks: number[];
}

/** What each control acts on, the controls within it followed to their channels. */
export function controlled(controls: Control[]): Map<string, string[]> {
  const byId = new Map(controls.map((one) => [one.id, one]));
  const channelsOf = (control: Control, depth: number): string[] =>
    control.members.flatMap((member) => {
      const inner = byId.get(member);
      return inner ? (depth > 0 ? channelsOf(inner, depth - 1) : []) : [member];
    });
  return new Map(
    controls.map((one) => [one.id, [...new Set(channelsOf(one, controls.length))]] as const),
  );
}

interface Span {
  control: Control;
  channels: string[];
  first: number;
  last: number;
}

/**
 * In which lane each control's bracket stands before a column: the shorter ones nearer to the rows,
 * none over another.
 */
export function lanes(
  controls: Control[],
  column: string[],
  rowOf: (id: string) => string,
): Map<string, number> {
  const place = new Map(column.map((id, i) => [id, i]));
  const spans: Span[] = [];
  for (const [id, channels] of controlled(controls)) {
    const control = controls.find((one) => one.id === id);
    const at = channels.flatMap((channel) => place.get(rowOf(channel)) ?? []);
    if (control && at.length > 0) {
      spans.push({ control, channels, first: Math.min(...at), last: Math.max(...at) });
    }
  }
  spans.sort((a, b) => a.last - a.first - (b.last - b.first));
  const taken: Span[][] = [];
  const found = new Map<string, number>();
  for (const span of spans) {
    let lane = taken.findIndex((all) =>
      all.every((other) => other.last < span.first || other.first > span.last),
    );
    if (lane < 0) {
      lane = taken.length;
      taken.push([]);
    }
    taken[lane]?.push(span);
    found.set(span.control.id, lane);
  }
  return found;
}

export function brackets(
  controls: Control[],
  layout: FlowLayout,
  geometry: Geometry,
  rowOf: (id: string) => string,
): Bracket[] {
  const members = controlled(controls);
  const byId = new Map(controls.map((one) => [one.id, one]));
  return layout.stages.flatMap((stage, i) => {
    const inLane = lanes(controls, stage.ids, rowOf);
    return [...inLane].flatMap(([id, lane]) => {
      const control = byId.get(id);
      const channels = members.get(id) ?? [];
      const rows = [...new Set(channels.map(rowOf))]
        .map((row) => geometry.rows.get(row))
        .filter((row): row is Row => row?.stage === i);
      const ys = rows.map((row) => row.y);
      const x = (rows[0]?.x ?? 0) - 5 - BRACKET * lane;
      const half = geometry.rowHeight / 2 - 3;
      return control && rows.length > 0
        ? [
            {
              id: `${id} ${i}`,
              control,
              channels,
              lane,
              x,
              top: Math.min(...ys) - half,
              bottom: Math.max(...ys) + half,
              ticks: ys,
            },
          ]
        : [];
    });
  });
}
