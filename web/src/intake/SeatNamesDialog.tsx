import { useState } from "react";
import type { DeliveryView } from "../api/client";
import { useNameSeats } from "../resources/deliveries";
import { Field, FormDialog } from "../ui/FormDialog";

/** How seats are named after the files that they take. */
export function SeatNamesDialog({
  delivery,
  onClose,
}: {
  delivery: DeliveryView;
  onClose: () => void;
}) {
  const [pattern, setPattern] = useState(delivery.seatNames ?? "{file}");
  const name = useNameSeats(delivery.id);
  return (
    <FormDialog
      title="What the seats are called"
      description="{file} is the file's name without number, song, tempo, rate and date; {seat} what the template calls the seat; {category} the last word of the category."
      does="Name"
      onSubmit={() => name.ask(pattern)}
      onClose={onClose}
      also={{
        label: "As in the template",
        run: () => name.ask("{seat}"),
      }}
    >
      <Field label="Pattern">
        <input
          className="border-b border-rule bg-raised py-0.5"
          value={pattern}
          maxLength={80}
          spellCheck={false}
          onChange={(event) => setPattern(event.target.value)}
        />
      </Field>
    </FormDialog>
  );
}
