/** A part of a screen, put up at an address with a fresh store of answers. */
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { MemoryRouter, useLocation } from "react-router";

function Address() {
  const { pathname, search } = useLocation();
  return <code data-testid="address">{pathname + search}</code>;
}

/** Puts it up, and gives the hand that points and types. */
export function putUp(ui: ReactNode, at = "/") {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const user = userEvent.setup();
  const { rerender } = render(ui, {
    wrapper: ({ children }) => (
      <QueryClientProvider client={queries}>
        <MemoryRouter initialEntries={[at]}>
          {children}
          <Address />
        </MemoryRouter>
      </QueryClientProvider>
    ),
  });
  return { user, rerender };
}
