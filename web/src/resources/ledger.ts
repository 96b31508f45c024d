import { keepPreviousData, useQuery, type QueryClient } from "@tanstack/react-query";
import { answered, api, type LedgerView } from "../api/client";
import { keys } from "./keys";

const ledger = (id: string, revision?: number) =>
  answered(api.GET("/api/mixes/{id}/ledger", { params: { path: { id }, query: { revision } } }));

/** What was asked for beside the Mix and not after it: it says itself of which revision it is. */
const ledgersAhead = new Map<string, Promise<LedgerView>>();

const AHEAD = "ahead";

export async function readLedger(client: QueryClient, id: string) {
  const coming = ledger(id);
  ledgersAhead.set(id, coming);
  const read = await coming.catch(() => undefined);
  ledgersAhead.delete(id);
  for (const key of read ? [AHEAD, read.revision] : []) {
    client.setQueryData(keys.ledger(id, key), read);
  }
}

/** @param revision the one that is shown; not known while only what was asked for ahead has come */
export function useLedger(id: string, revision: number | undefined) {
  return useQuery({
    queryKey: keys.ledger(id, revision ?? AHEAD),
    enabled: revision !== undefined || ledgersAhead.has(id),
    queryFn: async () => {
      const ahead = await ledgersAhead.get(id);
      return ahead && (revision ?? ahead.revision) === ahead.revision
        ? ahead
        : ledger(id, revision);
    },
    staleTime: revision === undefined ? 0 : Infinity,
    placeholderData: keepPreviousData,
  });
}
