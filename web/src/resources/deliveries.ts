import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { anew } from "../api/anew";
import { useAsking } from "./asking";
import { useMixChange } from "./mixes";
import { answered, api, type DeadAir, type DeliveryView, type SeatWish } from "../api/client";
import { keys } from "./keys";

/** What would set clips to the level guides; since a revision, where these were others then. */
export function useGuides(
  id: string,
  revision: number,
  since: number | undefined,
  wanted: boolean,
) {
  return useQuery({
    queryKey: keys.guides(id, revision, since),
    queryFn: () =>
      answered(api.GET("/api/mixes/{id}/guides", { params: { path: { id }, query: { since } } })),
    enabled: wanted,
  });
}

export function useDeliveries(mixId: string) {
  return useQuery({
    queryKey: keys.deliveries(mixId),
    queryFn: () =>
      answered(api.GET("/api/mixes/{mixId}/deliveries", { params: { path: { mixId } } })),
  });
}

export function useDelivery(id: string | undefined) {
  return useQuery({
    queryKey: keys.delivery(id),
    queryFn: () =>
      answered(api.GET("/api/deliveries/{id}", { params: { path: { id: id ?? "" } } })),
    enabled: id !== undefined,
  });
}

/** Measuring is a job of the server; how far it is is followed, and the files when it is done. */
export function useMeasuring(delivery: DeliveryView | undefined): number {
  const client = useQueryClient();
  const id = delivery?.id;
  const shown = delivery?.measuring ?? 0;
  const progress = useQuery({
    queryKey: keys.measuring(id),
    queryFn: () =>
      answered(api.GET("/api/deliveries/{id}/progress", { params: { path: { id: id ?? "" } } })),
    enabled: id !== undefined && shown > 0,
    refetchInterval: 1000,
    gcTime: 0,
  });
  const now = shown === 0 ? 0 : (progress.data?.measuring ?? shown);
  // What is measured is shown in steps, not each second: the view of many files is large.
  const due = shown - now >= Math.max(1, shown / 8) || (shown > 0 && now === 0);
  useEffect(() => {
    if (due) {
      void anew(client, keys.delivery(id));
    }
  }, [client, id, due, now]);
  return now;
}

export async function openDelivery(mixId: string, name: string): Promise<string> {
  const made = await answered(
    api.POST("/api/mixes/{mixId}/deliveries", { params: { path: { mixId } }, body: { name } }),
  );
  return made.id;
}

/** What is said of a delivery; the answer is the delivery as it is then. */
function useDeliveryChange<T>(deliveryId: string, ask: (what: T) => Promise<DeliveryView>) {
  const client = useQueryClient();
  return useAsking({
    mutationFn: ask,
    onSuccess: (view) => {
      client.setQueryData(keys.delivery(deliveryId), view);
      void anew(client, keys.report(deliveryId));
    },
  });
}

export function useSetFileCategory(deliveryId: string) {
  return useDeliveryChange(deliveryId, (body: { files: string[]; category: string }) =>
    answered(
      api.POST("/api/deliveries/{id}/category", { params: { path: { id: deliveryId } }, body }),
    ),
  );
}

export function useSetStep(deliveryId: string) {
  return useDeliveryChange(deliveryId, (body: { file: string; kind: string; off: boolean }) =>
    answered(
      api.POST("/api/deliveries/{id}/steps", { params: { path: { id: deliveryId } }, body }),
    ),
  );
}

export function useDescribeDelivery(deliveryId: string) {
  return useDeliveryChange(
    deliveryId,
    (body: { client?: string; artist?: string; project?: string }) =>
      answered(
        api.PUT("/api/deliveries/{id}/from", { params: { path: { id: deliveryId } }, body }),
      ),
  );
}

export function useForgetRule(deliveryId: string) {
  return useDeliveryChange(deliveryId, (ruleId: string) =>
    answered(
      api.DELETE("/api/deliveries/{id}/rules/{ruleId}", {
        params: { path: { id: deliveryId, ruleId } },
      }),
    ),
  );
}

export function useChangeRule(deliveryId: string) {
  return useDeliveryChange(deliveryId, (what: { rule: string; category: string }) =>
    answered(
      api.PUT("/api/deliveries/{id}/rules/{ruleId}", {
        params: { path: { id: deliveryId, ruleId: what.rule } },
        body: { category: what.category },
      }),
    ),
  );
}

/** Files go where a person wants them; without a wish, where the plan puts them. */
export function useWish(deliveryId: string) {
  return useDeliveryChange(deliveryId, (body: { files: string[]; wish?: SeatWish }) =>
    answered(
      api.POST("/api/deliveries/{id}/wishes", { params: { path: { id: deliveryId } }, body }),
    ),
  );
}

export function useNameSeats(deliveryId: string) {
  return useDeliveryChange(deliveryId, (pattern: string) =>
    answered(
      api.PUT("/api/deliveries/{id}/seat-names", {
        params: { path: { id: deliveryId } },
        body: { pattern },
      }),
    ),
  );
}

/** What counts as dead air in the files of a delivery. */
export function useSetDeadAir(deliveryId: string) {
  return useDeliveryChange(deliveryId, (body: DeadAir) =>
    answered(
      api.PUT("/api/deliveries/{id}/dead-air", { params: { path: { id: deliveryId } }, body }),
    ),
  );
}

export function useReport(deliveryId: string) {
  return useQuery({
    queryKey: keys.report(deliveryId),
    queryFn: () =>
      answered(api.GET("/api/deliveries/{id}/report", { params: { path: { id: deliveryId } } })),
    // It follows from everything that is decided about the files.
    staleTime: 0,
  });
}

/** Start, end and tempo of the Mix as the delivery asks. */
export function useSetTimes(mixId: string, deliveryId: string) {
  return useMixChange(mixId, (_: undefined, body) =>
    answered(
      api.POST("/api/deliveries/{id}/times", {
        params: { path: { id: deliveryId } },
        body,
      }),
    ),
  );
}

export function useSeat(mixId: string, deliveryId: string) {
  return useMixChange(mixId, (_: undefined, body) =>
    answered(
      api.POST("/api/deliveries/{id}/seat", {
        params: { path: { id: deliveryId } },
        body,
      }),
    ),
  );
}
