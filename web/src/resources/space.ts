import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useAsking } from "./asking";
import { answered, api } from "../api/client";
import { keys } from "./keys";

export type Removable = "mix" | "delivery" | "print" | "chain" | "map";

export function useSpace() {
  return useQuery({ queryKey: keys.space, queryFn: () => answered(api.GET("/api/space")) });
}

/** Takes something out of sight, brings it back, or throws it away for good. */
export function useRemoval() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (wanted: { what: Removable; id: string; how: "remove" | "back" | "for-good" }) => {
      const { what, id, how } = wanted;
      const params = { params: { path: { what, id } } };
      switch (how) {
        case "remove":
          return answered(api.DELETE("/api/space/{what}/{id}", params));
        case "back":
          return answered(api.POST("/api/space/{what}/{id}/back", params));
        case "for-good":
          return answered(api.DELETE("/api/space/{what}/{id}/for-good", params));
      }
    },
    onSuccess: (space) => {
      client.setQueryData(keys.space, space);
      // Wherever it was shown.
      void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "space" });
    },
  });
}
