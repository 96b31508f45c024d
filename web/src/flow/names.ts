/**
 * How wide names are, measured and not guessed. A name gets narrower before it is cut: the typeface has
 * an axis for that, from 100 down to 62.5 percent.
 */

export interface NameWidth {
  /** Pixels at the type's usual width, and at its narrowest. */
  usual: number;
  narrowest: number;
}

/** The narrowest that is used, percent: what style sheets call extra-condensed. */
export const NARROWEST = 62.5;

/** For where nothing can be measured, as in tests: pixels of a letter. */
const LETTER = 7;

const SIZES = { row: 0.8125, small: 0.75 } as const;
export type NameSize = keyof typeof SIZES;

let canvas: CanvasRenderingContext2D | null | undefined;
const known = new Map<string, NameWidth>();

export function nameWidth(name: string, strong: boolean, size: NameSize = "row"): NameWidth {
  const key = `${size}${strong ? "!" : " "}${name}`;
  let width = known.get(key);
  if (!width) {
    width = measured(name, strong, size);
    known.set(key, width);
  }
  return width;
}

/** What was measured before the typeface had come is forgotten. */
export function forgetWidths() {
  known.clear();
}

function measured(name: string, strong: boolean, size: NameSize): NameWidth {
  canvas ??= context();
  if (!canvas) {
    const usual = name.length * LETTER;
    return { usual, narrowest: (usual * NARROWEST) / 100 };
  }
  const root = parseFloat(getComputedStyle(document.documentElement).fontSize) || 16;
  canvas.font = `${strong ? 600 : 400} ${SIZES[size] * root}px "Archivo Variable"`;
  const at = (stretch: CanvasFontStretch) => {
    if (canvas) {
      canvas.fontStretch = stretch;
    }
    return Math.ceil(canvas?.measureText(name).width ?? 0) + 1;
  };
  return { usual: at("normal"), narrowest: at("extra-condensed") };
}

function context(): CanvasRenderingContext2D | null {
  try {
    return document.createElement("canvas").getContext("2d");
  } catch {
    return null;
  }
}

/** The widest type, percent, in which a name has room; the narrowest where it has none. */
export function stretchFor(width: NameWidth, room: number): number {
  if (width.usual <= room) {
    return 100;
  }
  const there = (room - width.narrowest) / Math.max(1, width.usual - width.narrowest);
  return NARROWEST + (100 - NARROWEST) * Math.max(0, Math.min(1, there));
}
