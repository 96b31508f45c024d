import { useState } from "react";
import { useNavigate } from "react-router";
import { useKnowledge } from "../resources/knowledge";
import { useMake } from "../resources/shelf";
import { understood } from "../resources/typed";
import { Field, FormDialog, Select, TextLine } from "../ui/FormDialog";
import { minus } from "../ui/format";

/** What cannot be changed without a thought later is asked for when a template is made. */
export function NewTemplate({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const { ask } = useMake();
  const knowledge = useKnowledge();
  const [name, setName] = useState("New template");
  const [rate, setRate] = useState("48000");
  const [tempo, setTempo] = useState("120");
  const [law, setLaw] = useState("-3 dB");
  const laws = knowledge.data?.panLaws ?? [];
  return (
    <FormDialog
      title="New template"
      description="All of it can be changed later; the rate as long as no seat holds audio."
      does="Make it"
      onClose={onClose}
      onSubmit={async () => {
        const made = await ask({
          make: "template",
          of: {
            name,
            sampleRate: Number(rate),
            tempo: await understood("BEATS_PER_MINUTE", tempo),
            panLaw: laws.find((one) => one === law),
          },
        });
        void navigate(`/mixes/${made.id}/flow`);
      }}
    >
      <TextLine label="Name" value={name} required onChange={setName} />
      <Field label="Sample rate">
        <Select
          label="Sample rate"
          value={rate}
          choices={(knowledge.data?.sampleRates ?? []).map((one) => ({
            id: String(one),
            label: `${one / 1000} kHz`,
          }))}
          onChange={setRate}
        />
      </Field>
      <TextLine label="Tempo, bpm" value={tempo} required onChange={setTempo} />
      <Field label="Pan law">
        <Select
          label="Pan law"
          value={law}
          choices={laws.map((one) => ({ id: one, label: minus(one) }))}
          onChange={setLaw}
        />
      </Field>
    </FormDialog>
  );
}
