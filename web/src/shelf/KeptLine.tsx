import type { ReactNode } from "react";
import { useRemoval, type Removable } from "../api/queries";

interface Props {
  what: Removable;
  id: string;
  name: string;
  removed: boolean;
  /** What leads: a mark of a colour family, or nothing. */
  lead?: ReactNode;
  sort: string;
  children: ReactNode;
}

/** Something that is kept on the shelf; what was removed stays there for a while. */
export function KeptLine({ what, id, name, removed, lead, sort, children }: Props) {
  const { mutate: removal } = useRemoval();
  return (
    <li className="grid grid-cols-[28px_240px_130px_minmax(0,1fr)_110px] items-baseline gap-3 border-b border-rule-2 py-1.5 max-md:grid-cols-1 max-md:gap-1">
      <span>{lead}</span>
      <span className={`font-semibold ${removed ? "text-ink-2 line-through" : ""}`}>
        <bdi>{name}</bdi>
      </span>
      <span className="text-ink-2">{sort}</span>
      <span className="text-ink-2">{children}</span>
      <button
        className="min-h-6 text-right text-small underline underline-offset-2"
        aria-label={removed ? `Bring back ${name}` : `Remove ${name}`}
        onClick={() => removal({ what, id, how: removed ? "back" : "remove" })}
      >
        {removed ? "Bring back" : "Remove"}
      </button>
    </li>
  );
}
