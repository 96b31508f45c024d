import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { readAhead } from "./api/queries";
import { App } from "./App";
import { ActsProvider } from "./shell/acts";
import "./index.css";

const client = new QueryClient({
  defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: true, staleTime: 2_000 } },
});
const LONGEST_WAIT = 400;
const root = document.getElementById("root");
if (root) {
  await Promise.race([
    readAhead(client, location.pathname),
    new Promise((enough) => setTimeout(enough, LONGEST_WAIT)),
  ]);
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <ActsProvider>
            <App />
          </ActsProvider>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
