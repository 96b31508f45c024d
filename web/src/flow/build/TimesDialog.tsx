import { useState } from "react";
import { changesOf, freshId } from "../../api/changes";
import type { Edit, MixChanges, MixView } from "../../api/client";
import { useKnowledge } from "../../resources/knowledge";
import { understood } from "../../resources/typed";
import { Field, FormDialog, Select } from "../../ui/FormDialog";
import { minus } from "../../ui/format";

interface Props {
  view: MixView;
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/** Rate, tempo, start, end and the sections between them. */
export function TimesDialog({ view, onEdit, onClose }: Props) {
  const { tempo, sampleRate, startFrame, endFrame, markers, panLaw } = view.document;
  const [before] = useState({ tempo, startFrame, endFrame, markers, panLaw });
  const knowledge = useKnowledge();
  const [rate, setRate] = useState(String(sampleRate));
  const [law, setLaw] = useState(panLaw);
  const seconds = (frames: number) => String(Math.round((frames / sampleRate) * 1000) / 1000);
  const [bpm, setBpm] = useState(String(tempo));
  const [start, setStart] = useState(seconds(startFrame));
  const [end, setEnd] = useState(endFrame === undefined ? "" : seconds(endFrame));
  const [sections, setSections] = useState(
    markers.map((one) => `${seconds(one.startFrame)} ${one.name}`).join("\n"),
  );
  const lines = sections.split("\n").filter((line) => line.trim() !== "");
  const number = (label: string, value: string, set: (text: string) => void, hint = "") => (
    <Field label={label}>
      <input
        className="w-28 border-b border-rule bg-transparent"
        required={hint === ""}
        placeholder={hint}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </Field>
  );
  const frames = async (text: string) =>
    Math.round((await understood("FRAMES", text)) * sampleRate);
  const submit = async () => {
    const after = {
      tempo: await understood("BEATS_PER_MINUTE", bpm),
      startFrame: await frames(start),
      endFrame: end.trim() === "" ? undefined : await frames(end),
      panLaw: law,
      markers: await Promise.all(
        lines.map(async (line, i) => {
          const [time = "", ...name] = line.trim().split(/\s+/);
          return {
            id: before.markers[i]?.id ?? freshId("marker"),
            name: name.join(" "),
            startFrame: await frames(time),
          };
        }),
      ),
    };
    const changes = changesOf<MixChanges>(before, after);
    const edits: Edit[] = [];
    if (Object.keys(changes).length > 0) {
      edits.push({ edit: "change-mix", set: changes });
    }
    if (rate !== String(sampleRate)) {
      // Behind the rest, whose frames are at the rate that was.
      edits.push({ edit: "set-sample-rate", sampleRate: Number(rate) });
    }
    const [only] = edits;
    return edits.length > 1
      ? onEdit({ edit: "together", edits, words: "set the rate, tempo and times" })
      : only && onEdit(only);
  };
  return (
    <FormDialog
      title="Rate, tempo, start, end and sections"
      description="Echoes follow the tempo. What is printed begins at the start and stops at the end."
      does="Set"
      onClose={onClose}
      onSubmit={submit}
    >
      {number("Tempo, bpm", bpm, setBpm)}
      <Field label="Sample rate">
        <Select
          label="Sample rate"
          value={rate}
          choices={(knowledge.data?.sampleRates ?? [sampleRate]).map((one) => ({
            id: String(one),
            label: `${one / 1000} kHz`,
          }))}
          onChange={setRate}
        />
      </Field>
      <Field label="Pan law">
        <Select
          label="Pan law"
          value={law}
          choices={(knowledge.data?.panLaws ?? [panLaw]).map((one) => ({
            id: one,
            label: minus(one),
          }))}
          onChange={(to) => setLaw(knowledge.data?.panLaws.find((one) => one === to) ?? panLaw)}
        />
      </Field>
      {number("Start, s", start, setStart)}
      {number("End, s", end, setEnd, "after the last clip")}
      <Field label="Sections">
        <textarea
          rows={5}
          className="border border-rule bg-transparent px-1.5 py-1"
          placeholder={"0 Verse\n32.5 Chorus"}
          value={sections}
          onChange={(event) => setSections(event.target.value)}
        />
      </Field>
      <p className="text-small text-ink-2">
        One on each line: seconds or minutes:seconds, then its name.
      </p>
    </FormDialog>
  );
}
