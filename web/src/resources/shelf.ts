import { useQuery, useQueryClient } from "@tanstack/react-query";
import { anew } from "../api/anew";
import { useAsking } from "./asking";
import { answered, api, type NewEmptyTemplate } from "../api/client";
import { keys } from "./keys";

export function useShelf() {
  return useQuery({ queryKey: keys.shelf, queryFn: () => answered(api.GET("/api/mixes")) });
}

/** Puts something on the shelf: a new template, a copy, a template of a session, a file. */
export function useMake() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (what: MakeRequest) => {
      switch (what.make) {
        case "template":
          return answered(api.POST("/api/mixes/templates", { body: what.of }));
        case "album":
          return answered(api.POST("/api/mixes/albums", { body: { songs: what.songs } }));
        case "template-of":
          return answered(
            api.POST("/api/mixes/{id}/template", {
              params: { path: { id: what.id } },
              body: { name: what.name },
            }),
          );
        case "copy":
          return answered(
            api.POST("/api/mixes/{id}/duplicate", { params: { path: { id: what.id } } }),
          );
        case "read":
          return answered(
            api.POST("/api/mixes/files", {
              body: what.text,
              bodySerializer: (text: string) => text,
              headers: { "Content-Type": "application/json" },
            }),
          );
      }
    },
    onSuccess: () => anew(client, keys.shelf),
  });
}

export type MakeRequest =
  | { make: "template"; of: NewEmptyTemplate }
  | { make: "album"; songs: number }
  | { make: "template-of"; id: string; name: string }
  | { make: "copy"; id: string }
  | { make: "read"; text: string };

export function useArchive() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: ({ id, archived }: { id: string; archived: boolean }) =>
      answered(
        api.POST("/api/mixes/{id}/archive", { params: { path: { id } }, body: { archived } }),
      ),
    onSuccess: () => anew(client, keys.shelf),
  });
}

export function useStartSession() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (body: { template: string; name: string }) =>
      answered(api.POST("/api/mixes/sessions", { body })),
    onSuccess: () => anew(client, keys.shelf),
  });
}
