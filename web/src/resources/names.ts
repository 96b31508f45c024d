import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answered, api, type CreateChannels, type RenameChannels } from "../api/client";
import { keys } from "./keys";

/** What becomes of names when channels are made of them. */
export function useNamed(id: string, revision: number, edit: CreateChannels | undefined) {
  return useQuery({
    queryKey: keys.named(id, revision, edit),
    queryFn: () =>
      edit === undefined
        ? []
        : answered(api.POST("/api/mixes/{id}/named", { params: { path: { id } }, body: { edit } })),
    placeholderData: keepPreviousData,
  });
}

/** Which categories follow new names. */
export function useRenamed(id: string, revision: number, edit: RenameChannels | undefined) {
  return useQuery({
    queryKey: keys.renamed(id, revision, edit),
    queryFn: () =>
      edit === undefined
        ? []
        : answered(
            api.POST("/api/mixes/{id}/renamed", { params: { path: { id } }, body: { edit } }),
          ),
    placeholderData: keepPreviousData,
  });
}
