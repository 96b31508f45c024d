import { useQuery } from "@tanstack/react-query";
import { keys } from "../resources/keys";
import { keptMap, mapOf, useKeptMaps } from "../resources/maps";
import { useShelf } from "../resources/shelf";

/** Where category maps come from: other Mixes, and those that are kept. */
export function useMapSources() {
  const shelf = useShelf().data ?? [];
  const kept = (useKeptMaps().data ?? []).filter((one) => one.removedAt === undefined);
  return [
    ...kept.map((one) => ({ id: `kept ${one.id}`, label: `${one.name} (kept)` })),
    ...shelf.map((one) => ({ id: `mix ${one.id}`, label: `${one.name} (${one.kind})` })),
  ];
}

/** The map of one source; of a Mix as it is now. */
export function useMapFrom(source: string) {
  const [what, id] = source.split(" ");
  return useQuery({
    queryKey: keys.mapFrom(source),
    enabled: id !== undefined,
    queryFn: () => (id === undefined ? null : what === "kept" ? keptMap(id) : mapOf(id)),
    // A Mix may have another one by now.
    gcTime: 0,
    retry: false,
  });
}
