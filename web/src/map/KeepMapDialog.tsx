import { useState } from "react";
import type { MixView } from "../api/client";
import { useKeepMap } from "../resources/maps";
import { FormDialog, TextLine } from "../ui/FormDialog";

/** Puts the map of a Mix on the shelf, under a name. */
export function KeepMapDialog({ view, onClose }: { view: MixView; onClose: () => void }) {
  const { ask } = useKeepMap();
  const [name, setName] = useState(view.document.name);
  return (
    <FormDialog
      title="Keep this category map"
      description="It speaks of buses, controls and outputs by their names, so that it can be put under any Mix that has such."
      does="Keep it"
      onClose={onClose}
      onSubmit={() => ask({ mix: view.id, name })}
    >
      <TextLine label="Name" required value={name} onChange={setName} />
    </FormDialog>
  );
}
