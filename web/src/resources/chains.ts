import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { notify } from "../shell/notices";
import { anew } from "../api/anew";
import { useAsking } from "./asking";
import { answered, api } from "../api/client";
import { keys } from "./keys";

/** What the processors of a channel do; asked for when somebody looks. */
export function usePictures(id: string, revision: number, channel: string, wanted: boolean) {
  return useQuery({
    queryKey: keys.pictures(id, revision, channel),
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/channels/{channel}/pictures", {
          params: { path: { id, channel }, query: { revision } },
        }),
      ),
    staleTime: Infinity,
    enabled: wanted,
    placeholderData: keepPreviousData,
  });
}

/** Chains on the shelf, those that fit a channel first. */
export function useChains(of?: { category: string; kind: string }, wanted = true) {
  const query = of && { category: of.category, kind: of.kind };
  return useQuery({
    queryKey: keys.chains(query),
    enabled: wanted,
    queryFn: () => answered(api.GET("/api/chains", { params: { query } })),
  });
}

/** Keeps the chain of a channel on the shelf. */
export function useKeepChain() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (body: {
      mix: string;
      channel: string;
      name: string;
      category: string;
      purpose: string;
    }) => answered(api.POST("/api/chains", { body })),
    onSuccess: (_, kept) => {
      notify(`“${kept.name.trim()}” is on the shelf.`);
      return anew(client, keys.anyChains);
    },
  });
}
