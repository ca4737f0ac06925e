import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router";
import { Refused } from "../api/client";
import { registerApp } from "../domain/offline";
import { router } from "./routes";
import "./style.css";

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // Without a connection the app's own store answers with what was read last.
      networkMode: "always",
      staleTime: 5_000,
      retry: (failures, error) =>
        failures < 2 && !(error instanceof Refused && error.problem.status > 0 && error.problem.status < 500),
    },
  },
});

registerApp(() => void queries.invalidateQueries());

createRoot(document.getElementById("root") as HTMLElement).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
