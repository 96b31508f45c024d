import { useState } from "react";
import type { DeadAir, DeliveryView } from "../api/client";
import { useSetDeadAir } from "../resources/deliveries";
import { FormDialog, TextLine } from "../ui/FormDialog";

const LINES = [
  { id: "belowDbfs", label: "Quieter than, dBFS", placeholder: "inaudible beside its own peak" },
  { id: "shortestSeconds", label: "Shortest gap, s" },
  { id: "headSeconds", label: "Kept before, s" },
  { id: "tailSeconds", label: "Kept behind, s" },
] as const;

type Typed = Record<(typeof LINES)[number]["id"], string>;

/** What is cut away of the files of a delivery; the waveforms show it. */
export function DeadAirDialog({
  delivery,
  onClose,
}: {
  delivery: DeliveryView;
  onClose: () => void;
}) {
  const now = delivery.deadAir;
  const [typed, setTyped] = useState<Typed>({
    belowDbfs: now.belowDbfs === undefined ? "" : `${now.belowDbfs}`,
    shortestSeconds: `${now.shortestSeconds}`,
    headSeconds: `${now.headSeconds}`,
    tailSeconds: `${now.tailSeconds}`,
  });
  const set = useSetDeadAir(delivery.id);
  return (
    <FormDialog
      title="Dead air"
      description="What lies between two sounds is cut away when a file is seated; the original stays as it is. The waveforms show hatched what goes. A file keeps all of it where its own step is off."
      does="Set"
      onSubmit={() => set.ask(read(typed))}
      onClose={onClose}
    >
      {LINES.map((line) => (
        <TextLine
          key={line.id}
          label={line.label}
          placeholder={"placeholder" in line ? line.placeholder : undefined}
          value={typed[line.id]}
          onChange={(text) => setTyped({ ...typed, [line.id]: text })}
        />
      ))}
    </FormDialog>
  );
}

/** The numbers; what is none is said where it stands. */
function read(typed: Typed): DeadAir {
  const number = (line: (typeof LINES)[number]) => {
    const text = typed[line.id].trim().replace("−", "-").replace(",", ".");
    const value = text === "" ? NaN : Number(text);
    if (Number.isNaN(value)) {
      throw new Error(`“${typed[line.id]}” is no number; type one for “${line.label}”.`);
    }
    return value;
  };
  const [below, shortest, head, tail] = LINES;
  return {
    belowDbfs: typed.belowDbfs.trim() === "" ? undefined : number(below),
    shortestSeconds: number(shortest),
    headSeconds: number(head),
    tailSeconds: number(tail),
  };
}
