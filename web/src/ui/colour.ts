/** Hues without a meaning stand between those of the families, thirty degrees apart too. */
const FIRST_FREE = 57;

/** What takes over the colour of the bus that it leads to. */
const AS_ITS_BUS = "as its bus";

/** The colour of a family, or of a hue by its number, in the theme that is on. */
export function familyColour(family: string): string {
  const number = /^hue (\d+)$/.exec(family)?.[1];
  if (number !== undefined) {
    return hue(String((FIRST_FREE + 30 * (Number(number) - 1)) % 360));
  }
  return family === "neutral" || family === AS_ITS_BUS
    ? "var(--ink-2)"
    : hue(`var(--hue-${family})`);
}

function hue(angle: string): string {
  return `oklch(var(--mark-l) var(--mark-c) ${angle})`;
}
