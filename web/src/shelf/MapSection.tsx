import { useState } from "react";
import { useKeptMaps } from "../resources/maps";
import { CompareMapsDialog } from "../map/CompareMapsDialog";
import { plural, when } from "../ui/format";
import { KeptLine } from "./KeptLine";
import { ReadKept } from "./ReadKept";

/** Category maps that are kept apart from any Mix. */
export function MapSection({ wanted }: { wanted: string }) {
  const maps = useKeptMaps().data ?? [];
  const [comparing, setComparing] = useState(false);
  const words = wanted.toLowerCase().split(/\s+/);
  const found = maps.filter((one) =>
    words.every((word) => `${one.name} category map`.toLowerCase().includes(word)),
  );
  return (
    <section className="mb-8" aria-labelledby="kept-maps">
      <div className="flex items-baseline gap-4 border-b border-rule pb-1 text-small text-ink-2">
        <h2 id="kept-maps">
          <b className="font-semibold">Category maps</b> {found.length}
        </h2>
        <ReadKept what="map" />
        <button className="min-h-6 underline underline-offset-2" onClick={() => setComparing(true)}>
          Compare two…
        </button>
      </div>
      {maps.length === 0 && (
        <p className="py-3 text-ink-2">
          None is kept. In the Map, K keeps the map of a Mix, and M puts one under it.
        </p>
      )}
      <ul>
        {found.map((line) => (
          <KeptLine
            key={line.id}
            what="map"
            id={line.id}
            name={line.name}
            removed={line.removedAt !== undefined}
            sort={plural(line.entries, "entry", "entries")}
          >
            kept {when(line.at)}
          </KeptLine>
        ))}
      </ul>
      {comparing && <CompareMapsDialog onClose={() => setComparing(false)} />}
    </section>
  );
}
