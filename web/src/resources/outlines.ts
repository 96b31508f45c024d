import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useMixChange } from "./mixes";
import { answered, api, type OutlineDraft } from "../api/client";
import { keys } from "./keys";

/** A Mix as indented text, as it was at a revision. */
export function useOutline(id: string, revision: number) {
  return useQuery({
    queryKey: keys.outline(id, revision),
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/outline", { params: { path: { id }, query: { revision } } }),
      ),
    // Revisions never change.
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** What a text would make of the revision that is shown. */
export function useOutlinePreview(id: string, revision: number, draft: OutlineDraft | undefined) {
  return useQuery({
    queryKey: keys.outlinePreview(id, revision, draft),
    queryFn: () =>
      draft === undefined
        ? null
        : answered(
            api.POST("/api/mixes/{id}/outline/preview", {
              params: { path: { id } },
              body: draft,
            }),
          ),
    placeholderData: keepPreviousData,
    gcTime: 0,
  });
}

/** Makes what a text says. */
export function useMakeOutline(id: string) {
  return useMixChange(id, (draft: OutlineDraft, asked) =>
    answered(
      api.POST("/api/mixes/{id}/outline", {
        params: { path: { id } },
        body: { ...asked, draft },
      }),
    ),
  );
}

/** What can stand where somebody types in an outline. */
export function offered(text: string, line: number, column: number) {
  return answered(api.POST("/api/outline/completion", { body: { text, line, column } }));
}

/** A list from elsewhere as lines of an outline. */
export function pasted(text: string) {
  return answered(api.POST("/api/outline/pasted", { body: { text } }));
}
