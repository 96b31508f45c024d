import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { anew } from "../api/anew";
import { useAsking } from "./asking";
import { useMixChange } from "./mixes";
import { answered, api } from "../api/client";
import { keys } from "./keys";

export function useHistory(id: string, revision: number, wanted: boolean) {
  return useQuery({
    queryKey: keys.history(id, revision),
    queryFn: () => answered(api.GET("/api/mixes/{id}/revisions", { params: { path: { id } } })),
    enabled: wanted,
  });
}

/** What is different in one revision from another, in words. */
export function useDifferences(id: string, from: number | undefined, to: number | undefined) {
  return useQuery({
    queryKey: keys.differences(id, from, to),
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/differences", {
          params: { path: { id }, query: { from: from ?? 0, to: to ?? 0 } },
        }),
      ),
    enabled: from !== undefined && to !== undefined,
    // Revisions never change.
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** Gives a revision a name; an empty one takes it off. */
export function useNameRevision(id: string) {
  const client = useQueryClient();
  return useAsking({
    mutationFn: ({ number, name }: { number: number; name: string }) =>
      answered(
        api.POST("/api/mixes/{id}/revisions/{number}/name", {
          params: { path: { id, number } },
          body: { name },
        }),
      ),
    onSuccess: () => anew(client, keys.anyHistory(id)),
  });
}

export function useGoTo(id: string) {
  return useMixChange(id, (number: number, body) =>
    answered(
      api.POST("/api/mixes/{id}/revisions/{number}", {
        params: { path: { id, number } },
        body,
      }),
    ),
  );
}
