import type { FlowLayout, Ribbon } from "../api/client";
import { grouped } from "../ui/grouped";
import { wayOn } from "./folding";
import { ribbonKey } from "./reach";

/*
 * Where everything in the Flow is drawn. Pure: the same layout and size give the same picture. Columns
 * come from the server; here they get pixels. A ribbon that passes a column gets a lane between that
 * column's rows, so nothing runs through a name.
 */

export interface Row {
  id: string;
  stage: number;
  x: number;
  y: number;
  width: number;
}

export interface RibbonPath {
  /** Of a ribbon, as {@link ribbonKey}; or of a trunk, which many sends share. */
  key: string;
  kind: Ribbon["kind"];
  /** The channel whose colour it has. */
  from: string;
  /** The path’s data, worked out for what is drawn only. */
  draw: () => string;
  width: number;
  /** From where to where it goes, down the page. */
  top: number;
  bottom: number;
  /** Drawn only while it is lit: at rest a trunk stands for it. */
  lit?: boolean;
}

export interface Column {
  name: string;
  x: number;
  width: number;
  count: number;
}

export interface Geometry {
  columns: Column[];
  rows: Map<string, Row>;
  /** Between the columns, and down to the band. */
  paths: RibbonPath[];
  rowHeight: number;
  /** Height of the columns; the band stands below, with a height and places of its own. */
  height: number;
  bandRows: Row[];
  bandPaths: RibbonPath[];
  bandHeight: number;
}

export interface Space {
  width: number;
  height: number;
}

const MARGIN = 14;
const GAP = 50;
const NARROWEST_GAP = 34;
export const HEAD = 30;
const BAND_ROW_WIDTH = 158;
const BAND_HEAD = 16;
/** Pixels that a bracket takes before the first column. */
export const BRACKET = 10;
const ROW_HEIGHTS = [26, 24, 22, 20, 18, 17, 16];
const WEIGHTS = { first: 1.42, last: 1.32, middle: 1, end: 0.8 };

/** Anything that needs room in a column: a row, or a ribbon on its way through. */
interface Item {
  wanted: number;
  size: number;
  y: number;
}

/**
 * Moves items as little as possible (least squares) until none overlap, keeping their order: the pool
 * adjacent violators algorithm on positions less the room taken before them.
 */
export function spread(items: Item[], top: number): void {
  const before: number[] = [];
  let taken = 0;
  for (const item of items) {
    before.push(taken + item.size / 2);
    taken += item.size;
  }
  const pools: { sum: number; count: number }[] = [];
  items.forEach((item, i) => {
    pools.push({ sum: Math.max(item.wanted, top) - (before[i] ?? 0), count: 1 });
    for (let last = pools.length - 1; last > 0; last--) {
      const a = pools[last - 1];
      const b = pools[last];
      if (!a || !b || a.sum / a.count <= b.sum / b.count) {
        break;
      }
      pools.splice(last - 1, 2, { sum: a.sum + b.sum, count: a.count + b.count });
    }
  });
  let i = 0;
  for (const pool of pools) {
    const base = Math.max(top, pool.sum / pool.count);
    for (let n = 0; n < pool.count; n++, i++) {
      const item = items[i];
      if (item) {
        item.y = base + (before[i] ?? 0);
      }
    }
  }
}

/** As wide as what it carries: audio channels, and the seats that are in it. */
export function ribbonWidth(ribbon: Ribbon): number {
  if (ribbon.kind === "send" || ribbon.kind === "key") {
    return 1.25;
  }
  const own = ribbon.channels > 1 ? 2.6 : 1.7;
  return Math.min(13, own + 1.7 * Math.sqrt(Math.max(0, ribbon.seats - 1)));
}

/** Pixels of a row that its mark, and the space round its name, take. */
export const BESIDE_NAME = 34;
const WIDEST_NEED = 180;

