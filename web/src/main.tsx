import "./index.css";

import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";

import { namesItsClass, showTheOpenClass, wasForAnother } from "./api/classShown";
import { fetchClient, ProblemError } from "./api/client";
import { prefetchFrame } from "./api/queries";
import { SESSION } from "./api/sessionQueries";
import { App } from "./App";
import { shareNonce } from "./ui/nonce";
import { placeOf, TEXT } from "./ui/stations";

shareNonce();

/**
 * Who is no longer signed in finds the door, whatever she asked for; where another class is open by
 * now, the page shows that one.
 */
function notAsItWas(error: unknown) {
  if (wasForAnother(error)) showTheOpenClass();
  if (error instanceof ProblemError && error.status === 401) {
    void queries.invalidateQueries({ queryKey: SESSION });
  }
}

const queries: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError: notAsItWas }),
  mutationCache: new MutationCache({ onError: notAsItWas }),
  defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false } },
});

fetchClient.use(namesItsClass(queries));

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
