import { useState } from "react";
import type { Channel, Edit, MixView } from "../api/client";
import { useKnowledge } from "../resources/knowledge";
import { Field, Select, TextLine, words } from "../ui/FormDialog";
import { plural } from "../ui/format";
import { EffectForm } from "./EffectForm";

type What = "move" | "split" | "join";
type By = "category" | "person" | "group";

interface Props {
  view: MixView;
  picked: Channel[];
  onClose: () => void;
}

/** Moves channels into a bus that is made on the spot, splits a bus, or joins two. */
export function BusDialog({ view, picked, onClose }: Props) {
  const families = useKnowledge().data?.families;
  const moving = picked.filter((one) => one.kind !== "master");
  const buses = view.document.channels
    .filter((one) => one.kind === "bus")
    .map((one) => ({ id: one.id, label: one.name }));
  const first = picked.find((one) => one.kind === "bus")?.id ?? buses[0]?.id ?? "";
  const [what, setWhat] = useState<What>(
    moving.some((one) => one.kind !== "bus") ? "move" : "split",
  );
  const [name, setName] = useState("");
  const [colour, setColour] = useState("");
  const [bus, setBus] = useState(first);
  const [into, setInto] = useState("");
  const [by, setBy] = useState<By>("category");
  const [inMap, setInMap] = useState(true);
  const [stem, setStem] = useState(true);
  const [withReturn, setReturn] = useState(false);
  const others = buses.filter((one) => one.id !== bus);
  const target = into || (others[0]?.id ?? "");
  const edits: Record<What, Edit | undefined> = {
    move:
      name.trim() && moving.length > 0
        ? {
            edit: "move-out",
            channels: moving.map((one) => one.id),
            name: name.trim(),
            inMap,
            stem,
            withReturn,
            colour: colour || undefined,
          }
        : undefined,
    split: bus ? { edit: "split-bus", bus, by, inMap, stem } : undefined,
    join: bus && target ? { edit: "join-buses", bus, into: target } : undefined,
  };
  const tick = (label: string, on: boolean, set: (on: boolean) => void) => (
    <label className="flex min-h-7 items-center gap-2">
      <input type="checkbox" checked={on} onChange={(event) => set(event.target.checked)} />
      {label}
    </label>
  );
  return (
    <EffectForm
      view={view}
      title="Buses"
      description={
        what === "split"
          ? "Each part gets a bus that leads to the bus that is split: its chain, sends, controls and files stay theirs."
          : what === "join"
            ? "What went to the one goes to the other; the one goes, with its files."
            : "A new bus stands beside the old one and goes where that goes; nothing else of the channels changes."
      }
      edit={edits[what]}
      onClose={onClose}
    >
      <Field label="What">
        <Select
          value={what}
          choices={[
            ...(moving.length > 0
              ? [{ id: "move", label: `move ${plural(moving.length, "channel")} into a new bus` }]
              : []),
            { id: "split", label: "split a bus" },
            { id: "join", label: "join a bus to another" },
          ]}
          onChange={(id) => setWhat(id as What)}
        />
      </Field>
      {what === "move" ? (
        <>
          <TextLine label="Name" value={name} onChange={setName} />
          <Field label="Colour">
            <Select
              value={colour}
              choices={[
                { id: "", label: "its category's" },
                ...words(families?.map((one) => one.id)),
              ]}
              onChange={setColour}
            />
          </Field>
        </>
      ) : (
        <Field label="Bus">
          <Select value={bus} choices={buses} onChange={setBus} />
        </Field>
      )}
      {what === "split" && (
        <Field label="By">
          <Select
            value={by}
            choices={words(["category", "person", "group"])}
            onChange={(id) => setBy(id as By)}
          />
        </Field>
      )}
      {what === "join" && (
        <Field label="To">
          <Select value={target} choices={others} onChange={setInto} />
        </Field>
      )}
      {what !== "join" && (
        <>
          {(what === "move" || by !== "group") &&
            tick(
              what === "split" && by === "person"
                ? "what is theirs goes there from now on"
                : "their categories go there from now on",
              inMap,
              setInMap,
            )}
          {tick(
            what === "split"
              ? "each printed as a stem, as the bus is"
              : "printed as a stem, as the old bus is",
            stem,
            setStem,
          )}
          {what === "move" &&
            tick("with a reverberation of its own, ready and not open", withReturn, setReturn)}
        </>
      )}
    </EffectForm>
  );
}
