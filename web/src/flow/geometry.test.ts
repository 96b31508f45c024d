import { describe, expect, it } from "vitest";
import { flow } from "../testing/flow";
import { ribbonKey } from "./reach";
import { BRACKET, layOut, sharedWidths, polyline, ribbonWidth, spread } from "./geometry";

const ribbon = (from: string, to: string, kind = "output", channels = 2, seats = 1) => ({
  from,
  to,
  kind,
  channels,
  seats,
});

const band = flow({
  stages: [
    { name: "Seats", ids: ["kick in", "kick out", "hat", "voice", "rough"] },
    { name: "Sub-sums", ids: ["kick"] },
    { name: "Groups", ids: ["drums", "voices"] },
    { name: "Mix", ids: ["mix"] },
    { name: "Master", ids: ["master"] },
    { name: "Files", ids: ["file master", "file drums", "file voices"] },
  ],
  returns: ["squeeze", "plate"],
  groups: ["drums", "voices"],
  ribbons: [
    ribbon("kick in", "kick", "output", 1),
    ribbon("kick out", "kick", "output", 1),
    ribbon("kick", "drums", "output", 1, 2),
    ribbon("hat", "drums", "output", 1),
    ribbon("voice", "voices", "output", 1),
    ribbon("drums", "mix", "output", 2, 3),
    ribbon("voices", "mix", "output", 2, 1),
    ribbon("mix", "master", "output", 2, 4),
    ribbon("master", "file master", "file", 2, 4),
    ribbon("drums", "file drums", "file", 2, 3),
    ribbon("voices", "file voices", "file", 2, 1),
    ribbon("hat", "squeeze", "send", 1),
    ribbon("voice", "plate", "send", 1),
    ribbon("squeeze", "drums"),
    ribbon("plate", "mix"),
  ],
});

describe("spread", () => {
  it("leaves items alone that do not touch", () => {
    const items = [10, 50, 90].map((wanted) => ({ wanted, size: 20, y: 0 }));
    spread(items, 0);
    expect(items.map((item) => item.y)).toEqual([10, 50, 90]);
  });

  it("parts overlapping items evenly, and keeps their order", () => {
    const items = [50, 50, 50].map((wanted) => ({ wanted, size: 20, y: 0 }));
    spread(items, 0);
    expect(items.map((item) => item.y)).toEqual([30, 50, 70]);
  });

  it("never goes above the top", () => {
    const items = [0, 0].map((wanted) => ({ wanted, size: 20, y: 0 }));
    spread(items, 30);
    expect(items.map((item) => item.y)).toEqual([40, 60]);
  });
});

