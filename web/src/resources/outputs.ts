import { useQuery } from "@tanstack/react-query";
import { answered, api } from "../api/client";
import { keys } from "./keys";

/** What a new output of the revision that is shown is until somebody says otherwise. */
export function useOutputDraft(id: string, revision: number, wanted: boolean) {
  return useQuery({
    queryKey: keys.outputDraft(id, revision),
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/outputs/draft", { params: { path: { id }, query: { revision } } }),
      ),
    enabled: wanted,
    staleTime: Infinity,
  });
}
