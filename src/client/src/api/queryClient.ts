import { QueryClient } from "@tanstack/react-query";
import { whenSignedOut } from "./client";
import { mayMend, standingOf } from "./standing";

export const queries = new QueryClient({
  defaultOptions: {
    // Whether the network is there is found out by asking: a server on the same machine needs none.
    queries: { networkMode: "always", retry: (failures, error) => failures < 3 && mayMend(standingOf(error)) },
    mutations: { networkMode: "always" },
  },
});

// Whoever is no longer signed in is asked to sign in; what was typed is put by until then.
whenSignedOut(() => void queries.invalidateQueries({ queryKey: ["session"] }));