describe("layOut", () => {
  const geometry = layOut(band, { width: 994, height: 720 });
  const y = (id: string) => geometry.rows.get(id)?.y ?? NaN;

  it("gives every row a place, and every ribbon a path", () => {
    expect(geometry.rows.size + geometry.bandRows.length).toBe(15);
    const drawn = new Set([...geometry.paths, ...geometry.bandPaths].map((path) => path.key));
    expect(band.ribbons.map(ribbonKey).filter((key) => !drawn.has(key))).toEqual([]);
    const drawing = geometry.paths.map((path) => path.draw());
    expect(drawing.every((d) => d.startsWith("M") && !d.includes("NaN"))).toBe(true);
  });

  it("puts a bus in the middle of what feeds it", () => {
    expect(y("kick")).toBeCloseTo((y("kick in") + y("kick out")) / 2, 0);
  });

  it("lets no two rows of a column overlap", () => {
    for (const stage of band.stages) {
      const ys = stage.ids.map(y).sort((a, b) => a - b);
      ys.slice(1).forEach((at, i) =>
        expect(at - (ys[i] ?? 0)).toBeGreaterThanOrEqual(geometry.rowHeight - 0.01),
      );
    }
  });

  it("leads a ribbon past a column between its rows", () => {
    const path = geometry.paths.find(({ key }) => key === "output hat drums");
    const lane = Number(/ ([\d.]+)H/.exec(path?.draw() ?? "")?.[1]);
    expect(Math.abs(lane - y("kick"))).toBeGreaterThan(geometry.rowHeight / 2);
  });

  it("stays the same when asked again", () => {
    const drawn = (of: typeof geometry) => of.paths.map((path) => `${path.key} ${path.draw()}`);
    expect(drawn(layOut(band, { width: 994, height: 720 }))).toEqual(drawn(geometry));
  });

  it("makes rows lower when there are many, and scrolls when there are too many", () => {
    const many = (count: number) =>
      flow({
        stages: [
          { name: "Seats", ids: Array.from({ length: count }, (_, i) => `s${i}`) },
          { name: "Files", ids: [] },
        ],
      });
    expect(layOut(many(10), { width: 900, height: 700 }).rowHeight).toBe(26);
    const crowd = layOut(many(400), { width: 900, height: 700 });
    expect(crowd.rowHeight).toBe(18);
    expect(crowd.height).toBeGreaterThan(400 * 18);
  });

  it("draws sends from one column into one return as one trunk, and each alone when it is lit", () => {
    const layout = { ...band, ribbons: [...band.ribbons, ribbon("kick in", "squeeze", "send", 1)] };
    const { paths, bandPaths } = layOut(layout, { width: 900, height: 700 });
    const into = (all: typeof paths) => all.filter((path) => path.key.endsWith("squeeze"));
    expect(into(paths).filter((path) => path.key.startsWith("trunk"))).toHaveLength(1);
    expect(into(paths).filter((path) => path.lit)).toHaveLength(2);
    expect(into(bandPaths).filter((path) => !path.lit)).toHaveLength(1);
  });

  it("tells of each path from where to where it goes, so that what is out of sight is left out", () => {
    for (const path of geometry.paths) {
      const [, y] = /^M[\d.]+ ([\d.]+)/.exec(path.draw()) ?? [];
      expect(Number(y)).toBeGreaterThanOrEqual(path.top);
      expect(Number(y)).toBeLessThanOrEqual(path.bottom);
    }
  });

  it("leaves room before the first column for brackets", () => {
    const first = (lanes: number) =>
      layOut(band, { width: 900, height: 700 }, undefined, lanes).columns[0]?.x ?? 0;
    expect(first(2) - first(0)).toBe(2 * BRACKET);
  });

  it("keeps the band below all columns", () => {
    const lowest = Math.max(...[...geometry.rows.values()].map((row) => row.y));
    expect(geometry.height).toBeGreaterThan(lowest);
  });
});

describe("ribbons", () => {
  it("are as wide as what they carry", () => {
    const seat = ribbonWidth(ribbon("a", "b", "output", 1, 1));
    const bus = ribbonWidth(ribbon("a", "b", "output", 2, 9));
    expect(bus).toBeGreaterThan(seat * 2);
    expect(ribbonWidth(ribbon("a", "b", "send", 2, 9))).toBeLessThan(seat);
  });

  it("turn corners roundly", () => {
    const d = polyline([
      [0, 0],
      [20, 0],
      [20, 20],
    ]);
    expect(d).toBe("M0 0L14 0Q20 0 20 6L20 20");
  });
});

describe("widths of columns", () => {
  it("stay as wanted where names fit", () => {
    expect(sharedWidths([100, 80], [60, 60], 180)).toEqual([100, 80]);
  });

  it("give way to the longest name", () => {
    const widths = sharedWidths([100, 80], [60, 120], 180);
    expect(widths[1]).toBeCloseTo(120);
    expect(widths[0]).toBeCloseTo(60);
  });

  it("never fall below what a name needs, even if all do not fit", () => {
    expect(sharedWidths([50, 50], [90, 70], 100)).toEqual([90, 70]);
  });

  it("take from the gaps what names need, so that nothing is cut off at the right", () => {
    const stages = ["Seats", "Sub-sums 2", "Sub-sums", "Groups", "Mix", "Master", "Files"];
    const layout = flow({
      stages: stages.map((name) => ({ name, ids: [name] })),
      returns: [],
      ribbons: [],
    });
    const long = layOut(layout, { width: 994, height: 720 }, () => 70);
    const last = long.columns.at(-1);
    expect((last?.x ?? 0) + (last?.width ?? 0)).toBeLessThanOrEqual(981);
    const gaps = long.columns.slice(1).map((column, i) => {
      const before = long.columns[i];
      return column.x - (before?.x ?? 0) - (before?.width ?? 0);
    });
    expect(Math.min(...gaps)).toBeGreaterThanOrEqual(34);
    expect(Math.max(...gaps)).toBeLessThan(50);
  });
});
