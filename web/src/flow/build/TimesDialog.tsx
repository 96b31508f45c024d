import { useState } from "react";
import { changesOf, freshId } from "../../api/changes";
import type { Edit, MixChanges, MixView } from "../../api/client";
import { Field, FormDialog } from "../../ui/FormDialog";
import { typedNumber } from "../../ui/format";

interface Props {
  view: MixView;
  onEdit: (edit: Edit) => void;
  onClose: () => void;
}

/** Tempo, start, end and the sections between them. */
export function TimesDialog({ view, onEdit, onClose }: Props) {
  const { tempo, sampleRate, startFrame, endFrame, markers } = view.document;
  const [before] = useState({ tempo, startFrame, endFrame, markers });
  const seconds = (frames: number) => String(Math.round((frames / sampleRate) * 1000) / 1000);
  const frames = (value: number) => Math.round(value * sampleRate);
  const [bpm, setBpm] = useState(String(tempo));
  const [start, setStart] = useState(seconds(startFrame));
  const [end, setEnd] = useState(endFrame === undefined ? "" : seconds(endFrame));
  const [sections, setSections] = useState(
    markers.map((one) => `${seconds(one.startFrame)} ${one.name}`).join("\n"),
  );
  const read = sections
    .split("\n")
    .filter((line) => line.trim() !== "")
    .map((line) => /^\s*([\d.,]+)\s+(.+)$/.exec(line));
  const numbers = [typedNumber(bpm), typedNumber(start), end.trim() === "" ? 0 : typedNumber(end)];
  const wrong = numbers.includes(undefined) || read.includes(null);
  const number = (label: string, value: string, set: (text: string) => void, hint = "") => (
    <Field label={label}>
      <input
        className="w-28 border-b border-rule bg-transparent"
        placeholder={hint}
        aria-invalid={value.trim() !== "" && typedNumber(value) === undefined}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </Field>
  );
  return (
    <FormDialog
      open
      title="Tempo, start, end and sections"
      description="Echoes follow the tempo. What is printed begins at the start and stops at the end."
      does="Set"
      busy={wrong}
      onClose={onClose}
      onSubmit={() => {
        onClose();
        const after = {
          tempo: numbers[0] ?? tempo,
          startFrame: frames(numbers[1] ?? 0),
          endFrame: end.trim() === "" ? undefined : frames(numbers[2] ?? 0),
          markers: read.map((match, i) => ({
            id: before.markers[i]?.id ?? freshId("marker"),
            name: match?.[2]?.trim() ?? "",
            startFrame: frames(typedNumber(match?.[1] ?? "") ?? 0),
          })),
        };
        const changes = changesOf<MixChanges>(before, after);
        if (Object.keys(changes).length > 0) {
          onEdit({ edit: "change-mix", set: changes });
        }
      }}
    >
      {number("Tempo, bpm", bpm, setBpm)}
      {number("Start, s", start, setStart)}
      {number("End, s", end, setEnd, "after the last clip")}
      <Field label="Sections">
        <textarea
          rows={5}
          className="border border-rule bg-transparent px-1.5 py-1"
          placeholder={"0 Verse\n32.5 Chorus"}
          aria-invalid={read.includes(null)}
          value={sections}
          onChange={(event) => setSections(event.target.value)}
        />
      </Field>
      <p className="text-[12px] text-ink-2">One on each line: seconds, then its name.</p>
    </FormDialog>
  );
}
