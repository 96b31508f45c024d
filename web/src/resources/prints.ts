import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { anew } from "../api/anew";
import { useAsking } from "./asking";
import { answered, api, type PrintView } from "../api/client";
import { keys } from "./keys";

export function usePrints(mixId: string) {
  return useQuery({
    queryKey: keys.prints(mixId),
    queryFn: () => answered(api.GET("/api/mixes/{mixId}/prints", { params: { path: { mixId } } })),
  });
}

export function usePrint(mixId: string) {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (outputs: string[]) =>
      answered(
        api.POST("/api/mixes/{mixId}/prints", { params: { path: { mixId } }, body: { outputs } }),
      ),
    onSuccess: () => anew(client, keys.prints(mixId)),
  });
}

export function useCancelPrint(mixId: string) {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (id: string) =>
      answered(api.POST("/api/prints/{id}/cancel", { params: { path: { id } } })),
    onSuccess: () => anew(client, keys.prints(mixId)),
  });
}

/** Follows a print run that has not ended, by server-sent events. */
export function useFollowPrint(mixId: string, run: PrintView | undefined) {
  const client = useQueryClient();
  const id = run && (run.state === "waiting" || run.state === "running") ? run.id : undefined;
  useEffect(() => {
    if (!id) {
      return;
    }
    const events = new EventSource(`/api/prints/${id}/events`);
    events.addEventListener("print", (event) => {
      const now = JSON.parse(event.data as string) as PrintView;
      client.setQueryData<PrintView[]>(keys.prints(mixId), (all) =>
        all?.map((one) => (one.id === now.id ? now : one)),
      );
      if (now.state !== "waiting" && now.state !== "running") {
        events.close();
      }
    });
    return () => events.close();
  }, [client, mixId, id]);
}
