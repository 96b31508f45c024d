import { useQueryClient } from "@tanstack/react-query";
import { anew } from "../api/anew";
import { useAsking } from "./asking";
import { answered, api } from "../api/client";
import { keys } from "./keys";

/** Another name for what is kept on the shelf, or what a file says put there. */
export function useKept(what: "chain" | "map") {
  const client = useQueryClient();
  return useAsking({
    mutationFn: async (asks: { rename: string; name: string } | { read: string }) => {
      if ("read" in asks) {
        const body = { text: asks.read };
        await (what === "chain"
          ? answered(api.POST("/api/chains/files", { body }))
          : answered(api.POST("/api/maps/files", { body })));
      } else {
        const wanted = { params: { path: { id: asks.rename } }, body: { name: asks.name } };
        await (what === "chain"
          ? answered(api.POST("/api/chains/{id}/name", wanted))
          : answered(api.POST("/api/maps/{id}/name", wanted)));
      }
    },
    onSuccess: () => anew(client, what === "chain" ? keys.anyChains : keys.maps),
  });
}