/** Widths as wanted, but none narrower than its longest name needs; the others give way. */
export function sharedWidths(wanted: number[], needed: number[], available: number): number[] {
  const widths = wanted.map((width, i) => Math.max(width, needed[i] ?? 0));
  const excess = widths.reduce((sum, width) => sum + width, 0) - available;
  const slack = widths.map((width, i) => width - (needed[i] ?? 0));
  const total = slack.reduce((sum, one) => sum + one, 0);
  if (excess <= 0 || total <= 0) {
    return widths;
  }
  const share = Math.min(1, excess / total);
  return widths.map((width, i) => width - (slack[i] ?? 0) * share);
}

function layColumns(
  layout: FlowLayout,
  space: Space,
  nameNeeds: NameNeeds,
  margin: number,
): Column[] {
  const last = layout.stages.length - 1;
  const weight = (i: number, stage: FlowLayout["stages"][number]["stage"]) =>
    i === 0
      ? WEIGHTS.first
      : i === last
        ? WEIGHTS.last
        : stage === "MIX" || stage === "MASTER"
          ? WEIGHTS.end
          : WEIGHTS.middle;
  const total = layout.stages.reduce((sum, stage, i) => sum + weight(i, stage.stage), 0);
  const unit = Math.max(80, (space.width - margin - MARGIN - GAP * last) / total);
  const needed = layout.stages.map((stage) =>
    Math.min(WIDEST_NEED, BESIDE_NAME + Math.max(0, ...stage.ids.map((id) => nameNeeds(id)))),
  );
  const widths = sharedWidths(
    layout.stages.map((stage, i) => unit * weight(i, stage.stage)),
    needed,
    unit * total,
  );
  // Names that need more than there is take it from the gaps, before anything is cut off.
  const over = widths.reduce((sum, width) => sum + width, 0) - unit * total;
  const gap = Math.max(NARROWEST_GAP, GAP - Math.max(0, over) / Math.max(1, last));
  let x = margin;
  return layout.stages.map((stage, i) => {
    const width = widths[i] ?? unit;
    const column = { name: stage.name, x, width, count: stage.ids.length };
    x += width + gap;
    return column;
  });
}

/** The first column: rows one under another, a little apart where the destination changes. */
function layFirst(
  layout: FlowLayout,
  column: Column,
  rowHeight: number,
  groupOf: Map<string, string>,
  rows: Map<string, Row>,
): number {
  let y = HEAD;
  let group: string | undefined;
  for (const id of layout.stages[0]?.ids ?? []) {
    const now = groupOf.get(id) ?? id;
    if (group !== undefined && now !== group) {
      y += 5;
    }
    group = now;
    rows.set(id, { id, stage: 0, x: column.x, y: y + rowHeight / 2, width: column.width });
    y += rowHeight;
  }
  return y;
}

/** The group that a seat ends up in: the last bus before the mix. */
function groups(layout: FlowLayout): Map<string, string> {
  const isGroup = new Set(layout.groups);
  return new Map(
    (layout.stages[0]?.ids ?? []).map((id) => [
      id,
      wayOn(id, layout).find((at) => isGroup.has(at)) ?? id,
    ]),
  );
}

interface Passing {
  ribbon: Ribbon;
  lanes: Map<number, Item>;
}

/** How many letters the name of a row has. */
/** Pixels that a name needs at least. */
type NameNeeds = (id: string) => number;

/**
 * @param lanes of brackets before the first column
 */
