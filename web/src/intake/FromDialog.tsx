import { useState } from "react";
import type { DeliveryView } from "../api/client";
import { useDescribeDelivery } from "../resources/deliveries";
import { Field, FormDialog } from "../ui/FormDialog";

/** Whom a delivery comes from. What is learned from corrections holds for the client. */
export function FromDialog({ delivery, onClose }: { delivery: DeliveryView; onClose: () => void }) {
  const [client, setClient] = useState(delivery.client ?? "");
  const [artist, setArtist] = useState(delivery.artist ?? "");
  const [project, setProject] = useState(delivery.project ?? "");
  const describe = useDescribeDelivery(delivery.id);
  const field = (value: string, set: (value: string) => void) => (
    <input
      className="border-b border-rule bg-raised py-0.5"
      value={value}
      maxLength={200}
      onChange={(event) => set(event.target.value)}
    />
  );
  return (
    <FormDialog
      title="Whom it comes from"
      description="What you correct is learned for the client, and holds for the next delivery."
      does="Keep"
      onSubmit={() => describe.ask({ client, artist, project })}
      onClose={onClose}
    >
      <Field label="Client">{field(client, setClient)}</Field>
      <Field label="Artist">{field(artist, setArtist)}</Field>
      <Field label="Project">{field(project, setProject)}</Field>
    </FormDialog>
  );
}
