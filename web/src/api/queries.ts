import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { notify } from "../shell/notices";
import { answered, api, type Edit, type MixView, type PrintView } from "./client";

const complain = (error: Error) => notify(error.message, "wrong");

export function useKnowledge() {
  return useQuery({
    queryKey: ["knowledge"],
    queryFn: () => answered(api.GET("/api/knowledge")),
    staleTime: Infinity,
  });
}

export function useShelf() {
  return useQuery({ queryKey: ["shelf"], queryFn: () => answered(api.GET("/api/mixes")) });
}

export function useMix(id: string) {
  return useQuery({
    queryKey: ["mix", id],
    queryFn: () => answered(api.GET("/api/mixes/{id}", { params: { path: { id } } })),
  });
}

/** Everything that changes a Mix answers with the Mix as it is then. */
function useMixChange<V>(id: string, change: (value: V, revision: number) => Promise<MixView>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (value: V) => {
      const now = client.getQueryData<MixView>(["mix", id]);
      return change(value, now?.revision ?? 0);
    },
    onSuccess: (view) => {
      client.setQueryData(["mix", id], view);
      void client.invalidateQueries({ queryKey: ["shelf"] });
      void client.invalidateQueries({ queryKey: ["delivery"] });
    },
    onError: (error) => {
      complain(error);
      void client.invalidateQueries({ queryKey: ["mix", id] });
    },
  });
}

export function useEdit(id: string) {
  return useMixChange(id, (edit: Edit, basedOn) =>
    answered(
      api.POST("/api/mixes/{id}/edits", { params: { path: { id } }, body: { basedOn, edit } }),
    ),
  );
}

export function useUndo(id: string) {
  return useMixChange(id, (direction: "undo" | "redo") =>
    answered(
      direction === "undo"
        ? api.POST("/api/mixes/{id}/undo", { params: { path: { id } } })
        : api.POST("/api/mixes/{id}/redo", { params: { path: { id } } }),
    ),
  );
}

export function useStartSession() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { template: string; name: string }) =>
      answered(api.POST("/api/mixes/sessions", { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["shelf"] }),
    onError: complain,
  });
}

export function useDeliveries(mixId: string) {
  return useQuery({
    queryKey: ["deliveries", mixId],
    queryFn: () =>
      answered(api.GET("/api/mixes/{mixId}/deliveries", { params: { path: { mixId } } })),
  });
}

export function useDelivery(id: string | undefined) {
  return useQuery({
    queryKey: ["delivery", id],
    queryFn: () =>
      answered(api.GET("/api/deliveries/{id}", { params: { path: { id: id ?? "" } } })),
    enabled: id !== undefined,
  });
}

export async function openDelivery(mixId: string, name: string): Promise<string> {
  const made = await answered(
    api.POST("/api/mixes/{mixId}/deliveries", { params: { path: { mixId } }, body: { name } }),
  );
  return made.id;
}

export function useSetFileCategory(deliveryId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { files: string[]; category: string }) =>
      answered(
        api.POST("/api/deliveries/{id}/category", { params: { path: { id: deliveryId } }, body }),
      ),
    onSuccess: (view) => client.setQueryData(["delivery", deliveryId], view),
    onError: complain,
  });
}

export function useSeat(mixId: string, deliveryId: string) {
  return useMixChange(mixId, (_: undefined, basedOn) =>
    answered(
      api.POST("/api/deliveries/{id}/seat", {
        params: { path: { id: deliveryId } },
        body: { basedOn },
      }),
    ),
  );
}

export function usePrints(mixId: string) {
  return useQuery({
    queryKey: ["prints", mixId],
    queryFn: () => answered(api.GET("/api/mixes/{mixId}/prints", { params: { path: { mixId } } })),
  });
}

export function usePrint(mixId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (outputs: string[]) =>
      answered(
        api.POST("/api/mixes/{mixId}/prints", { params: { path: { mixId } }, body: { outputs } }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ["prints", mixId] }),
    onError: complain,
  });
}

export function useCancelPrint(mixId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) =>
      answered(api.POST("/api/prints/{id}/cancel", { params: { path: { id } } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["prints", mixId] }),
    onError: complain,
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
      client.setQueryData<PrintView[]>(["prints", mixId], (all) =>
        all?.map((one) => (one.id === now.id ? now : one)),
      );
      if (now.state !== "waiting" && now.state !== "running") {
        events.close();
      }
    });
    return () => events.close();
  }, [client, mixId, id]);
}
