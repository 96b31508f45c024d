import { type QueryClient } from "@tanstack/react-query";
import { knowledge } from "./knowledge";
import { readLedger } from "./ledger";
import { mix } from "./mixes";

/** Asks for what a page shows first, so that its first frame is not an empty one. */
export async function readAhead(client: QueryClient, path: string): Promise<void> {
  const id = /^\/mixes\/([^/]+)/.exec(path)?.[1];
  const known = client.prefetchQuery(knowledge);
  if (id === undefined) {
    return known;
  }
  const first = path.endsWith("/ledger") ? readLedger(client, id) : undefined;
  const whole = client.prefetchQuery(mix(id));
  await Promise.all([known, first ?? whole]);
}
