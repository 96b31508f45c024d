import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { changed } from "../api/change";
import { answered, api, type Edit, type Meant, type MixView } from "../api/client";
import { keys } from "./keys";

/** What an edit would do to every channel of the revision that is shown. */
export function useEffectOf(id: string, revision: number, edit: Edit | undefined) {
  return useQuery({
    queryKey: keys.effect(id, revision, edit),
    queryFn: () =>
      edit === undefined
        ? null
        : answered(
            api.POST("/api/mixes/{id}/effect", { params: { path: { id } }, body: { edit } }),
          ),
    placeholderData: edit === undefined ? undefined : keepPreviousData,
    retry: false,
  });
}

/** The ids of the channels that somebody means; the last ones while it is asked. */
export function useMeant(view: MixView, of: Meant | undefined) {
  return useQuery({
    queryKey: keys.meant(view.id, view.revision, of),
    queryFn: () =>
      of === undefined
        ? []
        : answered(
            api.POST("/api/mixes/{id}/meant", { params: { path: { id: view.id } }, body: of }),
          ),
    placeholderData: of === undefined ? undefined : keepPreviousData,
    retry: false,
  });
}

/** The Mix as an edit would leave it: large, and asked for when somebody looks at it. */
export function useMixThen(view: MixView, edit: Edit | undefined) {
  return useQuery({
    queryKey: keys.mixThen(view.id, view.revision, edit),
    queryFn: async () =>
      edit === undefined
        ? null
        : changed(
            view,
            await answered(
              api.POST("/api/mixes/{id}/effect/mix", {
                params: { path: { id: view.id } },
                body: { edit },
              }),
            ),
          ),
    placeholderData: edit === undefined ? undefined : keepPreviousData,
    retry: false,
  });
}
