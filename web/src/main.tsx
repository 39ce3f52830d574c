import "./index.css";

import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";

import { prefetchFrame } from "./api/queries";
import { App } from "./App";
import { shareNonce } from "./ui/nonce";
import { placeOf, TEXT } from "./ui/stations";

shareNonce();

const queries = new QueryClient({
  defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false } },
});

// Where this fails, the screen that needs it asks again, and says what is wrong.
const { letter } = placeOf(window.location.pathname);
prefetchFrame(queries, letter === TEXT ? undefined : letter).catch(() => undefined);

const root = document.getElementById("root");
if (!root) throw new Error("index.html has no #root");
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
