import type { FlowLayout, Ribbon } from "../api/client";
import { grouped } from "../ui/grouped";

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
  ribbon: Ribbon;
  key: string;
  d: string;
  width: number;
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
  paths: RibbonPath[];
  rowHeight: number;
  /** Height of the columns; the band stands below. */
  height: number;
  bandRows: Row[];
  bandHeight: number;
}

export interface Space {
  width: number;
  height: number;
}

const MARGIN = 14;
const GAP = 50;
const HEAD = 30;
const BAND_ROW_WIDTH = 158;
const RAIL = 4;
const BAND_HEAD = 16;
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

/** Pixels of a letter at the type's narrowest, and of what stands before a name. */
const NARROW_LETTER = 4.7;
const BEFORE_NAME = 32;
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

function layColumns(layout: FlowLayout, space: Space, nameLength: NameLength): Column[] {
  const last = layout.stages.length - 1;
  const weight = (i: number, name: string) =>
    i === 0
      ? WEIGHTS.first
      : i === last
        ? WEIGHTS.last
        : name === "Mix" || name === "Master"
          ? WEIGHTS.end
          : WEIGHTS.middle;
  const total = layout.stages.reduce((sum, stage, i) => sum + weight(i, stage.name), 0);
  const unit = Math.max(80, (space.width - 2 * MARGIN - GAP * last) / total);
  const needed = layout.stages.map((stage) =>
    Math.min(
      WIDEST_NEED,
      BEFORE_NAME + NARROW_LETTER * Math.max(0, ...stage.ids.map((id) => nameLength(id))),
    ),
  );
  const widths = sharedWidths(
    layout.stages.map((stage, i) => unit * weight(i, stage.name)),
    needed,
    unit * total,
  );
  let x = MARGIN;
  return layout.stages.map((stage, i) => {
    const width = widths[i] ?? unit;
    const column = { name: stage.name, x, width, count: stage.ids.length };
    x += width + GAP;
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

/** The group that a seat ends up in: what it feeds just before the mix. */
function groups(layout: FlowLayout): Map<string, string> {
  const outputs = new Map(
    layout.ribbons.filter((one) => one.kind === "output").map((one) => [one.from, one.to]),
  );
  const groupStage = layout.stages.find((stage) => stage.name === "Groups");
  const isGroup = new Set(groupStage?.ids);
  const found = new Map<string, string>();
  for (const id of layout.stages[0]?.ids ?? []) {
    let at: string | undefined = outputs.get(id);
    for (let n = 0; at !== undefined && !isGroup.has(at) && n < 50; n++) {
      at = outputs.get(at);
    }
    found.set(id, at ?? id);
  }
  return found;
}

interface Passing {
  ribbon: Ribbon;
  lanes: Map<number, Item>;
}

/** How many letters the name of a row has. */
type NameLength = (id: string) => number;

export function layOut(
  layout: FlowLayout,
  space: Space,
  nameLength: NameLength = () => 0,
): Geometry {
  const columns = layColumns(layout, space, nameLength);
  const stageOf = new Map<string, number>();
  layout.stages.forEach((stage, i) => stage.ids.forEach((id) => stageOf.set(id, i)));
  const band = new Set(layout.returns);
  const perLine = Math.max(1, Math.floor((space.width - 2 * MARGIN + 20) / (BAND_ROW_WIDTH + 20)));
  const bandLines = Math.ceil(layout.returns.length / perLine);
  const bandHeight =
    layout.returns.length === 0
      ? 0
      : BAND_HEAD + 2 * RAIL * layout.returns.length + bandLines * 26 + 8;

  const groupOf = groups(layout);
  const seats = layout.stages[0]?.ids.length ?? 0;
  const breaks = new Set(groupOf.values()).size;
  const room = space.height - HEAD - bandHeight - 8 - (breaks - 1) * 5;
  const rowHeight = ROW_HEIGHTS.find((height) => height * seats <= room) ?? 18;

  const rows = new Map<string, Row>();
  const first = columns[0];
  let bottom = first ? layFirst(layout, first, rowHeight, groupOf, rows) : HEAD;

  const main = layout.ribbons.filter(
    (one) =>
      (one.kind === "output" || one.kind === "file") && !band.has(one.from) && !band.has(one.to),
  );
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
      const sources = main.filter((one) => one.to === id).map((one) => rows.get(one.from)?.y);
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

  const height = Math.max(bottom + 8, space.height - bandHeight);
  const bandRows = layout.returns.map((id, i) => ({
    id,
    stage: -1,
    x: MARGIN + (i % perLine) * (BAND_ROW_WIDTH + 20),
    y: BAND_HEAD + 2 * RAIL * layout.returns.length + Math.floor(i / perLine) * 26 + 13,
    width: BAND_ROW_WIDTH,
  }));

  const paths = [
    ...mainPaths(passing, rows, columns, rowHeight),
    ...bandPaths(layout, rows, bandRows, columns, height),
  ];
  return { columns, rows, paths, rowHeight, height, bandRows, bandHeight };
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
    d += bend(x, y, to.x, entering.get(one) ?? to.y);
    return [{ ribbon: one.ribbon, key: keyOf(one.ribbon), d, width: ribbonWidth(one.ribbon) }];
  });
}

function keyOf(ribbon: Ribbon): string {
  return `${ribbon.kind} ${ribbon.from} ${ribbon.to}`;
}

const r = (value: number) => Math.round(value * 10) / 10;

function bend(x1: number, y1: number, x2: number, y2: number): string {
  const middle = r((x1 + x2) / 2);
  return `C${middle} ${r(y1)} ${middle} ${r(y2)} ${r(x2)} ${r(y2)}`;
}

/**
 * Sends go down the gap behind their column to a rail above the band, along it, and into the return from
 * above. What a return gives back leaves at its right, takes a rail of its own and climbs the gap before
 * its destination. Every return has its own pair of rails, so both ways can be followed.
 */
function bandPaths(
  layout: FlowLayout,
  rows: Map<string, Row>,
  bandRows: Row[],
  columns: Column[],
  height: number,
): RibbonPath[] {
  const bandAt = new Map(bandRows.map((row, i) => [row.id, { row, i }]));
  const n = bandRows.length;
  return layout.ribbons.flatMap((ribbon) => {
    const source = bandAt.get(ribbon.from);
    const target = bandAt.get(ribbon.to);
    const width = ribbonWidth(ribbon);
    if (target && !source) {
      const from = rows.get(ribbon.from);
      const column = from && columns[from.stage];
      if (!from || !column) {
        return [];
      }
      const gap = r(column.x + column.width + 8 + 3 * target.i);
      const rail = r(height + BAND_HEAD - 2 + RAIL * target.i);
      const entry = r(target.row.x + 30);
      const d = polyline([
        [from.x + from.width, from.y],
        [gap, from.y],
        [gap, rail],
        [entry, rail],
        [entry, height + target.row.y - 11],
      ]);
      return [{ ribbon, key: keyOf(ribbon), d, width }];
    }
    if (source && !target) {
      const to = rows.get(ribbon.to);
      if (!to) {
        return [];
      }
      const rail = r(height + BAND_HEAD - 2 + RAIL * (n + source.i));
      const gap = r(to.x - 8 - 3 * source.i);
      const exit = r(source.row.x + source.row.width);
      const d = polyline([
        [exit, height + source.row.y],
        [exit + 8, height + source.row.y],
        [exit + 8, rail],
        [gap, rail],
        [gap, to.y],
        [to.x, to.y],
      ]);
      return [{ ribbon, key: keyOf(ribbon), d, width: Math.min(width, 3) }];
    }
    if (source && target) {
      const from = source.row;
      const to = target.row;
      const rail = r(height + BAND_HEAD - 2 + RAIL * (n + source.i));
      const d = polyline([
        [from.x + from.width, height + from.y],
        [from.x + from.width + 8, height + from.y],
        [from.x + from.width + 8, rail],
        [to.x + 60, rail],
        [to.x + 60, height + to.y - 11],
      ]);
      return [{ ribbon, key: keyOf(ribbon), d, width }];
    }
    return ribbon.kind === "send" || ribbon.kind === "key" ? sideways(ribbon, rows) : [];
  });
}

/** A send or a key between two rows of the columns. */
function sideways(ribbon: Ribbon, rows: Map<string, Row>): RibbonPath[] {
  const from = rows.get(ribbon.from);
  const to = rows.get(ribbon.to);
  if (!from || !to) {
    return [];
  }
  const d =
    `M${r(from.x + from.width)} ${r(from.y)}` + bend(from.x + from.width, from.y, to.x, to.y);
  return [{ ribbon, key: keyOf(ribbon), d, width: ribbonWidth(ribbon) }];
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