export function layOut(
  layout: FlowLayout,
  space: Space,
  nameNeeds: NameNeeds = () => 0,
  lanes = 0,
): Geometry {
  const columns = layColumns(layout, space, nameNeeds, MARGIN + BRACKET * lanes);
  const stageOf = new Map<string, number>();
  layout.stages.forEach((stage, i) => stage.ids.forEach((id) => stageOf.set(id, i)));
  const band = layBand(layout, space.width);
  const inBand = new Set(layout.returns);

  const groupOf = groups(layout);
  const seats = layout.stages[0]?.ids.length ?? 0;
  const breaks = new Set(groupOf.values()).size;
  const room = space.height - HEAD - band.height - 8 - (breaks - 1) * 5;
  const rowHeight = ROW_HEIGHTS.find((height) => height * seats <= room) ?? 18;

  const rows = new Map<string, Row>();
  const first = columns[0];
  let bottom = first ? layFirst(layout, first, rowHeight, groupOf, rows) : HEAD;

  const main = layout.ribbons.filter(
    (one) =>
      (one.kind === "output" || one.kind === "file") &&
      !inBand.has(one.from) &&
      !inBand.has(one.to),
  );
  const into = grouped(main, (one) => one.to);
  const passing: Passing[] = main.map((ribbon) => ({ ribbon, lanes: new Map() }));
  const items = new Map<string, Item>();

  for (let stage = 1; stage < layout.stages.length; stage++) {
    const column = columns[stage];
    if (!column) {
      continue;
    }
    const inColumn: { item: Item; id?: string }[] = [];
    let fallback = HEAD + rowHeight;
    for (const id of layout.stages[stage]?.ids ?? []) {
      const sources = (into.get(id) ?? []).map((one) => rows.get(one.from)?.y);
      const known = sources.filter((y): y is number => y !== undefined);
      const wanted = known.length ? known.reduce((sum, y) => sum + y, 0) / known.length : fallback;
      fallback = wanted + rowHeight;
      const item = { wanted, size: rowHeight + 4, y: wanted };
      items.set(id, item);
      inColumn.push({ item, id });
    }
    for (const one of passing) {
      const from = stageOf.get(one.ribbon.from);
      const to = stageOf.get(one.ribbon.to);
      const source = rows.get(one.ribbon.from);
      if (from === undefined || to === undefined || !source || from >= stage || to <= stage) {
        continue;
      }
      const wanted = one.lanes.get(stage - 1)?.y ?? source.y;
      const item = { wanted, size: ribbonWidth(one.ribbon) + 3, y: wanted };
      one.lanes.set(stage, item);
      inColumn.push({ item });
    }
    inColumn.sort((a, b) => a.item.wanted - b.item.wanted);
    spread(
      inColumn.map((one) => one.item),
      HEAD,
    );
    for (const { item, id } of inColumn) {
      if (id !== undefined) {
        rows.set(id, { id, stage, x: column.x, y: item.y, width: column.width });
        bottom = Math.max(bottom, item.y + rowHeight / 2);
      }
    }
  }

  const height = Math.max(bottom + 8, space.height - band.height);
  return {
    columns,
    rows,
    paths: [
      ...mainPaths(passing, rows, columns, rowHeight),
      ...taps(layout, inBand, rows),
      ...toBand(layout, band, rows, columns, height),
    ],
    rowHeight,
    height,
    bandRows: band.rows,
    bandPaths: bandPaths(layout, band, rows, columns),
    bandHeight: band.height,
  };
}

/** Where ribbons leave and enter a row: stacked in the order of their other ends. */
function ports(
  passing: Passing[],
  rows: Map<string, Row>,
  end: "from" | "to",
  rowHeight: number,
): Map<Passing, number> {
  const result = new Map<Passing, number>();
  const byRow = grouped(passing, (one) => one.ribbon[end]);
  for (const [id, all] of byRow) {
    const row = rows.get(id);
    if (!row) {
      continue;
    }
    const other = end === "from" ? "to" : "from";
    const neighbour = (one: Passing) => {
      const lanes = [...one.lanes.values()];
      const lane = end === "from" ? lanes[0] : lanes[lanes.length - 1];
      return lane?.y ?? rows.get(one.ribbon[other])?.y ?? 0;
    };
    const sorted = [...all].sort((a, b) => neighbour(a) - neighbour(b));
    const total = sorted.reduce((sum, one) => sum + ribbonWidth(one.ribbon), 0);
    const scale = Math.min(1, (rowHeight - 4) / total);
    let y = row.y - (total * scale) / 2;
    for (const one of sorted) {
      const width = ribbonWidth(one.ribbon) * scale;
      result.set(one, y + width / 2);
      y += width;
    }
  }
  return result;
}

