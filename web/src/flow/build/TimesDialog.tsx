import { useState } from "react";
import { changesOf, freshId } from "../../api/changes";
import type { Edit, MixChanges, MixView } from "../../api/client";
import { understood } from "../../api/queries";
import { Field, FormDialog } from "../../ui/FormDialog";

interface Props {
  view: MixView;
  onEdit: (edit: Edit) => Promise<unknown>;
  onClose: () => void;
}

/** Tempo, start, end and the sections between them. */
export function TimesDialog({ view, onEdit, onClose }: Props) {
  const { tempo, sampleRate, startFrame, endFrame, markers } = view.document;
  const [before] = useState({ tempo, startFrame, endFrame, markers });
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
    return Object.keys(changes).length > 0
      ? onEdit({ edit: "change-mix", set: changes })
      : undefined;
  };
  return (
    <FormDialog
      title="Tempo, start, end and sections"
      description="Echoes follow the tempo. What is printed begins at the start and stops at the end."
      does="Set"
      onClose={onClose}
      onSubmit={submit}
    >
      {number("Tempo, bpm", bpm, setBpm)}
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
