import { useState } from "react";
import type { Edit, MixView } from "../api/client";
import { mapOf, useShelf } from "../api/queries";
import { EffectForm } from "../reassign/EffectForm";
import { Field, Select } from "../ui/FormDialog";

type Named = Extract<Edit, { edit: "put-map" }>["map"];

interface Props {
  view: MixView;
  onClose: () => void;
}

/** Puts the Mix under the map of another Mix, or of a file, with all that would follow. */
export function OtherMapDialog({ view, onClose }: Props) {
  const shelf = (useShelf().data ?? []).filter((one) => one.id !== view.id);
  const [map, setMap] = useState<Named>();
  const [inOrder, setInOrder] = useState(false);
  const [problem, setProblem] = useState<string>();
  const [from, setFrom] = useState("");
  const take = (read: Promise<string>) => {
    setProblem(undefined);
    read
      .then((text) => setMap(JSON.parse(text) as Named))
      .catch((error: unknown) => {
        setMap(undefined);
        setProblem(
          error instanceof SyntaxError
            ? "This file is no JSON; choose one that was kept as a map."
            : error instanceof Error
              ? error.message
              : String(error),
        );
      });
  };
  return (
    <EffectForm
      view={view}
      title="Put another map under this Mix"
      description="Channels follow it, but for what is pinned. Buses, controls and outputs are found by their names; “As a file” keeps the map that is here now, so that you can go back to it."
      edit={map && { edit: "put-map", map, inOrder }}
      onClose={onClose}
    >
      <Field label="Of a Mix">
        <Select
          value={from}
          choices={[
            { id: "", label: "choose one" },
            ...shelf.map((one) => ({ id: one.id, label: `${one.name} (${one.kind})` })),
          ]}
          onChange={(id) => {
            setFrom(id);
            if (id) {
              take(mapOf(id));
            }
          }}
        />
      </Field>
      <Field label="Or of a file">
        <input
          type="file"
          accept=".json,application/json"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) {
              setFrom("");
              take(chosen.text());
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
      {problem !== undefined && (
        <p role="alert" className="mt-2 border-l-2 border-wrong pl-2 text-wrong">
          {problem}
        </p>
      )}
    </EffectForm>
  );
}
