import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { notify } from "../shell/notices";
import { useAsking } from "./asking";
import { answered, api, type NamedMap } from "../api/client";
import { keys } from "./keys";

/** The category map as a table, of the revision that is shown. */
export function useMap(id: string, revision: number) {
  return useQuery({
    queryKey: keys.map(id, revision),
    queryFn: () =>
      answered(api.GET("/api/mixes/{id}/map", { params: { path: { id }, query: { revision } } })),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** The map of a Mix as a file has it, with names in the place of ids. */
export async function mapOf(id: string): Promise<NamedMap> {
  return JSON.parse(
    await answered(
      api.GET("/api/mixes/{id}/map/document", { params: { path: { id } }, parseAs: "text" }),
    ),
  ) as NamedMap;
}

/** A map on the shelf. */
export function keptMap(id: string): Promise<NamedMap> {
  return answered(api.GET("/api/maps/{id}", { params: { path: { id } } }));
}

/** Category maps on the shelf, the latest first; those that were removed too. */
export function useKeptMaps() {
  return useQuery({ queryKey: keys.maps, queryFn: () => answered(api.GET("/api/maps")) });
}

/** Keeps the map of a Mix on the shelf. */
export function useKeepMap() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (body: { mix: string; name: string }) => answered(api.POST("/api/maps", { body })),
    onSuccess: (kept, { name }) => {
      notify(`“${name.trim()}” is on the shelf.`);
      client.setQueryData(keys.maps, kept);
    },
  });
}

/** What two maps do not say alike. */
export function useMapDifferences(one: NamedMap | undefined, other: NamedMap | undefined) {
  return useQuery({
    queryKey: keys.mapDifferences(one, other),
    enabled: one !== undefined && other !== undefined,
    queryFn: () =>
      one && other
        ? answered(api.POST("/api/maps/differences", { body: { one, other } }))
        : undefined,
    retry: false,
  });
}

/** Who decides what of a channel: the category map, or a pin. */
export function useDecisions(id: string, revision: number, channel: string) {
  return useQuery({
    queryKey: keys.decisions(id, revision, channel),
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/channels/{channel}/decisions", {
          params: { path: { id, channel }, query: { revision } },
        }),
      ),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}