function mainPaths(
  passing: Passing[],
  rows: Map<string, Row>,
  columns: Column[],
  rowHeight: number,
): RibbonPath[] {
  const leaving = ports(passing, rows, "from", rowHeight);
  const entering = ports(passing, rows, "to", rowHeight);
  return passing.flatMap((one) => {
    const from = rows.get(one.ribbon.from);
    const to = rows.get(one.ribbon.to);
    if (!from || !to) {
      return [];
    }
    const draw = () => {
      let x = from.x + from.width;
      let y = leaving.get(one) ?? from.y;
      let d = `M${x} ${r(y)}`;
      for (const [stage, lane] of one.lanes) {
        const column = columns[stage];
        if (column) {
          d += bend(x, y, column.x, lane.y) + `H${r(column.x + column.width)}`;
          x = column.x + column.width;
          y = lane.y;
        }
      }
      return d + bend(x, y, to.x, entering.get(one) ?? to.y);
    };
    const ys = [from.y, to.y, ...[...one.lanes.values()].map((lane) => lane.y)];
    return [path(one.ribbon, draw, Math.min(...ys) - 8, Math.max(...ys) + 8)];
  });
}

function path(ribbon: Ribbon, draw: () => string, top: number, bottom: number): RibbonPath {
  const { kind, from } = ribbon;
  return { key: ribbonKey(ribbon), kind, from, draw, width: ribbonWidth(ribbon), top, bottom };
}

const r = (value: number) => Math.round(value * 10) / 10;

function bend(x1: number, y1: number, x2: number, y2: number): string {
  const middle = r((x1 + x2) / 2);
  return `C${middle} ${r(y1)} ${middle} ${r(y2)} ${r(x2)} ${r(y2)}`;
}

interface Band {
  rows: Row[];
  at: Map<string, { row: Row; i: number }>;
  rail: number;
  height: number;
}

/** The band's rows, in lines, below a pair of rails for each. */
function layBand(layout: FlowLayout, width: number): Band {
  const count = layout.returns.length;
  const perLine = Math.max(1, Math.floor((width - 2 * MARGIN + 20) / (BAND_ROW_WIDTH + 20)));
  const rail = count > 0 ? Math.min(4, 96 / (2 * count)) : 0;
  const top = BAND_HEAD + 2 * rail * count;
  const rows = layout.returns.map((id, i) => ({
    id,
    stage: -1,
    x: MARGIN + (i % perLine) * (BAND_ROW_WIDTH + 20),
    y: top + Math.floor(i / perLine) * 26 + 13,
    width: BAND_ROW_WIDTH,
  }));
  const height = count === 0 ? 0 : top + Math.ceil(count / perLine) * 26 + 8;
  return { rows, at: new Map(rows.map((row, i) => [row.id, { row, i }])), rail, height };
}

const downGap = (column: Column, i: number) => r(column.x + column.width + 8 + ((3 * i) % 40));
const upGap = (row: Row, i: number) => r(row.x - 8 - ((3 * i) % 40));

/**
 * Sends go down the gap behind their column to a rail above the band. All that go from one column
 * into one return share a trunk; each has its own short way to it. What a return gives back climbs
 * the gap before its destination.
 */
function toBand(
  layout: FlowLayout,
  band: Band,
  rows: Map<string, Row>,
  columns: Column[],
  height: number,
): RibbonPath[] {
  const trunks = new Map<string, RibbonPath>();
  const found = layout.ribbons.flatMap((ribbon) => {
    const source = band.at.get(ribbon.from);
    const target = band.at.get(ribbon.to);
    const from = rows.get(ribbon.from);
    const to = rows.get(ribbon.to);
    const column = from && columns[from.stage];
    if (target && from && column) {
      const gap = downGap(column, target.i);
      const start: [number, number] = [from.x + from.width, from.y];
      const key = `trunk ${ribbon.kind} ${from.stage} ${ribbon.to}`;
      const trunk = trunks.get(key);
      const top = Math.min(from.y + 6, trunk?.top ?? height);
      const line = () => `M${gap} ${r(top)}V${r(height)}`;
      trunks.set(key, {
        ...path({ ...ribbon, from: ribbon.to }, line, top, height),
        key,
      });
      const stub = () => polyline([start, [gap, from.y], [gap, from.y + 7]]);
      const run = () => polyline([start, [gap, from.y], [gap, height]]);
      return [
        path(ribbon, stub, from.y - 8, from.y + 8),
        { ...path(ribbon, run, from.y, height), lit: true },
      ];
    }
    if (source && to) {
      const gap = upGap(to, source.i);
      const back = () =>
        polyline([
          [gap, height],
          [gap, to.y],
          [to.x, to.y],
        ]);
      return [{ ...path(ribbon, back, to.y, height), width: Math.min(ribbonWidth(ribbon), 3) }];
    }
    return [];
  });
  return [...trunks.values(), ...found];
}

