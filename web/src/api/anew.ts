import type { QueryClient, QueryKey } from "@tanstack/react-query";

/**
 * Reads anew what has changed on the server. A first answer that is still on its way may be of before:
 * it is not waited for, as invalidating alone would take it for the new one.
 */
export async function anew(client: QueryClient, queryKey: QueryKey): Promise<void> {
  await client.cancelQueries({ queryKey });
  await client.invalidateQueries({ queryKey });
}
