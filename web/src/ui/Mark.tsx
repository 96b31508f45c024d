import { useKnowledge } from "../resources/knowledge";
import { familyColour } from "./colour";

export type Shape = "seat" | "free" | "bus" | "return" | "master" | "reference" | "file" | "fold";

const SHAPES: Record<Shape, string> = {
  seat: "rounded-[2px]",
  free: "rounded-[2px]",
  bus: "rounded-l-lg rounded-r-[2px]",
  return: "rounded-lg",
  master: "rounded-r-lg",
  reference: "rounded-[2px]",
  fold: "rounded-[2px] mr-1.5",
  file: "rounded-t-[2px] rounded-bl-[2px] rounded-br-lg",
};

/** The colour and the two letters of a family; the shape tells the kind of channel. */
export function Mark({ family, shape = "seat" }: { family: string; shape?: Shape }) {
  const mark = useKnowledge().data?.families.find((one) => one.id === family)?.mark ?? "";
  const hollow = shape === "return" || shape === "free" || shape === "reference";
  const colour = familyColour(family);
  return (
    <span
      aria-hidden="true"
      className={`grid h-4 max-h-[calc(100%-3px)] w-[18px] shrink-0 place-items-center text-mark font-semibold ${SHAPES[shape]}`}
      style={
        hollow
          ? {
              color: colour,
              border: `1.5px ${shape === "return" ? "solid" : "dashed"} ${colour}`,
              fontStretch: "84%",
            }
          : {
              background: colour,
              color: "var(--on-mark)",
              fontStretch: "84%",
              // A fold shows the edges of what lies beneath it.
              boxShadow:
                shape === "fold"
                  ? `1px 1px 0 var(--ground), 2.5px 2.5px 0 ${colour}, 3.5px 3.5px 0 var(--ground), 5px 5px 0 ${colour}`
                  : undefined,
            }
      }
    >
      {mark}
    </span>
  );
}
