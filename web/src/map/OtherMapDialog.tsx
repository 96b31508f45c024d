import { useState } from "react";
import { messageOf, type MixView, type NamedMap } from "../api/client";
import { EffectForm } from "../reassign/EffectForm";
import { Field, Select } from "../ui/FormDialog";
import { useMapFrom, useMapSources } from "./sources";

interface Props {
  view: MixView;
  onClose: () => void;
}

/** Puts the Mix under a kept map, that of another Mix, or of a file, with all that would follow. */
export function OtherMapDialog({ view, onClose }: Props) {
  const sources = useMapSources().filter((one) => one.id !== `mix ${view.id}`);
  const [from, setFrom] = useState("");
  const [file, setFile] = useState<NamedMap>();
  const [inOrder, setInOrder] = useState(false);
  const [unread, setUnread] = useState<string>();
  const source = useMapFrom(from);
  const map = from ? (source.data ?? undefined) : file;
  const problem = from ? source.error && messageOf(source.error) : unread;
  const read = (chosen: File) => {
    setFrom("");
    setUnread(undefined);
    chosen
      .text()
      .then((text) => setFile(JSON.parse(text) as NamedMap))
      .catch((error: unknown) => {
        setFile(undefined);
        setUnread(
          error instanceof SyntaxError
            ? "This file is no JSON; choose one that was kept as a map."
            : messageOf(error),
        );
      });
  };
  return (
    <EffectForm
      view={view}
      title="Put another map under this Mix"
      description="Channels follow it, but for what is pinned. Buses, controls and outputs are found by their names; K keeps the map that is here now, so that you can go back to it."
      edit={map && { edit: "put-map", map, inOrder }}
      onClose={onClose}
    >
      <Field label="From the shelf">
        <Select
          value={from}
          choices={[{ id: "", label: "choose one" }, ...sources]}
          onChange={setFrom}
        />
      </Field>
      <Field label="Or of a file">
        <input
          type="file"
          accept=".json,application/json"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) {
              read(chosen);
            }
          }}
        />
      </Field>
      <label className="flex min-h-7 items-center gap-2">
        <input
          type="checkbox"
          checked={inOrder}
          onChange={(event) => setInOrder(event.target.checked)}
        />
        put channels in its order, too
      </label>
      {map && (
        <p className="mt-2 text-small text-ink-2">
          “{map.name}”, {map.entries.length} entries
        </p>
      )}
      {problem && (
        <p role="alert" className="mt-2 border-l-2 border-wrong pl-2 text-wrong">
          {problem}
        </p>
      )}
    </EffectForm>
  );
}
