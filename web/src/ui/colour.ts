/** The colour of a family in the theme that is on. */
export function familyColour(family: string): string {
  return family === "neutral"
    ? "var(--ink-2)"
    : `oklch(var(--mark-l) var(--mark-c) var(--hue-${family}))`;
}
