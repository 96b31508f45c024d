import { useIsMutating, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { heard, useConnected } from "./connection";

const ASKED_AGAIN_MILLISECONDS = 2000;
/** What is quicker need not be shown. */
const SLOW_MILLISECONDS = 300;

/** Whether what was done has been kept, and whether the server is there. */
export function Status() {
  const connected = useConnected();
  const saving = useLasts(useIsMutating() > 0, SLOW_MILLISECONDS);
  useReconnect(connected);
  return (
    <span role="status" className={connected ? "text-ink-2" : "font-semibold text-wrong"}>
      {connected ? saving && "Saving…" : "Not connected"}
    </span>
  );
}

/** Asks until the server answers, and then for everything that is shown. */
function useReconnect(connected: boolean) {
  const client = useQueryClient();
  useEffect(() => {
    if (connected) {
      return;
    }
    const ask = setInterval(() => {
      fetch(new Request(new URL("/api/ready", location.href)))
        .then((answer) => {
          if (answer.ok) {
            heard(true);
            return client.invalidateQueries();
          }
          return undefined;
        })
        .catch(() => undefined);
    }, ASKED_AGAIN_MILLISECONDS);
    return () => clearInterval(ask);
  }, [connected, client]);
}

function useLasts(on: boolean, milliseconds: number): boolean {
  const [lasting, setLasting] = useState(false);
  useEffect(() => {
    const wait = setTimeout(() => setLasting(on), on ? milliseconds : 0);
    return () => clearTimeout(wait);
  }, [on, milliseconds]);
  return lasting && on;
}