/** Within the band: along the rails into a return from above, and from its right end back up. */
function bandPaths(
  layout: FlowLayout,
  band: Band,
  rows: Map<string, Row>,
  columns: Column[],
): RibbonPath[] {
  const railOf = (i: number) => r(BAND_HEAD - 2 + band.rail * i);
  const count = band.rows.length;
  const trunks = new Map<string, RibbonPath>();
  const found = layout.ribbons.flatMap((ribbon) => {
    const source = band.at.get(ribbon.from);
    const target = band.at.get(ribbon.to);
    const from = rows.get(ribbon.from);
    const to = rows.get(ribbon.to);
    const column = from && columns[from.stage];
    if (target && from && column) {
      const gap = downGap(column, target.i);
      const rail = railOf(target.i);
      const entry = r(target.row.x + 30);
      const way = () =>
        polyline([
          [gap, 0],
          [gap, rail],
          [entry, rail],
          [entry, target.row.y - 11],
        ]);
      const key = `trunk ${ribbon.kind} ${from.stage} ${ribbon.to}`;
      const whole = path(ribbon, way, 0, band.height);
      trunks.set(key, { ...whole, key, from: ribbon.to });
      return [{ ...whole, lit: true }];
    }
    if (source && (to || target)) {
      const rail = railOf(count + source.i);
      const exit = r(source.row.x + source.row.width);
      const end: [number, number][] = to
        ? [[upGap(to, source.i), 0]]
        : target
          ? [[target.row.x + 60, target.row.y - 11]]
          : [];
      const x = end[0]?.[0] ?? exit;
      const back = () =>
        polyline([
          [exit, source.row.y],
          [exit + 8, source.row.y],
          [exit + 8, rail],
          [x, rail],
          ...end,
        ]);
      return [{ ...path(ribbon, back, 0, band.height), width: Math.min(ribbonWidth(ribbon), 3) }];
    }
    return [];
  });
  return [...trunks.values(), ...found];
}

/** Sends and keys between two rows of the columns. */
function taps(layout: FlowLayout, inBand: Set<string>, rows: Map<string, Row>): RibbonPath[] {
  return layout.ribbons.flatMap((ribbon) => {
    const from = rows.get(ribbon.from);
    const to = rows.get(ribbon.to);
    const tap = ribbon.kind === "send" || ribbon.kind === "key";
    if (!tap || !from || !to || inBand.has(ribbon.from) || inBand.has(ribbon.to)) {
      return [];
    }
    const start = from.x + from.width;
    const draw = () => `M${r(start)} ${r(from.y)}` + bend(start, from.y, to.x, to.y);
    return [path(ribbon, draw, Math.min(from.y, to.y) - 8, Math.max(from.y, to.y) + 8)];
  });
}

/** Straight stretches with rounded corners. */
export function polyline(points: [number, number][], radius = 6): string {
  const [start, ...rest] = points;
  if (!start) {
    return "";
  }
  let d = `M${r(start[0])} ${r(start[1])}`;
  rest.forEach(([x, y], i) => {
    const before = points[i];
    const after = points[i + 2];
    if (!before || !after) {
      d += `L${r(x)} ${r(y)}`;
      return;
    }
    const a = towards([x, y], before, radius);
    const b = towards([x, y], after, radius);
    d += `L${r(a[0])} ${r(a[1])}Q${r(x)} ${r(y)} ${r(b[0])} ${r(b[1])}`;
  });
  return d;
}

function towards(from: [number, number], to: [number, number], distance: number): [number, number] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const share = length === 0 ? 0 : Math.min(distance, length / 2) / length;
  return [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share];
}
