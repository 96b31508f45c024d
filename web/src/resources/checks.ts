import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answered, api, type Edit } from "../api/client";
import { keys } from "./keys";

/** What of each seat reaches each output, of the revision that is shown. */
export function useCoverage(id: string, revision: number) {
  return useQuery({
    queryKey: keys.coverage(id, revision),
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/coverage", { params: { path: { id }, query: { revision } } }),
      ),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** What the line check has shown of the revision that is shown. */
export function useProof(id: string, revision: number) {
  return useQuery({
    queryKey: keys.proof(id, revision),
    queryFn: () =>
      answered(api.GET("/api/mixes/{id}/proof", { params: { path: { id }, query: { revision } } })),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** What an edit would do to the findings of the revision that is shown. */
export function usePreview(id: string, revision: number, edit: Edit | undefined) {
  return useQuery({
    queryKey: keys.preview(id, revision, edit),
    queryFn: () =>
      edit === undefined
        ? null
        : answered(
            api.POST("/api/mixes/{id}/preview", { params: { path: { id } }, body: { edit } }),
          ),
    placeholderData: keepPreviousData,
  });
}

export function usePaths(
  id: string,
  revision: number,
  cell: { channel: string; output: string } | undefined,
) {
  return useQuery({
    queryKey: keys.paths(id, revision, cell),
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/paths", {
          params: { path: { id }, query: { ...(cell ?? { channel: "", output: "" }), revision } },
        }),
      ),
    enabled: cell !== undefined,
    staleTime: Infinity,
  });
}
