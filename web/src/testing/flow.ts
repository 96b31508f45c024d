import type { FlowLayout } from "../api/client";

type Stage = FlowLayout["stages"][number]["stage"];

/** What the server calls the columns that it names so. */
const STAGES: Record<string, Stage> = {
  Seats: "SEATS",
  Groups: "GROUPS",
  Mix: "MIX",
  Master: "MASTER",
  Files: "FILES",
};

interface Drawn {
  stages: { name: string; ids: string[] }[];
  returns?: string[];
  ribbons?: FlowLayout["ribbons"];
  groups?: string[];
}

/** A Flow as the server gives it, of what is drawn in it. */
export function flow({ stages, returns = [], ribbons = [], groups = [] }: Drawn): FlowLayout {
  return {
    stages: stages.map((one) => ({ ...one, stage: STAGES[one.name] ?? "SUB_SUMS" })),
    returns,
    ribbons,
    groups,
    into: Object.fromEntries(
      ribbons.filter((one) => one.kind === "output").map((one) => [one.from, one.to]),
    ),
  };
}
