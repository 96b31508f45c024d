import { memo } from "react";
import type { MixView } from "../api/client";
import { familyColour } from "../ui/colour";
import type { RibbonPath } from "./geometry";

interface Props {
  paths: RibbonPath[];
  height: number;
  facts: MixView["facts"];
  /** The family of a row that is no channel. */
  familyOf: (id: string) => string;
  lit?: ReadonlySet<string>;
}

/** The ribbons of one pane; with something lit, the rest recedes. */
export const Ribbons = memo(function Ribbons({ paths, height, facts, familyOf, lit }: Props) {
  return (
    <svg
      aria-hidden="true"
      className="pointer-events-none absolute inset-0"
      width="100%"
      height={height}
    >
      {paths.map((path) => {
        const on = lit?.has(path.key) ?? false;
        if (path.lit && !on) {
          return null;
        }
        const tap = path.kind === "send" || path.kind === "key";
        const rest = tap ? 0.5 : "var(--ribbon)";
        return (
          <path
            key={path.lit ? `lit ${path.key}` : path.key}
            className="ribbon"
            d={path.draw()}
            fill="none"
            stroke={familyColour(facts[path.from]?.colour ?? familyOf(path.from))}
            strokeWidth={on && tap ? 2 : path.width}
            strokeDasharray={path.kind === "send" ? "5 3" : path.kind === "key" ? "1 3" : undefined}
            style={{ opacity: lit ? (on ? 0.9 : 0.1) : rest }}
          />
        );
      })}
    </svg>
  );
});
