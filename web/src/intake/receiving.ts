import type { QueryClient } from "@tanstack/react-query";
import { useCallback, useSyncExternalStore } from "react";
import { useQueryClient } from "@tanstack/react-query";
import { anew } from "../api/anew";
import { messageOf } from "../api/client";
import { openDelivery } from "../resources/deliveries";
import { notify } from "../shell/notices";
import { plural } from "../ui/format";
import { nameOfBatch, type Received } from "./received";
import { sendAll, type Progress } from "./upload";

/** Files on their way into one delivery. It goes on whatever place is shown. */
export interface Receiving {
  delivery: string;
  progress: Progress;
  /** True when no more is being sent: what could not be sent waits to be sent again. */
  ended: boolean;
  controller: AbortController;
}

const byMix = new Map<string, Receiving>();
const listeners = new Set<() => void>();

function put(mix: string, receiving: Receiving | undefined) {
  if (receiving) {
    byMix.set(mix, receiving);
  } else {
    byMix.delete(mix);
  }
  listeners.forEach((listener) => listener());
  const sending = [...byMix.values()].some((one) => !one.ended);
  // The browser asks before it closes a page whose files have not all gone.
  window.onbeforeunload = sending ? (event) => event.preventDefault() : null;
}

async function send(client: QueryClient, mix: string, delivery: string, received: Received[]) {
  const controller = new AbortController();
  const show = (progress: Progress, ended = false) =>
    put(mix, { delivery, progress, ended, controller });
  const end = await sendAll(delivery, received, show, controller.signal);
  const came = end.files - end.refused.length - end.unsent.length;
  if (end.unsent.length > 0 && !controller.signal.aborted) {
    show(end, true);
  } else {
    put(mix, undefined);
  }
  notify(
    [
      `${plural(came, "file")} received`,
      end.refused.length > 0 && `${end.refused.length} refused; the list says why`,
      end.unsent.length > 0 && `${end.unsent.length} not sent`,
    ]
      .filter(Boolean)
      .join(", ")
      .concat("."),
  );
  await anew(client, ["deliveries", mix]);
  await anew(client, ["delivery", delivery]);
}

function complain(error: unknown) {
  notify(messageOf(error), "wrong");
}

/** Opens a delivery for a Mix and sends files into it. */
export async function receiveInto(client: QueryClient, mix: string, received: Received[]) {
  const delivery = await openDelivery(mix, nameOfBatch(received));
  await anew(client, ["deliveries", mix]);
  void send(client, mix, delivery, received).catch((error: unknown) => {
    put(mix, undefined);
    complain(error);
  });
  return delivery;
}

/** What is being received for a Mix, and what can be done about it. */
export function useReceiving(mix: string, onOpened: (delivery: string) => void) {
  const client = useQueryClient();
  const receiving = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => byMix.get(mix),
  );
  const receive = useCallback(
    async (received: Received[]) => {
      if (received.length === 0) {
        notify("There was no file in that.", "wrong");
        return;
      }
      try {
        onOpened(await receiveInto(client, mix, received));
      } catch (error) {
        complain(error);
      }
    },
    [client, mix, onOpened],
  );
  const again = useCallback(() => {
    const now = byMix.get(mix);
    if (now?.ended) {
      void send(
        client,
        mix,
        now.delivery,
        now.progress.unsent.map((one) => one.received),
      ).catch(complain);
    }
  }, [client, mix]);
  const stop = useCallback(() => {
    const now = byMix.get(mix);
    if (now?.ended) {
      put(mix, undefined);
    } else {
      now?.controller.abort();
    }
  }, [mix]);
  return { receiving, receive, again, stop };
}
