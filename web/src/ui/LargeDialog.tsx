import type { ReactNode } from "react";
import { Window } from "./Window";

interface Props {
  title: ReactNode;
  description: ReactNode;
  onClose: () => void;
  children: ReactNode;
}

/** A window over the place, for what is looked through rather than filled in. */
export function LargeDialog(props: Props) {
  return (
    <Window {...props} size="large">
      <div className="grid min-h-0 flex-1">{props.children}</div>
    </Window>
  );
}
