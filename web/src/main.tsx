import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { readAhead } from "./resources/ahead";
import { App, readPlace, readPlaces } from "./App";
import { ActsProvider } from "./shell/acts";
import { Addresses } from "./shell/Addresses";
import "./index.css";

const client = new QueryClient({
  defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: true, staleTime: 2_000 } },
});
const LONGEST_WAIT = 400;
/** Milliseconds until the other places are read. */
const PLACES_LATER = 3_000;
const root = document.getElementById("root");
if (root) {
  await Promise.race([
    Promise.all([readAhead(client, location.pathname), readPlace(location.pathname)]),
    new Promise((enough) => setTimeout(enough, LONGEST_WAIT)),
  ]);
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <Addresses>
          <ActsProvider>
            <App />
          </ActsProvider>
        </Addresses>
      </QueryClientProvider>
    </StrictMode>,
  );
  setTimeout(readPlaces, PLACES_LATER);
}
